<script lang="ts">
  import { Button, Checkbox, Textarea } from 'flowbite-svelte';
  import Dialog from '$lib/ui/Dialog.svelte';
  import { familyName, partOf, readSizes } from '@kelbrin/core/design';
  import { measuresUsedIn } from '@kelbrin/core/recipe';
  import type { BenchState } from '../state/bench.svelte';
  import { partTexts as say } from '$lib/texts/parts';

  interface Props {
    bench: BenchState;
    open: boolean;
  }
  let { bench, open = $bindable() }: Props = $props();

  const recipe = $derived(partOf(bench.design, bench.partId).recipe);
  const own = $derived(recipe.measures.map(({ name }) => name));
  const used = $derived(measuresUsedIn([recipe.steps, recipe.measures]));
  /** The measures that were ticked or left out; the first one differs unless it is said otherwise. */
  let ticked = $state<Record<string, boolean>>({});
  const measures = $derived(own.filter((name, i) => ticked[name] ?? i === 0));
  let typed = $state('');
  /** What was wrong when the parts were to be made. */
  let refused = $state<string>();

  const read = $derived(readSizes(typed, measures.length));
  const rows = $derived(read.ok ? read.rows : []);
  const table = $derived({ measures, rows });
  const names = $derived(rows.map((row) => familyName(bench.design, bench.partId, table, row)));
  const taken = $derived(new Set(bench.design.parts.map(({ name }) => name)));
  const problem = $derived(read.ok ? refused : read.message);

  function make(): void {
    refused = bench.parts.makeFamily(table);
    if (refused !== undefined) return;
    typed = '';
    open = false;
  }
</script>

<Dialog bind:open title={say.family} size="sm">
  {#if own.length === 0}
    <p>{say.familyNeedsMeasure}</p>
  {:else}
    <p>{say.familyWhat}</p>
    <fieldset class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
      <legend class="text-ink-soft mb-1 text-sm">{say.familyMeasures}</legend>
      {#each own as name (name)}
        <Checkbox
          checked={measures.includes(name)}
          onchange={(event) => (ticked = { ...ticked, [name]: event.currentTarget.checked })}>{name}</Checkbox
        >
      {/each}
    </fieldset>
    <label class="flex flex-col gap-1">
      <span class="text-ink-soft text-sm">{say.familySizes(measures)}</span>
      <Textarea
        class="measured w-full"
        rows={5}
        maxlength={2000}
        placeholder={measures.length === 1 ? '16\n17.5\n19' : undefined}
        bind:value={typed}
        oninput={() => (refused = undefined)}
      />
    </label>
    {#each measures.filter((name) => !used.has(name)) as name (name)}
      <p class="text-warn-ink text-sm">{say.familyUnused(name)}</p>
    {/each}
    {#if problem !== undefined}<p role="alert" class="text-fail text-sm">{problem}</p>{/if}
    {#if names.length > 0}
      <ul class="flex max-h-40 flex-wrap gap-1 overflow-y-auto" aria-label={say.familyParts}>
        {#each names as name, i (i)}
          <li class="border-hairline rounded border px-2 py-0.5 text-sm">
            {name}{#if taken.has(name)}<span class="text-ink-soft"> · {say.familyAnew}</span>{/if}
          </li>
        {/each}
      </ul>
    {/if}
  {/if}
  {#snippet footer()}
    {#if own.length > 0}
      <Button onclick={make} disabled={names.length === 0}>{say.makeFamily(names.length)}</Button>
    {/if}
    <Button color="alternative" onclick={() => (open = false)}>{say.closeFamily}</Button>
  {/snippet}
</Dialog>
