<script lang="ts">
  import { Canvas } from '@threlte/core';
  import type { Snippet } from 'svelte';
  import { NoToneMapping, WebGLRenderer } from 'three';
  import { printedSizes, type Inspection, type LimitsCard, type ThicknessMap } from '@kelbrin/core/inspect';
  import { boundsOf, type MeasuredEnd, type SolidMesh, type SurfacePoint } from '@kelbrin/core/mesh';
  import { formatMeasured, formatNumber, type OfferedEdge } from '@kelbrin/core/recipe';
  import type { Cut, SectionView } from '@kelbrin/core/solid';
  import MeasureTool from '../MeasureTool.svelte';
  import Scene from './Scene.svelte';
  import { drawsInSoftware } from './fineness';
  import { softwareRenderer } from './softwareRenderer';
  import { tone, type Tone } from './geometry';
  import { overhangBands, overhangPaint, thicknessBands, thicknessPaint, type Band } from './paint';
  import type { ColourBands } from '@kelbrin/core/colours';
  import type { LinkedView } from './linkedView.svelte';
  import type { Note } from './notes';
  import type { Outlook } from './outlook';
  import type { PointedAt } from './pointedAt';
  import { measuredWords, restOf } from './measuredWords';
  import ViewButtons from './ViewButtons.svelte';
  import type { Look } from './views';
  import { solidTexts as say } from '$lib/texts/solidView';

  interface Props {
    mesh: SolidMesh;
    /** The edges that are drawn, both ends of each. */
    edges: Float32Array;
    /** The colour of the filament, #rrggbb. */
    colour: string;
    /** The colours that the part is wished in, from the plate up; none where any filament will do. */
    colours?: ColourBands;
    /** The build plate's width and depth. */
    plateMm: readonly [number, number];
    /** The index of the step whose surface is marked. */
    markedStep?: number;
    /** A finding's place, hatched by its verdict. */
    hatched?: { triangles: readonly number[]; verdict: 'pass' | 'warn' | 'fail' };
    /** Where the part is cut, and the section there as soon as it is known. */
    cut?: Cut;
    section?: SectionView;
    /** Which way it is looked at; looking anew, also the same way, counts up `turns`. */
    view?: Look;
    /** Which part it is; another one is looked at whole. */
    partId?: string;
    /** With a limits card, lean can be shown, and thickness if that can be asked for. */
    limits?: LimitsCard;
    thickness?: ThicknessMap;
    /** What was found out about this very solid; with a limits card, its sizes as printed can be shown. */
    inspection?: Inspection;
    /** Asks for the thickness up to so many mm, or for none any more. */
    onthickness?(upToMm: number | undefined): void;
    /** As an inset it leaves the buttons out. */
    isSmall?: boolean;
    onpick?(triangle: number | undefined): void;
    /** Words that stand at places on the part. */
    pins?: readonly Note[];
    /** Hears of the place that is pressed on the surface, while one is asked for; nothing is picked then. */
    onplace?(place: SurfacePoint): void;
    /** Views that turn together with this one. */
    linked?: LinkedView;
    /** Edges of the part that can be tapped, and those of them that are chosen. */
    offered?: readonly OfferedEdge[];
    /** The lines of the part’s supports. */
    supports?: Float32Array;
    ontapedge?(at: number): void;
    /** What lies over the solid and moves with it, where nothing is measured. */
    over?: Snippet<[Outlook]>;
    /** Hears what a pointer rests on, and when it rests no more. */
    onrest?(on: PointedAt | undefined): void;
  }
  let {
    mesh,
    edges,
    colour,
    colours = [],
    plateMm,
    markedStep,
    hatched,
    cut,
    section,
    view = $bindable({ name: 'Corner', turns: 0 }),
    partId,
    isSmall = false,
    limits,
    thickness,
    inspection,
    onthickness,
    onpick,
    pins = [],
    onplace,
    linked,
    offered = [],
    supports,
    ontapedge,
    over,
    onrest,
  }: Props = $props();

  /** Smoothing every frame is too much for a processor that draws. */
  const isSoftware = drawsInSoftware();

  let shading = $state<'thickness' | 'overhang'>();
  function shade(by: 'thickness' | 'overhang'): void {
    shading = shading === by ? undefined : by;
    // A little more than the thickest band begins with, so that rays need not go further.
    onthickness?.(shading === 'thickness' && limits ? 3 * limits.minWallMm : undefined);
  }
  const bands = $derived.by((): readonly Band[] => {
    if (!limits || !shading) return [];
    return shading === 'thickness' ? thicknessBands(limits) : overhangBands(limits);
  });
  const painted = $derived.by(() => {
    if (shading === 'overhang') return overhangPaint(mesh, bands);
    return shading === 'thickness' && thickness ? thicknessPaint(thickness, bands) : undefined;
  });

  /** Whether only the marked step is shown, with the edges of the rest. */
  let isAlone = $state(false);

  let isAsPrinted = $state(false);
  const notes = $derived(
    !isAsPrinted || !limits || !inspection
      ? []
      : printedSizes(inspection, boundsOf(mesh), limits).map(({ of, drawnMm, printedMm, at }) => ({
          at,
          words: `${of === 'hole' ? 'Ø ' : ''}${formatMeasured(drawnMm)} → ${formatMeasured(printedMm)}`,
        })),
  );

  let outlook = $state.raw<Outlook>();
  let isParallel = $state(false);
  let isMeasuring = $state(false);
  /** The places and edges that are measured between: none, one or two. */
  let ends = $state.raw<readonly MeasuredEnd[]>([]);
  const measured = $derived(measuredWords(ends, mesh));
  function addEnd(end: MeasuredEnd): void {
    ends = ends.length === 1 ? [...ends, end] : [end];
  }

  // What was measured belongs to the solid on which it was measured.
  $effect(() => {
    void mesh;
    ends = [];
  });

  const toneOf = $derived.by(() => {
    const trouble = new Set(hatched?.verdict === 'pass' ? [] : hatched?.triangles);
    const marked = new Set(hatched?.verdict === 'pass' ? hatched.triangles : []);
    const troubleTone = hatched?.verdict === 'warn' ? tone.warn : tone.fail;
    return (triangle: number): Tone => {
      if (trouble.has(triangle)) return troubleTone;
      const isOfStep = markedStep !== undefined && mesh.stepOf?.[triangle] === markedStep;
      if (isAlone && markedStep !== undefined) return isOfStep ? tone.plain : tone.hidden;
      const isMarked = marked.has(triangle) || isOfStep;
      return isMarked ? tone.marked : tone.plain;
    };
  });
</script>

{#snippet choice(words: string, isOn: boolean, ontoggle: () => void)}
  <button
    type="button"
    class="border-hairline rounded border px-2.5 py-1 text-sm {isOn
      ? 'bg-primary-700 text-white'
      : 'hover:bg-primary-50 bg-white'}"
    aria-pressed={isOn}
    onclick={ontoggle}
  >
    {words}
  </button>
{/snippet}

<div
  class="@container relative h-full w-full overflow-hidden"
  data-testid="solid-view"
  data-triangles={mesh.triangles.length / 3}
>
  <Canvas
    renderMode="on-demand"
    toneMapping={NoToneMapping}
    shadows={false}
    createRenderer={(canvas) =>
      isSoftware ? softwareRenderer(canvas) : new WebGLRenderer({ canvas, alpha: true, antialias: true })}
  >
    <Scene
      {isSoftware}
      {isSmall}
      {mesh}
      {edges}
      {colour}
      {colours}
      {plateMm}
      {toneOf}
      {cut}
      {section}
      {view}
      {isParallel}
      {partId}
      {painted}
      {onpick}
      {ends}
      notes={[...notes, ...pins]}
      {linked}
      {offered}
      {supports}
      {ontapedge}
      onpoint={isMeasuring ? addEnd : onplace}
      measuresEdges={isMeasuring}
      {onrest}
      onoutlook={over && ((now) => (outlook = now))}
    />
  </Canvas>
  {#if over && outlook && !isSmall && !isMeasuring && !onplace}{@render over(outlook)}{/if}
  {#if !isSmall}
    <!-- Beside another view there is room for one row of buttons. -->
    <div class="absolute top-3 left-3 hidden flex-col items-start gap-1.5 @sm:flex">
      <MeasureTool
        isOn={isMeasuring}
        ontoggle={() => {
          isMeasuring = !isMeasuring;
          ends = [];
        }}
      >
        {#if measured.figure}<strong class="measured">{measured.figure}</strong>{/if}{restOf(measured)}
      </MeasureTool>
      {#if limits}
        <div
          class="border-hairline flex overflow-hidden rounded border bg-white"
          role="group"
          aria-label={say.colourBy}
        >
          {#each [...(onthickness ? ['thickness'] : []), 'overhang'] as by (by)}
            <button
              type="button"
              class="border-hairline px-2.5 py-1 text-sm not-first:border-l {shading === by
                ? 'bg-primary-700 text-white'
                : 'hover:bg-primary-50'}"
              aria-pressed={shading === by}
              onclick={() => shade(by as 'thickness' | 'overhang')}
            >
              {by === 'thickness' ? say.thickness : say.overhang}
            </button>
          {/each}
        </div>
      {/if}
      {#if limits}
        {@render choice(say.asPrinted, isAsPrinted, () => (isAsPrinted = !isAsPrinted))}
        {#if isAsPrinted}
          <p class="border-hairline max-w-56 rounded border bg-white px-2.5 py-1 text-sm" role="status">
            {say.comesOut(formatNumber(limits.shrinkagePercent))}
          </p>
        {/if}
      {/if}
      {#if markedStep !== undefined && mesh.stepOf}
        {@render choice(say.alone, isAlone, () => (isAlone = !isAlone))}
      {/if}
      {#if shading}
        <dl
          class="border-hairline rounded border bg-white px-2.5 py-1.5 text-sm"
          aria-label={say.legend}
          aria-busy={!painted}
        >
          {#each bands as { colour, words } (words)}
            <div class="flex items-center gap-2 leading-6">
              <dt class="border-hairline h-3.5 w-5 border" style:background={colour}></dt>
              <dd>{words}</dd>
            </div>
          {/each}
          {#if !painted}<dd class="text-ink-soft">{say.measuring}</dd>{/if}
        </dl>
      {/if}
    </div>
    <div class="absolute top-3 right-3">
      <ViewButtons bind:view bind:isParallel isLinked={linked !== undefined} />
    </div>
  {/if}
</div>
