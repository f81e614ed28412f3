<script lang="ts">
  import type { SubmitFunction } from '@sveltejs/kit';
  import { Button } from 'flowbite-svelte';
  import { mayBeLaid, type QueueRow } from '$lib/shared/queue/queueRow';
  import { takesOf } from '$lib/shared/queue/queueView';
  import { queueTexts as say } from '$lib/texts/queue';
  import { enhance } from '$lib/ui/enhance';

  /** What can be done with the parts that are chosen, all at once. */
  interface Props {
    /** The chosen ones, in the queue’s order. */
    parts: readonly QueueRow[];
    /** The batches that more can be laid on. */
    batches: readonly { readonly id: string; readonly number: number }[];
    isTeacher: boolean;
    isByHand: boolean;
    clear(): void;
    told: SubmitFunction;
  }
  let { parts, batches, isTeacher, isByHand, clear, told }: Props = $props();

  const free = $derived(parts.filter(mayBeLaid));
  const takes = $derived(takesOf(parts));
  const held = $derived(parts.filter(({ state }) => state === 'held'));
  const waiting = $derived(parts.filter(({ state }) => state === 'waiting'));
  const inQueue = $derived(parts.filter(({ state }) => state !== 'out'));
  const out = $derived(parts.filter(({ state }) => state === 'out'));
</script>

{#snippet all(of: readonly QueueRow[])}
  {#each of as { id } (id)}<input type="hidden" name="entry" value={id} />{/each}
{/snippet}

{#snippet button(action: string, of: readonly QueueRow[], name: string, value: string, words: string)}
  {#if of.length > 0}
    <form method="POST" {action} use:enhance={told}>
      {@render all(of)}
      <Button type="submit" size="sm" color="alternative" {name} {value}>{words}</Button>
    </form>
  {/if}
{/snippet}

<div
  class="bg-ground sticky top-0 z-10 mb-2 flex min-h-12 flex-wrap items-center gap-3 py-2"
  role="group"
  aria-label={say.chooseFirst}
>
  <form id="lay" method="POST" action="?/lay" use:enhance class="flex flex-wrap items-center gap-3">
    {@render all(free)}
    <Button type="submit" size="sm" disabled={free.length === 0}>{say.lay(free.length)}</Button>
    <label class="flex items-center gap-2"
      >{say.onBatch}
      <select name="batch" class="border-hairline rounded bg-white py-1 pr-8 pl-2">
        <option value="">{say.newBatch}</option>
        {#each batches as { id, number } (id)}<option value={id}>{say.batch(number)}</option>{/each}
      </select></label
    >
  </form>
  {#if parts.length === 0}
    <span class="text-ink-soft">{say.chooseFirst}</span>
  {:else}
    {@render button('?/put', inQueue, 'to', 'first', say.first)}
    {@render button('?/hold', waiting, 'held', 'yes', say.hold)}
    {@render button('?/hold', held, 'held', 'no', say.release)}
    {#if isTeacher}
      {@render button('?/drop', inQueue, 'dropped', 'yes', say.drop)}
      {@render button('?/drop', out, 'dropped', 'no', say.putBack)}
    {/if}
    <span class="text-ink-soft" data-testid="chosen"
      >{say.chosen(parts.length, takes.seconds, takes.grams)}</span
    >
    <button type="button" class="text-primary-800 underline underline-offset-2" onclick={clear}
      >{say.chooseNone}</button
    >
  {/if}
  {#if isByHand}
    <form method="POST" action="?/rules" use:enhance={told} class="ml-auto flex items-center gap-3">
      <span class="text-ink-soft">{say.byHand}</span>
      <Button type="submit" size="xs" color="alternative">{say.byRules}</Button>
    </form>
  {/if}
</div>
