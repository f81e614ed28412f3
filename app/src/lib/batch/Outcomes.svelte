<script lang="ts">
  import { enhance, whenTaken } from '$lib/ui/enhance';
  import Camera from '@lucide/svelte/icons/camera';
  import { Button } from 'flowbite-svelte';
  import { formatNumber } from '@kelbrin/core/recipe';
  import type { BatchPart } from '$lib/server/printing/batches/batchParts';
  import { isUsable, outcomeKinds, type OutcomeKind } from '$lib/shared/outcome';
  import { askTexts } from '$lib/texts/ask';
  import { batchTexts as say } from '$lib/texts/batch';

  let { parts }: { parts: BatchPart[] } = $props();

  /** Sizes as they are read, to a tenth of a millimetre. */
  const sizes = (mm: readonly number[]) =>
    mm.map((each) => formatNumber(Math.round(each * 10) / 10)).join(' × ');

  let chosen = $state<Record<string, OutcomeKind | ''>>({});
  /** The part of which what was written down is being corrected. */
  let changing = $state<string>();
  /** What the photos that were chosen are called. */
  let photos = $state<Record<string, string | undefined>>({});
</script>

<section aria-label={say.outcomeTitle}>
  <h2 class="mb-2">{say.outcomeTitle}</h2>
  <ul class="sheet divide-hairline divide-y">
    {#each parts as part (part.entryId)}
      {@const picked = chosen[part.entryId] ?? ''}
      <li class="flex flex-wrap items-center gap-4 px-4 py-3" aria-label={say.outcome(part.student)}>
        <img src="/picture/hand-in/{part.handInId}" alt="" width="80" height="50" />
        <strong class="w-28">{part.student}</strong>
        {#if part.outcome && changing !== part.entryId}
          <span class={isUsable(part.outcome) ? 'text-pass' : 'text-fail'}>{say.outcomes[part.outcome]}</span>
          <span class="text-ink-soft">{part.outcomeNote}</span>
          {#if part.measuredMm}
            <span class="text-sm">
              {say.measuredWas(sizes(part.measuredMm), part.designedMm ? sizes(part.designedMm) : undefined)}
            </span>
          {/if}
          {#if part.hasPhoto}
            <img
              class="ml-auto h-16 rounded"
              src="/batch/{part.batchId}/photo/{part.entryId}"
              alt={say.photoOf(part.student)}
            />
          {/if}
          <Button
            size="xs"
            color="alternative"
            class="ml-auto"
            aria-label={say.changeOf(part.student)}
            onclick={() => {
              changing = part.entryId;
              chosen[part.entryId] = part.outcome ?? '';
            }}>{say.change}</Button
          >
          {#if isUsable(part.outcome)}
            <form method="POST" action="?/repeat" use:enhance>
              <input type="hidden" name="entry" value={part.entryId} />
              <Button type="submit" size="xs" color="alternative">{say.oneMore}</Button>
            </form>
          {/if}
        {:else}
          <form
            method="POST"
            action="?/outcome"
            enctype="multipart/form-data"
            use:enhance={whenTaken(() => (changing = undefined))}
            class="flex flex-1 flex-wrap items-center gap-3"
          >
            <input type="hidden" name="entry" value={part.entryId} />
            <select
              name="outcome"
              class="border-hairline rounded px-2 py-1"
              aria-label={say.outcome(part.student)}
              required
              bind:value={chosen[part.entryId]}
            >
              <option value="">{say.choose}</option>
              {#each outcomeKinds as kind (kind)}<option value={kind}>{say.outcomes[kind]}</option>{/each}
            </select>
            <input
              type="text"
              name="note"
              class="border-hairline min-w-40 flex-1 rounded px-2 py-1"
              maxlength="400"
              placeholder={say.noteHint}
              aria-label={say.note}
              value={part.outcomeNote}
            />
            {#if picked !== '' && !isUsable(picked)}
              <select name="next" class="border-hairline rounded px-2 py-1" aria-label={say.next} required>
                <option value="again">{say.again}</option>
                <option value="student">{say.student}</option>
              </select>
            {/if}
            <label class="text-ink-soft flex items-center gap-2 text-sm">
              {say.measured}
              <input
                type="text"
                name="measured"
                class="measured border-hairline w-44 rounded px-2 py-1"
                maxlength="60"
                placeholder={part.designedMm ? sizes(part.designedMm) : ''}
                value={part.measuredMm ? sizes(part.measuredMm) : ''}
                aria-label={say.measuredOf(part.student)}
              />
              mm
            </label>
            <label
              class="border-hairline focus-within:ring-primary-500 flex cursor-pointer items-center gap-2 rounded border bg-white px-3 py-1.5 text-sm focus-within:ring-2"
            >
              <Camera size={16} aria-hidden="true" />
              <span class="max-w-40 truncate">{photos[part.entryId] ?? say.photo}</span>
              <input
                type="file"
                name="photo"
                accept="image/png,image/jpeg,image/webp"
                class="sr-only"
                aria-label={say.photoOf(part.student)}
                onchange={({ currentTarget }) => (photos[part.entryId] = currentTarget.files?.[0]?.name)}
              />
            </label>
            <Button type="submit" size="xs">{say.write}</Button>
            {#if part.outcome}
              <Button type="button" size="xs" color="alternative" onclick={() => (changing = undefined)}
                >{askTexts.no}</Button
              >
            {/if}
          </form>
        {/if}
      </li>
    {/each}
  </ul>
</section>
