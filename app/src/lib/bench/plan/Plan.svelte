<script lang="ts">
  import type { Box } from '@kelbrin/core/mesh';
  import {
    chosenCornersOf,
    cornerTapped,
    handlesOf,
    handlesUnder,
    isPlacedByMiddle,
    plateBox,
    type Handle,
    type Point,
  } from '@kelbrin/core/recipe';
  import MeasureTool from '$lib/ui/MeasureTool.svelte';
  import type { BenchState } from '../state/bench.svelte';
  import { keptApart } from './apart';
  import { arrowMove } from '$lib/ui/arrowMove';
  import { inItsTime } from '$lib/ui/inItsTime.svelte';
  import { boxNow, hostBoxOf, snapLinesOf } from './besides';
  import Dimension from './Dimension.svelte';
  import { coalesce } from './coalesce';
  import PaperLines from './PaperLines.svelte';
  import PlanCorners from './PlanCorners.svelte';
  import PlanHandle from './PlanHandle.svelte';
  import StepDimensions from './StepDimensions.svelte';
  import SupportsOnPlan from './SupportsOnPlan.svelte';
  import SnapGuides from './SnapGuides.svelte';
  import {
    fitted,
    fittedBeside,
    pathOf,
    rangeOf,
    toMillimetres,
    toPixels,
    type Inset,
    type Sheet,
  } from './sheet';
  import { gridFor, snapped, snappedBody, type SnapLine } from './snap';
  import { planTexts as say } from '$lib/texts/plan';

  interface Props {
    bench: BenchState;
    /** As an inset it only shows. */
    isSmall?: boolean;
    /** What lies over it. */
    inset?: Inset;
  }
  let { bench, isSmall = false, inset = { widthPx: 0, heightPx: 0 } }: Props = $props();

  /** Lines catch what comes as near as this. */
  const REACH_PX = 6;

  let widthPx = $state(0);
  let heightPx = $state(0);
  /** While something is dragged, the sheet stays as it was when the drag began. */
  let held = $state.raw<Sheet>();
  let drag:
    | {
        handle: Handle;
        /** How far beside the place that it stands for it was taken, mm. */
        off: Point;
        stepId: string;
        box: Box;
        gesture: number;
        corner: DOMRect;
      }
    | undefined;
  let guides = $state.raw<{ x?: SnapLine; y?: SnapLine }>({});
  let isMeasuring = $state(false);
  let ends = $state.raw<Point[]>([]);
  let pointer = $state.raw<Point>();

  /** How far apart the states are that an inset shows while something is dragged on the solid, ms. */
  const INSET_APART_MS = 150;
  const built = $derived(bench.solid?.steps ?? []);
  const builtInItsTime = inItsTime(() => built, INSET_APART_MS);
  const outcomes = $derived(isSmall ? builtInItsTime.value : built);
  const supports = $derived(bench.showing.part?.supportLines);
  const range = $derived(rangeOf(outcomes.filter(({ effect }) => effect === 'add').map(boxNow)));
  const sheet = $derived(
    held ??
      (isSmall ? fitted(range, widthPx, heightPx, 12) : fittedBeside(range, widthPx, heightPx, 64, inset)),
  );
  const gridMm = $derived(gridFor(sheet.pixelsPerMm));
  const step = $derived(bench.recipe.steps.find(({ id }) => id === bench.marked));
  const outcome = $derived(outcomes.find(({ stepId }) => stepId === bench.marked));
  const hostBox = $derived(hostBoxOf(step, outcomes, outcome?.since));
  const box = $derived(outcome && boxNow(outcome));
  /** Whether its own edges are measured from those of what it is on. */
  const isToEdges = $derived(
    step &&
      !('placement' in step && step.placement.aroundDeg !== undefined) &&
      !('measuredTo' in step && step.measuredTo === 'axis'),
  );
  const handles = $derived(
    !isSmall && !isMeasuring && step && outcome
      ? handlesUnder(handlesOf(step, outcome.box, hostBox), outcome.since)
      : [],
  );

  /** The corners among which the marked step lets some be chosen, and those that are. */
  const corners = $derived.by(() => {
    const groups = step && !isMeasuring ? chosenCornersOf(step) : [];
    if (groups.length === 0) return undefined;
    return { all: outcome?.corners ?? [], chosen: groups.flatMap(({ numbers }) => numbers) };
  });

  function tapCorner(number: number): void {
    const change = step && corners && cornerTapped(step, number, corners.all.length);
    if (step && change) bench.setField(step.id, change.path, change.value);
  }

  const lines = (axis: 'x' | 'y') => snapLinesOf(axis, bench.recipe.steps, outcomes, bench.marked);

  function pointAt(event: PointerEvent & { currentTarget: Element }): Point {
    // Asking where the plan is while it changes makes the browser lay the page out once more.
    const { left, top } = drag?.corner ?? event.currentTarget.getBoundingClientRect();
    return toMillimetres(sheet, [event.clientX - left, event.clientY - top]);
  }

  function snappedPoint(point: Point): Point {
    const reach = REACH_PX / sheet.pixelsPerMm;
    const [x, y] = [
      snapped(point[0], lines('x'), reach, gridMm),
      snapped(point[1], lines('y'), reach, gridMm),
    ];
    guides = { x: x.line, y: y.line };
    return [x.at, y.at];
  }

  function begin(event: PointerEvent & { currentTarget: Element }, handle: Handle): void {
    event.stopPropagation();
    if (!outcome || !box) return;
    held = sheet;
    const svg = event.currentTarget.closest('svg') as SVGElement;
    const corner = svg.getBoundingClientRect();
    const taken = toMillimetres(sheet, [event.clientX - corner.left, event.clientY - corner.top]);
    const off: Point = [taken[0] - handle.at[0], taken[1] - handle.at[1]];
    drag = { handle, off, stepId: outcome.stepId, box, gesture: performance.now(), corner };
    svg.setPointerCapture(event.pointerId);
  }

  function move(event: PointerEvent & { currentTarget: Element }): void {
    if (!drag && !isMeasuring) return;
    follow(pointAt(event));
  }

  const follow = coalesce(
    (point: Point) => {
      if (isMeasuring) pointer = snappedPoint(point);
      if (!drag) return;
      const { handle, box, off } = drag;
      const reach = REACH_PX / sheet.pixelsPerMm;
      const place: Point = [point[0] - off[0], point[1] - off[1]];
      let to = place;
      if (handle.kind === 'move') {
        const half = (i: 0 | 1) => (box.max[i] - box.min[i]) / 2;
        const x = snappedBody(place[0], half(0), lines('x'), reach, gridMm);
        const y = snappedBody(place[1], half(1), lines('y'), reach, gridMm);
        guides = { x: x.line, y: y.line };
        to = [x.at, y.at];
      } else if (handle.kind === 'size') to = snappedPoint(place);
      const changes = handle.to(to);
      if (changes.length > 0) bench.setFields(drag.stepId, changes, drag.gesture);
    },
    () => !bench.showing.isBehind,
  );

  function end(): void {
    follow.finish();
    drag = undefined;
    held = undefined;
    guides = {};
  }

  function press(event: PointerEvent & { currentTarget: Element }): void {
    if (isMeasuring)
      ends = ends.length === 2 ? [snappedPoint(pointAt(event))] : [...ends, snappedPoint(pointAt(event))];
    else if (!isSmall) bench.marked = undefined;
  }

  /** Moves the marked step with the arrow keys, as its handle would. */
  function onkeydown(event: KeyboardEvent): void {
    const by = arrowMove(event);
    const handle = handles.find(({ kind }) => kind === 'move');
    if (!by || !handle || !outcome) return;
    event.preventDefault();
    const changes = handle.to([handle.at[0] + by[0], handle.at[1] + by[1]]);
    if (changes.length > 0) bench.setFields(outcome.stepId, changes);
  }

  const px = $derived((point: readonly [number, number]) => toPixels(sheet, point));
  const shownHandles = $derived(keptApart(handles, px));
</script>

<div class="relative h-full w-full bg-white" bind:clientWidth={widthPx} bind:clientHeight={heightPx}>
  <!-- A layer of its own, so that the paper is not drawn anew with everything that moves on it. -->
  <svg width={widthPx} height={heightPx} class="absolute inset-0 will-change-transform" aria-hidden="true">
    <PaperLines {sheet} {widthPx} {heightPx} tone="var(--color-ink-soft)" opacity={0.6} />
  </svg>
  <!-- The recipe is the way in for screen readers; here the keyboard moves what is marked there. -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
  <svg
    width={widthPx}
    height={heightPx}
    class="relative block touch-none select-none"
    role="application"
    aria-label={say.plan}
    tabindex={isSmall ? undefined : 0}
    data-testid="plan"
    {onkeydown}
    onpointermove={move}
    onpointerup={end}
    onpointerdown={press}
  >
    {#if supports}<SupportsOnPlan {sheet} ends={supports} />{/if}
    {#each outcomes as { stepId, plan, effect } (stepId)}
      {#if effect !== 'whole'}
        {@const isMarked = stepId === bench.marked}
        <path
          d={pathOf(sheet, plan)}
          role="presentation"
          fill={isMarked ? 'var(--color-primary-100)' : effect === 'add' ? 'var(--color-primary-50)' : '#fff'}
          fill-opacity={effect === 'add' ? 0.55 : 0.8}
          fill-rule="evenodd"
          stroke={isMarked ? 'var(--color-primary-700)' : 'var(--color-ink)'}
          stroke-width={isMarked ? 1.8 : 1}
          stroke-dasharray={effect === 'add' ? undefined : '4 3'}
          class={isSmall ? '' : 'cursor-pointer'}
          onpointerdown={(event) => {
            if (isSmall || isMeasuring) return;
            event.stopPropagation();
            bench.marked = stepId;
          }}
        />
      {/if}
    {/each}
    {#if !isSmall && step && box && outcome?.effect !== 'whole'}
      <StepDimensions
        {sheet}
        {box}
        host={outcome && hostBox !== plateBox && isToEdges ? boxNow({ ...outcome, box: hostBox }) : undefined}
        isToMiddle={isPlacedByMiddle(step)}
      />
    {/if}
    {#each handles as handle, i (`${handle.kind} ${handle.label}`)}
      <PlanHandle
        {handle}
        at={shownHandles[i]}
        edge={px(handle.at)}
        onbegin={(event) => begin(event, handle)}
      />
    {/each}
    {#if corners}
      <PlanCorners corners={corners.all} chosen={corners.chosen} {px} {isSmall} ontap={tapCorner} />
    {/if}
    <SnapGuides {guides} {sheet} {widthPx} {heightPx} />
    {#if isMeasuring}
      {@const to = ends[1] ?? pointer}
      {#if ends[0] && to}
        <Dimension
          from={px(ends[0])}
          to={px(to)}
          mm={Math.hypot(to[0] - ends[0][0], to[1] - ends[0][1])}
          tone="var(--color-fail)"
        />
      {/if}
      {#each ends as point, i (i)}
        <circle cx={px(point)[0]} cy={px(point)[1]} r="3" fill="var(--color-fail)" />
      {/each}
    {/if}
  </svg>
  {#if !isSmall}
    <div class="absolute top-3 left-3">
      <MeasureTool
        isOn={isMeasuring}
        ontoggle={() => {
          isMeasuring = !isMeasuring;
          ends = [];
          guides = {};
        }}
      />
    </div>
  {/if}
</div>
