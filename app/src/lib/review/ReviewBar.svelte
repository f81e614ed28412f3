<script lang="ts">
  import CircleQuestionMark from '@lucide/svelte/icons/circle-question-mark';
  import { Button } from 'flowbite-svelte';
  import type { PageData } from '../../routes/(teacher)/review/[handIn]/$types';
  import { enhance } from '$lib/ui/enhance';
  import { reviewTexts as say } from '$lib/texts/review';
  import VerdictChip from '$lib/ui/VerdictChip.svelte';

  /** Which hand-in is looked at, what was decided just before, and the ways to the others. */
  interface Props {
    data: Pick<PageData, 'student' | 'brief' | 'handIn' | 'before' | 'decided' | 'stack'>;
    /** Its place among those that wait, from 0; less for one that does not. */
    place: number;
    isComparing: boolean;
    /** The form that undoes the decision just before. */
    undoing: HTMLFormElement | undefined;
    onmove(by: 1 | -1): void;
    onkeys(): void;
  }
  let { data, place, isComparing = $bindable(), undoing = $bindable(), onmove, onkeys }: Props = $props();
  const { handIn, before } = $derived(data);
  const { inspection } = $derived(handIn);
</script>

<div class="border-hairline flex h-12 shrink-0 items-center gap-3 border-b bg-white px-4">
  <a href="/review" class="text-primary-800 underline underline-offset-2">{say.title}</a>
  <h1 class="truncate text-lg">
    {data.student}: {data.brief.title}, {say.handIn(handIn.number, handIn.part)}
  </h1>
  {#if inspection}<VerdictChip verdict={inspection.verdict} />{/if}
  {#if data.decided && data.decided.id !== handIn.id && (data.decided.state === 'approved' || data.decided.state === 'sent_back')}
    <form
      method="POST"
      action="/review/{data.decided.id}?/undo"
      class="text-ink-soft flex gap-2 text-sm"
      role="status"
      use:enhance
      bind:this={undoing}
    >
      {say.decided(data.decided.student, data.decided.state === 'approved')}
      <button class="text-primary-800 underline underline-offset-2">{say.undoShort}</button>
    </form>
  {/if}
  <div class="ml-auto flex shrink-0 items-center gap-2 text-sm">
    {#if before}
      <Button
        size="xs"
        color={isComparing ? 'primary' : 'alternative'}
        aria-pressed={isComparing}
        onclick={() => (isComparing = !isComparing)}>{say.compareWith(before.number)}</Button
      >
    {/if}
    {#if place >= 0}<span class="text-ink-soft">{say.place(place + 1, data.stack.length)}</span>{/if}
    <Button size="xs" color="alternative" disabled={place <= 0} onclick={() => onmove(-1)}>{say.back}</Button>
    <Button size="xs" color="alternative" disabled={place >= data.stack.length - 1} onclick={() => onmove(1)}
      >{say.next}</Button
    >
    <button type="button" class="hover:bg-ground rounded p-1.5" aria-label={say.keys} onclick={onkeys}>
      <CircleQuestionMark size={18} />
    </button>
  </div>
</div>
