<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { BatchPart } from '$lib/server/printing/batches/batchParts';
  import type { correctionsOf } from '$lib/server/printing/runs/outcomes';
  import { hasSupports } from '$lib/shared/heldBy';
  import { isUsable } from '$lib/shared/outcome';
  import { enhance } from '$lib/ui/enhance';
  import { dayAndTime } from '$lib/ui/times';
  import { askTexts } from '$lib/texts/ask';
  import { batchTexts as say } from '$lib/texts/batch';
  import { draftOf, sentDraft, writtenSizes, type Draft } from './draft';
  import OutcomeFields from './OutcomeFields.svelte';

  /** A part whose outcome is written down: what it was, and what was corrected of it. */
  interface Props {
    part: BatchPart;
    corrections: Awaited<ReturnType<typeof correctionsOf>>;
  }
  let { part, corrections }: Props = $props();

  /** What is being corrected; undefined while nothing is. */
  let draft = $state.raw<Draft>();
</script>

<li class="flex flex-wrap items-center gap-4 px-4 py-3" aria-label={say.outcome(part.student)}>
  <img src="/picture/hand-in/{part.handInId}?row" alt="" width="80" height="50" />
  <strong class="w-28">{part.student}</strong>
  {#if draft}
    <form
      method="POST"
      action="?/outcomes"
      enctype="multipart/form-data"
      class="flex flex-1 flex-wrap items-end gap-3"
      use:enhance={({ formData }) => {
        formData.set('outcomes', JSON.stringify([sentDraft(part.entryId, draft!, true)]));
        return async ({ result, update }) => {
          if (result.type === 'success') draft = undefined;
          await update({ reset: false });
        };
      }}
    >
      <div class="w-72">
        <OutcomeFields {part} {draft} onchange={(more) => (draft = { ...draft!, ...more })} />
      </div>
      <Button type="submit" size="xs">{say.write}</Button>
      <Button type="button" size="xs" color="alternative" onclick={() => (draft = undefined)}
        >{askTexts.no}</Button
      >
    </form>
  {:else if part.outcome}
    <span class={isUsable(part.outcome) ? 'text-pass' : 'text-fail'}>{say.outcomes[part.outcome]}</span>
    <span class="text-ink-soft">{part.outcomeNote}</span>
    {#if part.measuredMm}
      <span class="text-sm">
        {say.measuredWas(
          writtenSizes(part.measuredMm),
          part.designedMm ? writtenSizes(part.designedMm) : undefined,
        )}
      </span>
    {/if}
    {#if part.hasPhoto}
      <img
        class="h-16 rounded"
        src="/batch/{part.batchId}/photo/{part.entryId}"
        alt={say.photoOf(part.student)}
      />
    {/if}
    <span class="ml-auto flex items-center gap-3">
      {#if part.handedOutAt}
        <span class="text-ink-soft text-sm">{say.handedOutAt(dayAndTime(part.handedOutAt))}</span>
      {:else if isUsable(part.outcome) && hasSupports(part)}
        <span class="text-sm">{say.hasSupports}</span>
        <form method="POST" action="?/supportsOff" use:enhance>
          <input type="hidden" name="entry" value={part.entryId} />
          <Button type="submit" size="xs" color="alternative" aria-label={say.supportsOffOf(part.student)}
            >{say.supportsOff}</Button
          >
        </form>
      {:else if isUsable(part.outcome)}
        <form method="POST" action="?/handOut" use:enhance>
          <input type="hidden" name="entry" value={part.entryId} />
          <Button type="submit" size="xs" color="alternative" aria-label={say.handOutOf(part.student)}
            >{say.handOut}</Button
          >
        </form>
      {/if}
      <Button
        size="xs"
        color="alternative"
        aria-label={say.changeOf(part.student)}
        onclick={() => (draft = draftOf(part))}>{say.change}</Button
      >
      {#if isUsable(part.outcome)}
        <form method="POST" action="?/repeat" use:enhance>
          <input type="hidden" name="entry" value={part.entryId} />
          <Button type="submit" size="xs" color="alternative">{say.oneMore}</Button>
        </form>
      {/if}
    </span>
  {/if}
  {#if corrections.length > 0}
    <ul class="text-ink-soft w-full pl-24 text-sm">
      {#each corrections as { outcome, note, by, at, correctedBy, correctedAt } (correctedAt.getTime())}
        <li>
          {say.corrected(
            say.outcomes[outcome],
            note,
            by ?? say.somebody,
            at ? dayAndTime(at) : '',
            correctedBy ?? say.somebody,
            dayAndTime(correctedAt),
          )}
        </li>
      {/each}
    </ul>
  {/if}
</li>
