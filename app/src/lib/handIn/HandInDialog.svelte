<script lang="ts">
  import { Button, Input, Textarea } from 'flowbite-svelte';
  import Dialog from '$lib/ui/Dialog.svelte';
  import { enhance } from '$lib/ui/enhance';
  import { partOf } from '@kelbrin/core/design';
  import type { Autosave } from '$lib/bench/state/autosave.svelte';
  import type { BenchState } from '$lib/bench/state/bench.svelte';
  import type { SaidWithHandIn } from '$lib/shared/saidWithHandIn';
  import { handInTexts as say } from '$lib/texts/handIn';
  import { unbroken } from '$lib/ui/unbroken';

  interface Props {
    open: boolean;
    bench: BenchState;
    autosave: Autosave;
    /** Whether an approved version waits in the queue. */
    isQueued: boolean;
    /** Whether something waits already, whose place this takes. */
    isInstead: boolean;
  }
  let { open = $bindable(), bench, autosave, isQueued, isInstead }: Props = $props();

  let refusal = $state<string>();
  let note = $state('');
  let reasons = $state<Record<string, string>>({});

  const failing = $derived(bench.solid?.inspection.checks.filter(({ verdict }) => verdict === 'fail') ?? []);
  $effect(() => {
    if (open) refusal = undefined;
  });
</script>

<Dialog bind:open title={say.title} size="sm">
  <form
    method="POST"
    action="?/handIn"
    class="flex flex-col gap-4"
    use:enhance={async ({ formData, cancel }) => {
      const said: SaidWithHandIn = {
        note,
        arguments: failing.map(({ id }) => ({ check: id, words: (reasons[id] ?? '').trim() })),
      };
      if (said.arguments.some(({ words }) => words === '')) {
        refusal = say.mustArgue;
        return cancel();
      }
      // What is handed in is what the server has, so everything must have arrived there first.
      if (!(await autosave.flush())) {
        refusal = say.unsaved;
        return cancel();
      }
      formData.set('revision', String(autosave.revision));
      formData.set('said', JSON.stringify(said));
      return async ({ result, update }) => {
        if (result.type === 'failure') refusal = String(result.data?.message);
        else if (result.type === 'success') {
          open = false;
          note = '';
          reasons = {};
        }
        await update({ reset: false });
      };
    }}
  >
    {#if failing.length > 0}
      <p class="border-fail bg-fail-wash border-l-4 px-3 py-2">{say.fails}</p>
      {#each failing as { id, title, findings } (id)}
        <label class="flex flex-col gap-1 text-sm">
          <span class="font-semibold">{say.why(title)}</span>
          <span class="text-ink-soft"
            >{unbroken(findings.find(({ verdict }) => verdict === 'fail')?.message ?? '')}</span
          >
          <Input maxlength={400} placeholder={say.because} data-argue={id} bind:value={reasons[id]} />
        </label>
      {/each}
    {/if}
    <p>
      {say.next(partOf(bench.design, bench.design.chosen).name)}{isQueued ? ` ${say.replaces}` : ''}{isInstead
        ? ` ${say.replaced}`
        : ''}
    </p>
    <label class="flex flex-col gap-1 text-sm">
      <span class="font-semibold">{say.note}</span>
      <Textarea rows={2} maxlength={1000} class="w-full" bind:value={note} />
    </label>
    {#if refusal}<p role="alert" class="text-fail">{refusal}</p>{/if}
    <div class="flex gap-3">
      <Button type="submit" disabled={!bench.isChecked}>{bench.isChecked ? say.open : say.checking}</Button>
      <Button color="alternative" onclick={() => (open = false)}>{say.goOn}</Button>
    </div>
  </form>
</Dialog>
