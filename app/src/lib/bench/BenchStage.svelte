<script lang="ts">
  import ArrowLeftRight from '@lucide/svelte/icons/arrow-left-right';
  import Slice from '@lucide/svelte/icons/slice';
  import type { ComponentProps } from 'svelte';
  import type { LimitsCard } from '@kelbrin/core/inspect';
  import { boundsOf, facesOf } from '@kelbrin/core/mesh';
  import { fieldAt, turnsProfile, type FieldPath, type OutlineSpec } from '@kelbrin/core/recipe';
  import SolidView from '$lib/ui/solidView/SolidView.svelte';
  import type { PointedAt } from '$lib/ui/solidView/pointedAt';
  import type { Outlook } from '$lib/ui/solidView/outlook';
  import type { Look } from '$lib/ui/solidView/views';
  import CutPanel from './inspection/CutPanel.svelte';
  import LayerSheet from './inspection/LayerSheet.svelte';
  import { middleCut } from './state/middleCut';
  import SectionSheet from './inspection/SectionSheet.svelte';
  import ShapeBefore from './inspection/ShapeBefore.svelte';
  import Drawing from './drawing/Drawing.svelte';
  import NothingBuilt from './NothingBuilt.svelte';
  import PointedWords from './hands/PointedWords.svelte';
  import { pointedWords } from './hands/pointedWords';
  import SolidHands from './hands/SolidHands.svelte';
  import PiecesEditor from './plan/PiecesEditor.svelte';
  import { piecesBeside } from './plan/piecesBeside';
  import Plan from './plan/Plan.svelte';
  import FaceList from './recipe/FaceList.svelte';
  import type { BenchState } from './state/bench.svelte';
  import { benchTexts as say } from '$lib/texts/bench';
  import { solidTexts as solid } from '$lib/texts/solidView';

  /** The middle of the bench: the solid with the plan beside it, or the other way round, and what is drawn or picked there. */
  interface Props {
    bench: BenchState;
    limits: LimitsCard;
    colour: string;
    isPlanLarge: boolean;
    view: Look;
    /** Words that stand at places on the part. */
    pins: ComponentProps<typeof SolidView>['pins'];
  }
  let { bench, limits, colour, isPlanLarge = $bindable(), view = $bindable(), pins }: Props = $props();

  const markedStep = $derived.by(() => {
    const at = bench.recipe.steps.findIndex(({ id }) => id === bench.marked);
    return at < 0 ? undefined : at;
  });

  /** The edges among which the marked step lets some be chosen. */
  const offered = $derived(bench.solid?.steps.find(({ stepId }) => stepId === bench.marked)?.edges);

  /** The outline that is being drawn, as it is in the recipe now. */
  const drawn = $derived.by(() => {
    const { drawing } = bench;
    const step = bench.recipe.steps.find(({ id }) => id === drawing?.stepId);
    if (!drawing || !step) return undefined;
    const outline = fieldAt(step, drawing.path) as OutlineSpec | undefined;
    const problem = bench.problem?.stepId === drawing.stepId ? bench.problem : undefined;
    return outline && { ...drawing, outline, isProfile: turnsProfile(step), problem };
  });
  /** A sheet of its own for each outline: what is marked on one has nothing to do with the next. */
  const drawnKey = $derived(drawn && `${drawn.stepId} ${drawn.path.join()}`);
  const isDrawn = $derived(drawn?.outline.shape === 'points' || drawn?.outline.shape === 'combined');
  /** The pieces of its outline where they lie, also where they cannot be put together. */
  const laidPieces = $derived(
    drawn?.problem?.pieces ?? bench.solid?.steps.find(({ stepId }) => stepId === drawn?.stepId)?.pieces,
  );

  /** Leads back from a piece that was drawn to the pieces that it is one of. */
  function endDrawing(path: FieldPath): void {
    const at = path.indexOf('pieces');
    bench.drawing =
      at < 0 || !drawn
        ? undefined
        : { stepId: drawn.stepId, path: path.slice(0, at), piece: Number(path[at + 1]) };
  }
  const isPickingFace = $derived(bench.recipe.steps.some(({ id }) => id === bench.pickingFace?.stepId));

  function pick(triangle: number | undefined): void {
    if (triangle === undefined || !bench.solid) return bench.pick(undefined);
    const { normals } = facesOf(bench.solid.mesh);
    const normal = [normals[3 * triangle], normals[3 * triangle + 1], normals[3 * triangle + 2]] as const;
    if (isPickingFace) return bench.pickFace(normal);
    const step = bench.solid.mesh.stepOf?.[triangle];
    bench.pick(step === undefined ? undefined : bench.recipe.steps[step]?.id, normal);
  }

  const { cut } = $derived(bench.showing);

  /** Begins with a cut seen from the front; the ruler beside begins with one seen from the top. */
  function beginCut(): void {
    if (bench.solid) bench.showing.cutAt(middleCut('y', boundsOf(bench.solid.mesh)));
  }

  /** What the pointer rests on, in words. */
  let rested = $state.raw<PointedAt>();
  const pointed = $derived(
    rested && bench.solid && pointedWords(rested, bench.solid.mesh, bench.recipe.steps, offered),
  );

  /** The room that the solid takes while it lies over the plan, with a gap beside it. */
  const GAP_PX = 12;
  let solidWidthPx = $state(0);
  let solidHeightPx = $state(0);
  const inset = $derived(
    isPlanLarge && bench.solid && bench.solid.mesh.triangles.length > 0
      ? { widthPx: solidWidthPx + 2 * GAP_PX, heightPx: solidHeightPx + 2 * GAP_PX }
      : undefined,
  );
</script>

{#snippet hands(outlook: Outlook)}<SolidHands {bench} {outlook} />{/snippet}

<section class="@container relative min-w-0 flex-1" aria-label={isPlanLarge ? say.plan : say.solid}>
  {#if drawn?.outline.shape === 'points'}
    {#key drawnKey}<Drawing
        {bench}
        outline={drawn.outline}
        isProfile={drawn.isProfile}
        problem={drawn.problem}
        beside={piecesBeside(laidPieces, drawn.path)}
        onchange={(outline, gesture) => bench.setField(drawn.stepId, drawn.path, outline, gesture)}
        ondone={() => endDrawing(drawn.path)}
      />{/key}
  {:else if drawn?.outline.shape === 'combined'}
    <PiecesEditor
      {bench}
      stepId={drawn.stepId}
      path={drawn.path}
      outline={drawn.outline}
      first={drawn.piece}
      drawn={laidPieces}
      problem={drawn.problem}
      ondone={() => endDrawing(drawn.path)}
    />
  {/if}
  {#if bench.solid}
    {#if bench.solid.mesh.triangles.length > 0}
      <div
        class={isDrawn ? 'inset beside' : isPlanLarge ? (cut ? 'inset across' : 'inset') : 'whole'}
        bind:clientWidth={solidWidthPx}
        bind:clientHeight={solidHeightPx}
      >
        <SolidView
          mesh={bench.solid.mesh}
          edges={bench.solid.edges}
          {colour}
          colours={bench.solid.colours}
          plateMm={[limits.buildVolumeMm[0], limits.buildVolumeMm[1]]}
          {markedStep}
          hatched={bench.hatched}
          {limits}
          thickness={bench.showing.part?.thickness}
          inspection={bench.solid.isInspected ? bench.solid.inspection : undefined}
          onthickness={(upToMm) => bench.showing.showThickness(upToMm)}
          {cut}
          section={bench.showing.part?.section}
          supports={bench.showing.part?.supportLines}
          bind:view
          partId={bench.showing.part?.partId}
          isSmall={isPlanLarge || isDrawn}
          onpick={pick}
          {offered}
          ontapedge={(at) => bench.marked && bench.tapEdge(bench.marked, at)}
          {pins}
          onrest={(on) => (rested = on)}
          over={isPickingFace || pins?.length ? undefined : hands}
        />
        {#if pointed && rested && !isPlanLarge && !isDrawn}<PointedWords
            words={pointed}
            at={rested.at}
          />{/if}
      </div>
    {/if}
    {#if !isDrawn}
      <div class={[isPlanLarge ? 'sheet' : 'inset', cut && 'cut']}>
        {#if cut?.across === 'z' && bench.showing.part?.layer}
          <LayerSheet
            layer={bench.showing.part.layer}
            box={boundsOf(bench.solid.mesh)}
            isSmall={!isPlanLarge}
          />
        {:else if bench.showing.part?.section}
          <SectionSheet section={bench.showing.part?.section} isSmall={!isPlanLarge} />
        {:else}
          <Plan {bench} isSmall={!isPlanLarge} {inset} />
        {/if}
      </div>
      {#if cut}<div class={['panel', isPlanLarge && 'under']}><CutPanel {bench} {cut} /></div>{/if}
      <div class="absolute right-3 bottom-3 z-10 flex gap-2">
        {#if !cut && bench.solid.mesh.triangles.length > 0}
          <button
            type="button"
            class="tool gap-1.5 px-2.5 text-sm"
            title={solid.cutThrough}
            aria-label={solid.cutThrough}
            onclick={beginCut}
          >
            <Slice size={14} aria-hidden="true" /><span class="hidden @md:inline">{solid.cutThrough}</span>
          </button>
        {/if}
        <button
          type="button"
          class="tool gap-1.5 px-2.5 text-sm"
          onclick={() => (isPlanLarge = !isPlanLarge)}
        >
          <ArrowLeftRight size={14} aria-hidden="true" />{isPlanLarge ? say.solidLarge : say.planLarge}
        </button>
      </div>
    {/if}
  {:else if bench.problem && !isDrawn}
    <NothingBuilt {bench} problem={bench.problem} />
  {/if}
  {#if !isDrawn}<ShapeBefore {bench} />{/if}
  {#if isPickingFace}<FaceList {bench} />{/if}
</section>

<style>
  .whole {
    position: relative;
    width: 100%;
    height: 100%;
  }
  .inset {
    position: absolute;
    bottom: 0.75rem;
    left: 0.75rem;
    z-index: 5;
    overflow: hidden;
    width: 232px;
    height: 158px;
    border: 1px solid var(--color-hairline);
    border-radius: 4px;
    background: #fff;
  }
  .sheet {
    width: 100%;
    height: 100%;
  }
  /* Beside a large sheet that shows a cut, panel and solid stand in a row under it. */
  .sheet.cut {
    height: calc(100% - 158px - 1.5rem);
  }
  /* Over the inset, and as wide. */
  .panel {
    position: absolute;
    bottom: calc(158px + 1.25rem);
    left: 0.75rem;
    z-index: 6;
    width: max-content;
    min-width: 232px;
  }
  .panel.under {
    bottom: 0.75rem;
  }
  .inset.across {
    right: 0.75rem;
    bottom: 3.4rem;
    left: auto;
    height: 118px;
  }
  @media (max-width: 1150px) {
    .panel:not(.under) {
      bottom: calc(128px + 1.25rem);
    }
    .inset {
      width: 188px;
      height: 128px;
    }
  }
  @media (max-width: 639px) {
    .panel {
      left: 0.4rem;
    }
    .panel:not(.under) {
      bottom: calc(84px + 0.9rem);
    }
    /* There is no room for both. */
    .inset.across {
      display: none;
    }
    .inset {
      bottom: 0.4rem;
      left: 0.4rem;
      width: 124px;
      height: 84px;
    }
    /* The table lies under the drawing there. */
    .inset.beside {
      display: none;
    }
  }
  /* Under the table of points, so that it covers nothing of the drawing. */
  .inset.beside {
    right: 0.5rem;
    left: auto;
    width: 192px;
    height: 130px;
  }
</style>
