<script lang="ts">
  import { Redo2, Undo2 } from '@lucide/svelte';
  import { Button, Modal } from 'flowbite-svelte';
  import { onDestroy, untrack, type Snippet } from 'svelte';
  import type { Finding, LimitsCard } from '@kelbrin/core/inspect';
  import type { Recipe } from '@kelbrin/core/recipe';
  import InspectionList from '$lib/ui/InspectionList.svelte';
  import SolidView from '$lib/ui/solidView/SolidView.svelte';
  import VerdictChip from '$lib/ui/VerdictChip.svelte';
  import { Autosave } from './autosave.svelte';
  import { BenchState } from './bench.svelte';
  import BenchFoot from './BenchFoot.svelte';
  import HeightRuler from './HeightRuler.svelte';
  import RecipePane from './RecipePane.svelte';
  import SolidWorker from './solid.worker?worker';

  interface Props {
    projectId: string;
    title: string;
    recipe: Recipe;
    revision: number;
    limits: LimitsCard;
    colour: string;
    /** What stands at the end of the title line, given the bench's saving. */
    actions: Snippet<[{ bench: BenchState; autosave: Autosave }]>;
  }
  let { projectId, title, recipe, revision, limits, colour, actions }: Props = $props();

  // The bench belongs to one project for as long as it is shown; another project gets a bench of its own.
  const { bench, autosave } = untrack(() => {
    const saving = new Autosave(projectId, revision, {
      storage: localStorage,
      put: (body) =>
        fetch(`/bench/${projectId}/recipe`, {
          method: 'PUT',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify(body),
        }),
    });
    const state = new BenchState(recipe, limits, new SolidWorker(), (changed) => saving.changed(changed));
    const kept = saving.recover({ revision, recipe });
    if (kept) state.replace(kept, 'saved');
    return { bench: state, autosave: saving };
  });
  onDestroy(() => {
    autosave.close();
    bench.close();
  });

  let chosen = $state.raw<Finding>();
  const markedStep = $derived.by(() => {
    const at = bench.recipe.steps.findIndex(({ id }) => id === bench.marked);
    return at < 0 ? undefined : at;
  });

  function choose(finding: Finding): void {
    const isAgain = chosen === finding;
    chosen = isAgain ? undefined : finding;
    bench.hatched = isAgain ? undefined : { triangles: finding.triangles, verdict: finding.verdict };
    if (!isAgain && finding.steps.length > 0) bench.marked = finding.steps.at(-1);
  }

  function pick(triangle: number | undefined): void {
    const step = triangle === undefined ? undefined : bench.solid?.mesh.stepOf?.[triangle];
    bench.marked = step === undefined ? undefined : bench.recipe.steps[step]?.id;
  }

  function onkeydown(event: KeyboardEvent): void {
    const inText =
      event.target instanceof HTMLInputElement && event.target.matches('[type=text]:not([role=spinbutton])');
    if (!(event.ctrlKey || event.metaKey) || inText) return;
    const key = event.key.toLowerCase();
    if (key !== 'z' && key !== 'y') return;
    event.preventDefault();
    if (key === 'y' || event.shiftKey) bench.redo();
    else bench.undo();
  }

  async function keepMine(): Promise<void> {
    if (autosave.theirs) bench.rememberBefore(autosave.theirs.recipe);
    await autosave.keepMine();
  }

  function takeTheirs(): void {
    const theirs = autosave.takeTheirs();
    if (theirs) bench.replace(theirs, 'saved');
  }
</script>

<svelte:window {onkeydown} />

<div class="flex min-h-0 flex-1 flex-col">
  <div class="border-hairline flex h-12 shrink-0 items-center gap-2 border-b bg-white px-4">
    <h1 class="truncate text-lg">{title}</h1>
    <button
      type="button"
      class="hover:bg-ground disabled:text-hairline ml-4 rounded p-1.5"
      aria-label="Undo"
      disabled={!bench.canUndo}
      onclick={() => bench.undo()}
    >
      <Undo2 size={18} />
    </button>
    <button
      type="button"
      class="hover:bg-ground disabled:text-hairline rounded p-1.5"
      aria-label="Redo"
      disabled={!bench.canRedo}
      onclick={() => bench.redo()}
    >
      <Redo2 size={18} />
    </button>
    <div class="ml-auto flex items-center gap-3">{@render actions({ bench, autosave })}</div>
  </div>

  <div class="flex min-h-0 flex-1">
    <section
      class="border-hairline flex w-[360px] shrink-0 flex-col overflow-y-auto border-r bg-white"
      aria-label="Recipe"
    >
      <RecipePane {bench} />
    </section>
    <HeightRuler
      solid={bench.solid}
      marked={bench.marked}
      cutMm={bench.cutMm}
      onmark={(stepId) => (bench.marked = stepId)}
      oncut={(zMm) => bench.cutAt(zMm)}
    />
    <section class="min-w-0 flex-1" aria-label="Solid">
      {#if bench.solid && bench.solid.mesh.triangles.length > 0}
        <SolidView
          mesh={bench.solid.mesh}
          {colour}
          bedMm={[limits.buildVolumeMm[0], limits.buildVolumeMm[1]]}
          {markedStep}
          hatched={bench.hatched}
          cut={bench.cutMm === undefined ? undefined : { zMm: bench.cutMm, region: bench.section?.region }}
          onpick={pick}
        />
      {/if}
    </section>
    <section
      class="border-hairline w-[300px] shrink-0 overflow-y-auto border-l bg-white"
      aria-label="Inspection"
    >
      {#if bench.solid && bench.solid.mesh.triangles.length > 0}
        <div class="border-hairline flex items-center justify-between border-b px-4 py-3">
          <h2>Inspection</h2>
          <VerdictChip verdict={bench.solid.inspection.verdict} />
        </div>
        <InspectionList inspection={bench.solid.inspection} {chosen} onchoose={choose} />
      {:else}
        <p class="text-ink-soft p-4">The inspection begins with the first shape.</p>
      {/if}
    </section>
  </div>
  <BenchFoot {bench} save={autosave.state} />
</div>

<Modal
  open={autosave.state === 'conflict'}
  title="Changed in another tab"
  aria-label="Changed in another tab"
  dismissable={false}
  size="sm"
>
  <p>
    This project was also changed somewhere else since you opened it here. Which state shall it go on from?
  </p>
  <p class="text-ink-soft">The other state is not lost: Undo brings it back.</p>
  {#snippet footer()}
    <Button onclick={keepMine}>Keep what is here</Button>
    <Button color="alternative" onclick={takeTheirs}>Take the other state</Button>
  {/snippet}
</Modal>
