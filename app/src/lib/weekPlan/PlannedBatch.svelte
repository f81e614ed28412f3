<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { namesOf } from '$lib/printroom/partsInWords';
  import type { PlannedBatchView, PlannedLane } from '$lib/shared/weekView';
  import { weekPlanTexts as say } from '$lib/texts/weekPlan';
  import { enhance } from '$lib/ui/enhance';
  import { clockTime, shortDay, weekday } from '$lib/ui/times';

  /** What one batch of the plan is, why it is there, and what can be done with it. */
  interface Props {
    batch: PlannedBatchView;
    lanes: readonly PlannedLane[];
    put(printer: string, atMs: number): void;
    unpin(pin: string): void;
    close(): void;
  }
  let { batch, lanes, put, unpin, close }: Props = $props();

  const lane = $derived(lanes.find(({ id }) => id === batch.printer));
  const from = $derived(new Date(batch.fromMs));
  let printer = $derived(batch.printer);
  /** A time as the field has it, in the school's own. */
  let at = $derived(
    `${from.toLocaleDateString('sv-SE')}T${from.toLocaleTimeString('sv-SE', { hour: '2-digit', minute: '2-digit' })}`,
  );
  const MOST_PICTURES = 8;
</script>

<section
  class="sheet mb-6 flex flex-col gap-2 p-4"
  aria-label={say.parts(batch.parts.length)}
  data-testid="planned"
>
  <div class="flex flex-wrap items-baseline gap-x-3">
    <strong>{say.parts(batch.parts.length)}</strong>
    <span class="text-ink-soft">{namesOf(batch.parts)}. {batch.briefs.join(', ')}</span>
    <button type="button" class="text-primary-800 ml-auto underline underline-offset-2" onclick={close}
      >{say.close}</button
    >
  </div>
  <div class="flex flex-wrap gap-1">
    {#each batch.parts.slice(0, MOST_PICTURES) as part (part.id)}
      <img src="/picture/hand-in/{part.handInId}?row" alt="" width="64" height="40" loading="lazy" />
    {/each}
  </div>
  <p>
    {lane?.name}, {weekday(from)}, {clockTime(from)} – {clockTime(new Date(batch.toMs))}.
    {say.takes((batch.toMs - batch.fromMs) / 1000, batch.grams)}
  </p>
  <ul class="text-ink-soft list-disc pl-5 text-sm">
    {#each batch.reasons as reason (reason)}
      {@const words = say.reasons[reason]}
      <li>{typeof words === 'function' ? words(shortDay(batch.dueOn!)) : words}</li>
    {/each}
    {#if batch.savesStarts > 0}<li>{say.saves(batch.savesStarts)}</li>{/if}
    {#if batch.isLate}<li class="text-fail">{say.isLate}</li>{/if}
  </ul>
  <div class="flex flex-wrap items-end gap-3">
    <form method="POST" action="?/make" use:enhance>
      <input type="hidden" name="printer" value={batch.printer} />
      {#each batch.parts as { id } (id)}<input type="hidden" name="entry" value={id} />{/each}
      <Button type="submit" size="sm">{say.make}</Button>
    </form>
    <form
      class="flex flex-wrap items-center gap-2"
      onsubmit={(event) => {
        event.preventDefault();
        put(printer, new Date(at).getTime());
      }}
    >
      <Button type="submit" size="sm" color="alternative">{say.move}</Button>
      <label class="flex items-center gap-2"
        >{say.moveTo}
        <select class="border-hairline rounded bg-white py-1 pr-8 pl-2" bind:value={printer}>
          {#each lanes as { id, name } (id)}<option value={id}>{name}</option>{/each}
        </select></label
      >
      <label class="flex items-center gap-2"
        >{say.moveAt}
        <input
          type="datetime-local"
          class="border-hairline rounded bg-white px-2 py-1"
          bind:value={at}
          required
        /></label
      >
    </form>
    {#if batch.pin}
      <Button size="sm" color="alternative" onclick={() => unpin(batch.pin!)}>{say.unpin}</Button>
    {/if}
  </div>
</section>
