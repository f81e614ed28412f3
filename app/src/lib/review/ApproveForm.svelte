<script lang="ts">
  import { tick } from 'svelte';
  import { enhance, unless } from '$lib/ui/enhance';
  import { Button, Input } from 'flowbite-svelte';
  import type { CheckResult } from '@kelbrin/core/inspect';
  import { reviewTexts as say } from '$lib/texts/review';
  import type { Written } from './written';

  interface Props {
    solidHash: string | null;
    /** The checks that fail, each of which has to be waived. */
    failing: readonly CheckResult[];
    written: Written;
    /** Whether something else has to be done first. */
    isHeld(): Promise<boolean>;
  }
  let { solidHash, failing, written = $bindable(), isHeld }: Props = $props();

  let form = $state<HTMLFormElement>();
  const isWaiving = $derived(written.reasons !== undefined);
  const reasonOf = (check: string) => written.reasons?.[check] ?? '';
  const first = $derived(reasonOf(failing[0]?.id).trim());
  const isReady = $derived(failing.every(({ id }) => reasonOf(id).trim() !== ''));

  function give(reasons: Written['reasons']): void {
    written = { ...written, reasons: { ...written.reasons, ...reasons } };
  }

  /** From a reason to the next that is missing, or to the button: no decision is made from inside a field. */
  function onkeydown(event: KeyboardEvent): void {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    const fields = [...(form?.querySelectorAll<HTMLInputElement>('input[data-reason]') ?? [])];
    const missing = fields.find(({ value }) => value.trim() === '');
    (missing ?? form?.querySelector<HTMLButtonElement>('button[type=submit]'))?.focus();
  }

  /** Approves; where something fails, asks first why to waive it. */
  export async function approve(): Promise<void> {
    if (isReady) return form?.requestSubmit();
    give({});
    await tick();
    form?.querySelector<HTMLInputElement>('input[data-reason]')?.focus();
  }
</script>

<form
  method="POST"
  action="?/approve"
  use:enhance={unless(isHeld)}
  bind:this={form}
  class="flex flex-col gap-2"
>
  <input type="hidden" name="solidHash" value={solidHash} />
  {#if isWaiving}
    {#each failing as { id, title } (id)}
      <input type="hidden" name="check" value={id} />
      <label class="flex flex-col gap-1 text-sm">
        <span class="font-semibold">{say.waiveWhy(title)}</span>
        <Input
          name="why-{id}"
          size="sm"
          maxlength={400}
          data-reason={id}
          {onkeydown}
          bind:value={() => reasonOf(id), (reason) => give({ [id]: reason ?? '' })}
        />
      </label>
    {/each}
    {#if first !== '' && failing.length > 1 && !isReady}
      <button
        type="button"
        class="self-start text-sm underline underline-offset-2"
        onclick={() => give(Object.fromEntries(failing.map(({ id }) => [id, first])))}
        >{say.sameForAll}</button
      >
    {/if}
  {/if}
  {#if failing.length === 0}
    <Button type="submit" class="w-full">{say.approve}</Button>
  {:else if isWaiving}
    <Button type="submit" class="w-full" disabled={!isReady}>{say.approveWaived}</Button>
  {:else}
    <Button color="alternative" class="w-full" onclick={approve}>{say.waive}</Button>
  {/if}
</form>
