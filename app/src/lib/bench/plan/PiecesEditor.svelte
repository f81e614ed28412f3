<script lang="ts">
  import { untrack } from 'svelte';
  import { extentOf } from '@kelbrin/core/plane';
  import {
    letterOf,
    pieceHandles,
    pieceOffers,
    type Addition,
    type CombinedOutline,
    type DrawnPieces,
    type FieldPath,
    type Handle,
    type Piece,
    type Point,
    type Region,
  } from '@kelbrin/core/recipe';
  import type { BenchState } from '../state/bench.svelte';
  import { keptApart } from './apart';
  import { arrowMove } from '$lib/ui/arrowMove';
  import { coalesce } from './coalesce';
  import Dimension from './Dimension.svelte';
  import PaperLines from './PaperLines.svelte';
  import PieceMark from './PieceMark.svelte';
  import PiecesBar from './PiecesBar.svelte';
  import PlanHandle from './PlanHandle.svelte';
  import SnapGuides from './SnapGuides.svelte';
  import { fitted, pathOf, toMillimetres, toPixels, type Sheet } from './sheet';
  import { gridFor, snapped, snappedBody, type SnapLine } from './snap';
  import { planTexts as say } from '$lib/texts/plan';

  /** The pieces of an outline, put together by hand and eye about the middle of that outline. */
  interface Props {
    bench: BenchState;
    stepId: string;
    /** The keys that lead from the step to the outline. */
    path: FieldPath;
    outline: CombinedOutline;
    /** The piece that is marked at first, by its place. */
    first?: number;
    /** Where its pieces lie, and what they make, as far as that is known. */
    drawn: DrawnPieces | undefined;
    problem?: { message: string };
    ondone(): void;
  }
  let { bench, stepId, path, outline, first = 0, drawn, problem, ondone }: Props = $props();

  /** Lines catch what comes as near as this. */
  const REACH_PX = 7;

  let widthPx = $state(0);
  let heightPx = $state(0);
  /** While something is dragged, the sheet stays as it was when the drag began. */
  let held = $state.raw<Sheet>();
  /** The id of the piece that is marked, which stays so when pieces change places. */
  let marked = $state(untrack(() => outline.pieces[first]?.id));
  let guides = $state.raw<{ x?: SnapLine; y?: SnapLine }>({});
  let drag: { handle: Handle; from: Point; half: Point; gesture: number; corner: DOMRect } | undefined;

  const chosen = $derived(
    Math.max(
      0,
      outline.pieces.findIndex(({ id }) => id === marked),
    ),
  );
  const laid = $derived(drawn?.pieces ?? []);
  const laidBy = $derived(new Map(laid.map((each) => [each.id, each])));
  const range = $derived.by(() => {
    const { x, y } = extentOf(laid.flatMap(({ copies }) => copies.flat()));
    return {
      min: [Math.min(x.low, -5), Math.min(y.low, -5)],
      max: [Math.max(x.high, 5), Math.max(y.high, 5)],
    };
  });
  const sheet = $derived(held ?? fitted(range, widthPx, heightPx, 56));
  const gridMm = $derived(gridFor(sheet.pixelsPerMm));
  const px = $derived((point: Point) => toPixels(sheet, point));
  const ownExtent = $derived.by(() => {
    const own = laidBy.get(outline.pieces[chosen].id)?.own;
    return own && extentOf(own);
  });
  const handles = $derived(pieceHandles(outline, chosen, laid, path));

  const shownHandles = $derived(keptApart(handles, px));

  /** Edges and middles of the other pieces, and the middle of the outline. */
  function snapLines(axis: 'x' | 'y'): SnapLine[] {
    const [low, high] = axis === 'x' ? (['left', 'right'] as const) : (['front', 'back'] as const);
    return [
      { at: 0, of: say.middleOfOutline },
      ...outline.pieces.flatMap(({ id }, i) => {
        const own = laidBy.get(id)?.own;
        if (i === chosen || !own) return [];
        const extent = extentOf(own)[axis];
        return [
          { at: extent.low, of: say.sideOf(low, letterOf(i)) },
          { at: (extent.low + extent.high) / 2, of: say.middleOf(letterOf(i)) },
          { at: extent.high, of: say.sideOf(high, letterOf(i)) },
        ];
      }),
    ];
  }

  function pointAt(event: PointerEvent & { currentTarget: Element }): Point {
    const { left, top } =
      drag?.corner ?? (event.currentTarget.closest('svg') as SVGElement).getBoundingClientRect();
    return toMillimetres(sheet, [event.clientX - left, event.clientY - top]);
  }

  function begin(event: PointerEvent & { currentTarget: Element }, handle: Handle, own: Region): void {
    event.stopPropagation();
    const svg = event.currentTarget.closest('svg') as SVGElement;
    const { x, y } = extentOf(own);
    const from = pointAt(event);
    held = sheet;
    drag = {
      handle,
      // What is taken beside its place follows from there.
      from: [from[0] - handle.at[0], from[1] - handle.at[1]],
      half: [(x.high - x.low) / 2, (y.high - y.low) / 2],
      gesture: performance.now(),
      corner: svg.getBoundingClientRect(),
    };
    svg.setPointerCapture(event.pointerId);
    svg.focus();
  }

  function beginPiece(event: PointerEvent & { currentTarget: Element }, index: number): void {
    marked = outline.pieces[index].id;
    const own = laidBy.get(outline.pieces[index].id)?.own;
    const handle = pieceHandles(outline, index, laid, path).find(({ kind }) => kind === 'move');
    if (own && handle) begin(event, handle, own);
  }

  const follow = coalesce((point: Point) => {
    if (!drag) return;
    const { handle, from, half, gesture } = drag;
    const reach = REACH_PX / sheet.pixelsPerMm;
    let to: Point = [point[0] - from[0], point[1] - from[1]];
    if (handle.kind === 'move') {
      const x = snappedBody(to[0], half[0], snapLines('x'), reach, gridMm);
      const y = snappedBody(to[1], half[1], snapLines('y'), reach, gridMm);
      guides = { x: x.line, y: y.line };
      to = [x.at, y.at];
    } else if (handle.kind === 'size') {
      to = [
        snapped(to[0], snapLines('x'), reach, gridMm).at,
        snapped(to[1], snapLines('y'), reach, gridMm).at,
      ];
    }
    const changes = handle.to(to);
    if (changes.length > 0) bench.setFields(stepId, changes, gesture);
  });

  function end(): void {
    follow.finish();
    drag = undefined;
    held = undefined;
    guides = {};
  }

  function take({ path: at, value }: Addition): void {
    const known = outline.pieces.map(({ id }) => id);
    bench.setField(stepId, at, value);
    // What was put in is marked, so that it is dragged next.
    const [fresh] = [value].flat().filter((each): each is Piece => isPiece(each) && !known.includes(each.id));
    if (fresh) marked = fresh.id;
  }

  function isPiece(value: unknown): value is Piece {
    return typeof value === 'object' && value !== null && 'id' in value && 'outline' in value;
  }

  function takeOut(): void {
    const [offer] = pieceOffers(outline.pieces, chosen, path).slice(-1);
    if (outline.pieces.length > 1) take(offer);
  }

  /** Moves the marked piece with the arrow keys, as its handle would, and takes it out. */
  function onkeydown(event: KeyboardEvent): void {
    const by = arrowMove(event);
    const handle = handles.find(({ kind }) => kind === 'move');
    if (event.key === 'Escape') ondone();
    else if (event.key === 'Delete' || event.key === 'Backspace') takeOut();
    else if (by && handle) bench.setFields(stepId, handle.to([handle.at[0] + by[0], handle.at[1] + by[1]]));
    else return;
    event.preventDefault();
  }

  function draw(): void {
    bench.drawing = { stepId, path: [...path, 'pieces', chosen, 'outline'] };
  }
</script>

<div class="flex h-full w-full flex-col bg-white">
  <PiecesBar
    {outline}
    {path}
    {chosen}
    onchoose={(index) => (marked = outline.pieces[index].id)}
    ontake={take}
    ondraw={draw}
    {ondone}
  />
  <div class="relative min-h-0 flex-1" bind:clientWidth={widthPx} bind:clientHeight={heightPx}>
    <!-- The bar above it and the sentence are the way in for the keyboard and for screen readers. -->
    <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
    <svg
      width={widthPx}
      height={heightPx}
      class="block touch-none outline-none select-none"
      role="application"
      aria-label={say.piecesSheet}
      tabindex="0"
      data-testid="pieces"
      data-pixels-per-mm={sheet.pixelsPerMm}
      data-origin={px([0, 0]).join(' ')}
      {onkeydown}
      onpointermove={(event) => drag && follow(pointAt(event))}
      onpointerup={end}
      onpointercancel={end}
    >
      <PaperLines {sheet} {widthPx} {heightPx} axisPx={0.6} />
      {#if drawn?.whole}
        <path
          d={pathOf(sheet, drawn.whole)}
          fill="var(--color-primary-100)"
          fill-opacity="0.7"
          fill-rule="evenodd"
          stroke="var(--color-ink)"
          stroke-width="2"
          pointer-events="none"
        />
      {/if}
      {#each outline.pieces as { id, outline: { shape } }, i (id)}
        {@const piece = laidBy.get(id)}
        {#if piece}
          <PieceMark
            {piece}
            letter={letterOf(i)}
            isGround={i === 0}
            isMarked={i === chosen}
            {sheet}
            onbegin={(event) => beginPiece(event, i)}
            onopen={() => shape === 'points' && draw()}
          />
        {/if}
      {/each}
      {#each handles as handle, i (`${handle.kind} ${handle.label}`)}
        <PlanHandle
          {handle}
          at={shownHandles[i]}
          edge={px(handle.at)}
          onbegin={(event) => {
            const own = laidBy.get(outline.pieces[chosen].id)?.own;
            if (own) begin(event, handle, own);
          }}
        />
      {/each}
      {#if ownExtent}
        {@const { x, y } = ownExtent}
        <Dimension from={px([x.low, y.low])} to={px([x.high, y.low])} mm={x.high - x.low} offPx={-18} />
        <Dimension from={px([x.high, y.low])} to={px([x.high, y.high])} mm={y.high - y.low} offPx={-18} />
      {/if}
      <SnapGuides {guides} {sheet} {widthPx} {heightPx} />
    </svg>
    {#if problem}
      <p
        role="alert"
        class="bg-fail-wash text-fail absolute right-56 bottom-3 left-3 rounded px-3 py-1.5 text-sm"
      >
        {problem.message}
      </p>
    {:else}
      <p class="text-ink-soft pointer-events-none absolute right-56 bottom-3 left-3 text-sm">
        {say.piecesHow}
      </p>
    {/if}
  </div>
</div>
