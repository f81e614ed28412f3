<script lang="ts">
  import Dialog from '$lib/ui/Dialog.svelte';
  import { recipeOf } from '@kelbrin/core/design';
  import type { Inspection } from '@kelbrin/core/inspect';
  import { formatNumber } from '@kelbrin/core/recipe';
  import { partTexts as say } from '$lib/texts/parts';
  import { LinkedView } from '$lib/ui/solidView/linkedView.svelte';
  import type { Look } from '$lib/ui/solidView/views';
  import type { BenchState } from '../state/bench.svelte';
  import RecipeSolid from './RecipeSolid.svelte';

  /** Two parts of the project beside each other, in one scale: what one is turned to, the other follows. */
  interface Props {
    bench: BenchState;
    onclose(): void;
  }
  let { bench, onclose }: Props = $props();

  const linked = new LinkedView();
  let view = $state<Look>({ name: 'Corner', turns: 0 });

  const { parts } = $derived(bench.design);
  const sides = [say.leftPart, say.rightPart];
  /** The part that is shown, and the one after it, or before it if it is the last. */
  let chosen = $state(firstChoice());
  /** How large each is, or why it cannot be built. */
  let found = $state<(string | undefined)[]>([]);

  function sizeWords(inspection: Inspection | undefined): string | undefined {
    const sizes = inspection?.part.sizeMm.map((mm) => formatNumber(Math.round(mm * 100) / 100));
    return sizes && say.partSizes(sizes.join(' × '));
  }

  function firstChoice(): string[] {
    const at = bench.design.parts.findIndex(({ id }) => id === bench.partId);
    const other = bench.design.parts[at + 1] ?? bench.design.parts[at - 1];
    return [bench.partId, other.id];
  }
</script>

<Dialog title={say.besideTitle} size="xl" {onclose}>
  <div class="grid gap-3 sm:grid-cols-2">
    {#each chosen as partId, i (i)}
      <figure class="flex min-w-0 flex-col gap-1.5" aria-label={sides[i]}>
        <select
          class="border-hairline rounded py-1 pr-8 pl-2"
          aria-label={sides[i]}
          bind:value={
            () => partId,
            (id) => {
              found[i] = undefined;
              chosen[i] = id;
            }
          }
        >
          {#each parts as { id, name } (id)}<option value={id}>{name}</option>{/each}
        </select>
        <div class="border-hairline h-[26rem] border max-sm:h-52">
          {#key partId}
            <RecipeSolid
              filesAt={bench.setting.filesAt}
              recipe={recipeOf(bench.design, partId)}
              limits={bench.limits}
              onmark={() => {}}
              {linked}
              bind:view
              oninspected={(inspection, problem) => (found[i] = problem ?? sizeWords(inspection))}
            />
          {/key}
        </div>
        <figcaption class="measured min-h-6 text-sm">{found[i] ?? ''}</figcaption>
      </figure>
    {/each}
  </div>
</Dialog>
