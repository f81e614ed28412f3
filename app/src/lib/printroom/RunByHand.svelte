<script lang="ts">
  import { Button, Textarea } from 'flowbite-svelte';
  import Dialog from '$lib/ui/Dialog.svelte';
  import type { printersWithRuns } from '$lib/server/printing/printRoom';
  import { enhance } from '$lib/ui/enhance';
  import { clockTime } from '$lib/ui/times';
  import { byHandTexts as say } from '$lib/texts/byHand';

  /** A run on a printer that nothing is connected to: what a person does, and says of it. */
  interface Props {
    run: NonNullable<Awaited<ReturnType<typeof printersWithRuns>>[number]['run']>;
    name: string;
    /** The card that the file is written onto; null where it is downloaded. */
    card: string | null;
  }
  let { run, name, card }: Props = $props();

  const dueAt = $derived(run.begunByHandAt && new Date(run.begunByHandAt.getTime() + run.estimateS * 1000));
  const isOver = $derived(run.doneByHandAt !== null || run.failedByHand !== null);
  let isFailing = $state(false);
</script>

{#if !run.begunByHandAt}
  {#if run.problem}
    <p role="alert" class="border-warn bg-warn-wash border-l-4 px-3 py-2">{run.problem}</p>
  {/if}
  <ol class="flex list-decimal flex-col gap-2 pl-5">
    <li>
      {#if card !== null && run.sentAt}
        {say.onCard(card)} <span class="measured break-all">{run.fileName}</span>
      {:else}
        <a class="text-primary-800 underline underline-offset-2" href="/print-room/run/{run.id}/file"
          >{say.download}</a
        >
        <span class="measured text-sm break-all">{run.fileName}</span>
      {/if}
    </li>
    <li>{say.carry(name)}</li>
    <li>
      <form method="POST" action="/print-room?/begun" use:enhance class="inline">
        <input type="hidden" name="run" value={run.id} />
        <Button type="submit" size="xs">{say.begun}</Button>
      </form>
    </li>
  </ol>
{:else if !isOver}
  {#if run.askedAt && dueAt}
    <p role="alert" class="border-warn bg-warn-wash border-l-4 px-3 py-2">{say.due(clockTime(dueAt))}</p>
  {:else}
    <p class="text-ink-soft text-sm">{say.by(name)}</p>
  {/if}
  <form method="POST" action="/print-room?/done" use:enhance class="flex gap-2">
    <input type="hidden" name="run" value={run.id} />
    <Button type="submit" size="xs">{say.done}</Button>
    <Button type="button" size="xs" color="alternative" onclick={() => (isFailing = true)}
      >{say.failed}</Button
    >
  </form>
{/if}

{#if isFailing}
  <Dialog title={say.failedTitle(name)} size="md" onclose={() => (isFailing = false)}>
    <form method="POST" action="/print-room?/failed" use:enhance class="flex flex-col gap-3">
      <input type="hidden" name="run" value={run.id} />
      <label class="flex flex-col gap-1">
        {say.why}
        <Textarea name="why" rows={3} maxlength={300} required class="w-full" />
      </label>
      <p class="text-ink-soft text-sm">{say.failedWhat}</p>
      <span class="flex justify-end gap-2">
        <Button type="button" color="alternative" onclick={() => (isFailing = false)}>{say.back}</Button>
        <Button type="submit">{say.sayFailed}</Button>
      </span>
    </form>
  </Dialog>
{/if}
