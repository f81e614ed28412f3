<script lang="ts">
  import { Button, Input } from 'flowbite-svelte';
  import { inHours } from '@kelbrin/core/inspect';
  import type { careBooks, careOfPrinters } from '$lib/server/printers/care';
  import { careEveryHours } from '$lib/shared/care';
  import { enhance } from '$lib/ui/enhance';
  import { shortDay } from '$lib/ui/times';
  import { careTexts as say } from '$lib/texts/care';

  /** What of a printer was looked after when, how much it has printed since, and what is due. */
  interface Props {
    printer: { readonly id: string; readonly name: string };
    care: Awaited<ReturnType<typeof careOfPrinters>>;
    /** What was done before, the newest first. */
    book: Awaited<ReturnType<typeof careBooks>>;
  }
  let { printer, care, book }: Props = $props();

  const isDue = ({ kind, hours }: (typeof care)[number]) => hours >= careEveryHours[kind];
  const due = $derived(care.filter(isDue));
</script>

<details class="mt-3 text-sm">
  <summary class="cursor-pointer font-semibold">
    {say.title}
    {#if due.length > 0}<span class="text-warn-ink font-normal"
        >{say.due(due.map(({ kind }) => say.kinds[kind]))}</span
      >{/if}
  </summary>
  <ul>
    {#each care as state (state.kind)}
      <li class="border-hairline flex flex-col gap-1 border-t py-2">
        <span class="flex items-baseline gap-2">
          <strong class="flex-1">{say.kinds[state.kind]}</strong>
          <span class="measured {isDue(state) ? 'text-warn-ink' : ''}">{inHours(state.hours * 3600)}</span>
          <span class="measured text-ink-soft">{say.grams(state.grams)}</span>
        </span>
        <span class="text-ink-soft"
          >{state.since
            ? say.since(shortDay(state.since), state.by ?? say.somebody, state.note ?? '')
            : say.never}</span
        >
        <form method="POST" action="/print-room?/care" use:enhance class="flex gap-2">
          <input type="hidden" name="printer" value={printer.id} />
          <input type="hidden" name="kind" value={state.kind} />
          <Input
            name="note"
            size="sm"
            maxlength={300}
            placeholder={say.note}
            aria-label={say.noteOf(say.kinds[state.kind], printer.name)}
          />
          <Button
            type="submit"
            size="xs"
            color="alternative"
            class="whitespace-nowrap"
            aria-label={say.doneOf(say.kinds[state.kind], printer.name)}>{say.done}</Button
          >
        </form>
      </li>
    {/each}
  </ul>
  {#if book.length > 0}
    <p class="border-hairline border-t pt-2 font-semibold">{say.book}</p>
    <ul class="text-ink-soft">
      {#each book as { id, kind, note, at, by } (id)}
        <li>{say.entry(shortDay(at), say.kinds[kind], by ?? say.somebody, note)}</li>
      {/each}
    </ul>
  {/if}
</details>
