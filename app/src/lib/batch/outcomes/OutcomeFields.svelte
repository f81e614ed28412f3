<script lang="ts">
  import Camera from '@lucide/svelte/icons/camera';
  import type { BatchPart } from '$lib/server/printing/batches/batchParts';
  import { isUsable, outcomeKinds } from '$lib/shared/outcome';
  import { batchTexts as say } from '$lib/texts/batch';
  import { writtenSizes, type Draft } from './draft';

  /** What came of one part: what is wrong with it, what happens next, what was measured and a photo. */
  interface Props {
    part: BatchPart;
    draft: Draft;
    onchange(change: Partial<Draft>): void;
  }
  let { part, draft, onchange }: Props = $props();

  /** What the photo that was chosen is called. */
  let photo = $state<string>();
</script>

<div class="flex flex-col gap-2 text-sm">
  <select
    class="border-hairline w-full rounded px-2 py-1"
    aria-label={say.outcome(part.student)}
    required
    bind:value={() => draft.outcome, (outcome) => onchange({ outcome })}
  >
    <option value="">{say.choose}</option>
    {#each outcomeKinds as kind (kind)}<option value={kind}>{say.outcomes[kind]}</option>{/each}
  </select>
  {#if draft.outcome !== '' && !isUsable(draft.outcome)}
    <select
      class="border-hairline w-full rounded px-2 py-1"
      aria-label={say.next}
      bind:value={() => draft.next, (next) => onchange({ next })}
    >
      {#each Object.entries(say.nexts) as [value, words] (value)}<option {value}>{words}</option>{/each}
    </select>
  {/if}
  <input
    type="text"
    class="border-hairline w-full rounded px-2 py-1"
    maxlength="400"
    placeholder={say.noteHint}
    aria-label={say.note}
    bind:value={() => draft.note, (note) => onchange({ note })}
  />
  <label class="text-ink-soft flex items-center gap-2">
    {say.measured}
    <input
      type="text"
      class="measured border-hairline min-w-0 flex-1 rounded px-2 py-1"
      maxlength="60"
      placeholder={part.designedMm ? writtenSizes(part.designedMm) : ''}
      aria-label={say.measuredOf(part.student)}
      bind:value={() => draft.measured, (measured) => onchange({ measured })}
    />
    mm
  </label>
  <label
    class="border-hairline focus-within:ring-primary-500 flex cursor-pointer items-center gap-2 rounded border bg-white px-3 py-1.5 focus-within:ring-2"
  >
    <Camera size={16} aria-hidden="true" />
    <span class="truncate">{photo ?? say.photo}</span>
    <input
      type="file"
      name="photo-{part.entryId}"
      accept="image/png,image/jpeg,image/webp"
      class="sr-only"
      aria-label={say.photoOf(part.student)}
      onchange={({ currentTarget }) => (photo = currentTarget.files?.[0]?.name)}
    />
  </label>
</div>
