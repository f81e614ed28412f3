<script lang="ts">
  import CircleCheck from '@lucide/svelte/icons/circle-check';
  import CircleX from '@lucide/svelte/icons/circle-x';
  import { Button } from 'flowbite-svelte';
  import type { BatchPart } from '$lib/server/printing/batches/batchParts';
  import { isUsable } from '$lib/shared/outcome';
  import { enhance } from '$lib/ui/enhance';
  import { batchTexts as say } from '$lib/texts/batch';
  import { draftOf, sentDraft, type Draft } from './draft';
  import OutcomeFields from './OutcomeFields.svelte';

  /** The parts of a batch that came off the plate, judged in one look: all are good but those that are tapped. */
  let { parts }: { parts: readonly BatchPart[] } = $props();

  let changes = $state<Record<string, Partial<Draft>>>({});
  /** Good parts of which more is written down: sizes, a photo, a note. */
  let opened = $state<string[]>([]);
  const drafts = $derived(parts.map((part) => ({ ...draftOf(part), ...changes[part.entryId] })));
  const isGood = ({ outcome }: Draft) => outcome !== '' && isUsable(outcome);
  const good = $derived(drafts.filter(isGood).length);
  const change = (entry: string, more: Partial<Draft>) =>
    (changes = { ...changes, [entry]: { ...changes[entry], ...more } });
</script>

<form
  method="POST"
  action="?/outcomes"
  enctype="multipart/form-data"
  class="sheet flex flex-col gap-4 p-4"
  use:enhance={({ formData }) => {
    const sent = parts.map(({ entryId }, i) => sentDraft(entryId, drafts[i], false));
    formData.set('outcomes', JSON.stringify(sent));
    return async ({ update }) => update({ reset: false });
  }}
>
  <p class="text-ink-soft">{say.tapWrong}</p>
  <ul class="grid grid-cols-[repeat(auto-fill,minmax(13rem,1fr))] gap-3">
    {#each parts as part, i (part.entryId)}
      {@const draft = drafts[i]}
      {@const isFine = isGood(draft)}
      <li
        class="flex flex-col gap-2 rounded border p-2 {isFine
          ? 'border-hairline'
          : 'border-fail bg-fail-wash'}"
        aria-label={say.outcome(part.student)}
      >
        <button
          type="button"
          class="flex flex-col gap-1 text-left"
          aria-pressed={!isFine}
          aria-label={say.wrongWith(part.student)}
          onclick={() => change(part.entryId, { outcome: isFine ? '' : 'good' })}
        >
          <img
            src="/picture/hand-in/{part.handInId}"
            alt=""
            width="160"
            height="100"
            class="w-full rounded bg-white"
          />
          <span class="flex items-center gap-2">
            <strong class="flex-1 truncate">{part.student}</strong>
            {#if isFine}
              <CircleCheck size={18} class="text-pass" aria-hidden="true" /><span class="text-pass text-sm"
                >{say.outcomes[draft.outcome || 'good']}</span
              >
            {:else}
              <CircleX size={18} class="text-fail" aria-hidden="true" /><span class="text-fail text-sm"
                >{say.notGood}</span
              >
            {/if}
          </span>
          {#if part.copy > 1}<span class="text-ink-soft text-sm">{say.copy(part.copy)}</span>{/if}
        </button>
        {#if !isFine || opened.includes(part.entryId)}
          <OutcomeFields {part} {draft} onchange={(more) => change(part.entryId, more)} />
        {:else}
          <button
            type="button"
            class="text-primary-800 self-start text-sm underline underline-offset-2"
            aria-label={say.moreOf(part.student)}
            onclick={() => (opened = [...opened, part.entryId])}>{say.more}</button
          >
        {/if}
      </li>
    {/each}
  </ul>
  <Button type="submit" class="self-start"
    >{good === parts.length ? say.allGood(good) : say.saveAll(good, parts.length - good)}</Button
  >
</form>
