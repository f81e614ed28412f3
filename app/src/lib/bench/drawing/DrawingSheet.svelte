<script lang="ts">
  import { bentEdge } from '@kelbrin/core/plane';
  import type { Point, Region } from '@kelbrin/core/recipe';
  import { arrowMove } from '$lib/ui/arrowMove';
  import { coalesce } from '../plan/coalesce';
  import { fitted, toMillimetres, toPixels, type Sheet } from '../plan/sheet';
  import { gridFor } from '../plan/snap';
  import SnapGuides from '../plan/SnapGuides.svelte';
  import { bendThrough, middleOf } from './bend';
  import { caught, type Caught } from './caught';
  import DrawingGround from './DrawingGround.svelte';
  import DrawnEdges from './DrawnEdges.svelte';
  import DrawingHandles from './DrawingHandles.svelte';
  import type { DrawingState } from './drawing.svelte';
  import { simplified } from './freehand';
  import NextLine from './NextLine.svelte';
  import RuleMarks from './RuleMarks.svelte';
  import type { SheetView } from './sheetView.svelte';
  import TypedLine from './TypedLine.svelte';
  import { drawingTexts as say } from '$lib/texts/drawing';

  /** The paper on which points are put and dragged. */
  interface Props {
    drawing: DrawingState;
    view: SheetView;
    /** What else is there, in the measure of the drawing. */
    beside: Region;
    tool: 'lines' | 'arcs' | 'freehand';
    snaps: boolean;
    measures: ReadonlyMap<string, number>;
    problem: { message: string; at?: readonly [number, number] } | undefined;
    ondone(): void;
  }
  let { drawing, view, beside, tool = $bindable(), snaps, measures, problem, ondone }: Props = $props();

  const REACH_PX = 9;
  /** A pointer that moved less than this has clicked, px. */
  const CLICK_PX = 3;
  /** Room around what is seen whole, px. */
  const MARGIN_PX = 70;

  interface Drag {
    readonly kind: 'point' | 'bend' | 'edge' | 'paper';
    readonly index: number;
    readonly gesture: number;
    readonly from: Point;
    hasMoved: boolean;
  }

  let widthPx = $state(0);
  let heightPx = $state(0);
  let held = $state.raw<Sheet>();
  let drag = $state.raw<Drag>();
  let pointer = $state.raw<Point>();
  let stroke = $state.raw<Point[]>();
  let guides = $state.raw<Caught['guides']>({});
  /** The edge that was drawn last as an arc and follows the pointer until it is put. */
  let bending = $state<{ index: number; gesture: number }>();
  let typed = $state<string>();
  let paper = $state<SVGSVGElement>();

  const isHalf = $derived(drawing.isHalf);
  const at = $derived(drawing.at);
  /** The paper to draw on, mm: what most objects fit on, so that it stays where it is while lines are put. */
  const BEGINNING = [
    [-10, -5],
    [70, 45],
  ];
  const HALF = [
    [-35, -5],
    [35, 45],
  ];
  const isOpen = $derived(!drawing.outline.closed || drawing.outline.mirrored);
  const edges = $derived(
    Array.from({ length: drawing.edgeCount }, (_, i) => [
      at[i],
      ...bentEdge(at[i], at[(i + 1) % at.length], drawing.bends[i]),
    ]),
  );
  const range = $derived.by(() => {
    const drawn = [...at, ...edges.flat()];
    const shown = isHalf ? [...drawn, ...drawn.map(([x, y]): Point => [-x, y])] : drawn;
    const all = [...shown, ...beside.flat()];
    const begun = !isOpen ? [[0, 0]] : isHalf ? HALF : BEGINNING;
    const [xs, ys] = [0, 1].map((axis) => [...all, ...begun].map((each) => each[axis]));
    return { min: [Math.min(...xs), Math.min(...ys)], max: [Math.max(...xs), Math.max(...ys)] };
  });
  const sheet = $derived(held ?? view.in(fitted(range, widthPx, heightPx, isOpen ? 12 : MARGIN_PX)));
  const gridMm = $derived(gridFor(sheet.pixelsPerMm));
  const px = $derived((point: Point) => toPixels(sheet, point));
  const line = (points: readonly Point[]) => `M${points.map((point) => px(point).join(' ')).join('L')}`;

  function pixelsOf(event: PointerEvent & { currentTarget: Element }): Point {
    const { left, top } = event.currentTarget.closest('svg')!.getBoundingClientRect();
    return [event.clientX - left, event.clientY - top];
  }

  /** The place under the pointer, caught by what is near unless that is held off. */
  function pointAt(event: PointerEvent & { currentTarget: Element }, isFree = false): Point {
    const raw = toMillimetres(sheet, pixelsOf(event));
    guides = {};
    if (isFree || !snaps || event.altKey) return raw;
    const own = drag?.kind === 'point' ? drag.index : undefined;
    const found = caught(raw, at, REACH_PX / sheet.pixelsPerMm, gridMm, own);
    guides = found.guides;
    return [isHalf ? Math.max(0, found.at[0]) : found.at[0], found.at[1]];
  }

  function press(event: PointerEvent & { currentTarget: Element }): void {
    if (view.down(event)) {
      drag = stroke = undefined;
      return;
    }
    event.currentTarget.setPointerCapture(event.pointerId);
    if (event.button === 1 || (!isOpen && tool !== 'freehand')) {
      drag = { kind: 'paper', index: 0, gesture: 0, from: pixelsOf(event), hasMoved: false };
      return;
    }
    if (tool === 'freehand') {
      held = sheet;
      stroke = [pointAt(event, true)];
      return;
    }
    if (bending) {
      bendTo(bending.index, pointAt(event, true), bending.gesture);
      bending = undefined;
      return;
    }
    const last = at.length - 1;
    drawing.add(pointAt(event));
    if (tool === 'arcs' && last >= 0) bending = { index: last, gesture: performance.now() };
  }

  function bendTo(index: number, point: Point, gesture: number): void {
    drawing.bend(index, bendThrough(at[index], at[(index + 1) % at.length], point), gesture);
  }

  const lead = coalesce(([{ kind, index, gesture }, to]: [Drag, Point]) => {
    if (kind === 'point') drawing.drag(index, to, gesture);
    else bendTo(index, to, gesture);
  });

  function move(event: PointerEvent & { currentTarget: Element }): void {
    if (view.follow(sheet, event)) return;
    const isBent = drag?.kind === 'bend' || bending !== undefined;
    pointer = pointAt(event, isBent || tool === 'freehand');
    if (stroke) stroke = [...stroke, pointer];
    if (bending && !drag) bendTo(bending.index, pointer, bending.gesture);
    if (!drag) return;
    const now = pixelsOf(event);
    const by: Point = [now[0] - drag.from[0], now[1] - drag.from[1]];
    if (!drag.hasMoved && Math.hypot(...by) < CLICK_PX) return;
    if (drag.kind === 'paper') {
      view.pan(sheet, by);
      drag = { ...drag, from: now, hasMoved: true };
      return;
    }
    drag.hasMoved = true;
    if (drag.kind === 'edge') return;
    drawing.isDragging = true;
    lead([drag, pointer]);
  }

  function release(event: PointerEvent): void {
    view.up(event);
    lead.finish();
    if (stroke && stroke.length > 8) {
      const round = (mm: number) => Math.round(mm * 10) / 10;
      drawing.putStroke(simplified(stroke, 0.35).map(([x, y]): Point => [round(x), round(y)]));
      tool = 'lines';
    }
    if (drag && !drag.hasMoved && event.type === 'pointerup') {
      if (drag.kind === 'point') drawing.mark('points', drag.index);
      else if (drag.kind === 'paper') drawing.clearMarks();
      else drawing.mark('edges', drag.index);
    }
    stroke = drag = held = undefined;
    drawing.isDragging = false;
    guides = {};
  }

  function grab(
    event: PointerEvent & { currentTarget: Element },
    kind: 'point' | 'bend' | 'edge',
    index: number,
  ): void {
    if (bending || tool === 'freehand') return;
    event.stopPropagation();
    const svg = event.currentTarget.closest('svg') as SVGElement;
    svg.focus();
    view.down(event);
    // Pressing the first point while drawing closes the outline.
    if (kind === 'point' && index === 0 && drawing.isUnfinished && at.length > 2) {
      drawing.close();
      return;
    }
    held = sheet;
    drag = { kind, index, gesture: performance.now(), from: pixelsOf(event), hasMoved: false };
    svg.setPointerCapture(event.pointerId);
  }

  function endTyping(): void {
    typed = undefined;
    paper?.focus();
  }

  function insertAfter(index: number): void {
    const [x, y] = middleOf(edges[index]);
    drawing.insertAfter(index, [Math.round(x * 10) / 10, Math.round(y * 10) / 10]);
  }

  function onkeydown(event: KeyboardEvent): void {
    const marked = drawing.marks.points.at(-1);
    const by = arrowMove(event);
    const key = event.key.toLowerCase();
    const isPlain = !event.ctrlKey && !event.metaKey;
    // While lines are drawn, digits are the length of the next; 0 is one of them then.
    const isTyped = isPlain && /^[\d.,]$/.test(key) && isOpen && at.length > 0;
    if ((event.key === 'Delete' || event.key === 'Backspace') && marked !== undefined) drawing.remove(marked);
    else if (event.key === 'Escape' && drawing.marks.points.length + drawing.marks.edges.length > 0)
      drawing.clearMarks();
    else if (event.key === 'Escape') ondone();
    else if (isTyped) typed = event.key;
    else if (isPlain && key === 'e') drawing.markNext('edges', event.shiftKey);
    else if (isPlain && key === 'p') drawing.markNext('points', event.shiftKey);
    else if (by && marked !== undefined) drawing.drag(marked, [at[marked][0] + by[0], at[marked][1] + by[1]]);
    else if (by) view.pan(sheet, [-20 * by[0], 20 * by[1]]);
    else if (!isPlain || !view.key(sheet, event)) return;
    event.preventDefault();
    event.stopPropagation();
  }
</script>

<div class="relative min-h-0 min-w-0 flex-1" bind:clientWidth={widthPx} bind:clientHeight={heightPx}>
  <!-- The table beside it is the way in for the keyboard and for screen readers. -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
  <svg
    bind:this={paper}
    width={widthPx}
    height={heightPx}
    class="block cursor-crosshair touch-none -outline-offset-2 select-none focus:outline-1 focus:outline-primary-400"
    role="application"
    aria-label={say.drawing}
    tabindex="0"
    data-testid="drawing"
    data-pixels-per-mm={sheet.pixelsPerMm}
    data-origin={px([0, 0]).join(' ')}
    {onkeydown}
    onpointerdown={press}
    onpointermove={move}
    onpointerup={release}
    onpointercancel={release}
    onwheel={(event) => view.wheel(sheet, event)}
  >
    <DrawingGround {sheet} {widthPx} {heightPx} {beside} mirrored={isHalf ? edges : undefined} />
    <DrawnEdges {drawing} {edges} {line} ongrab={grab} oninsert={insertAfter} />
    <RuleMarks {drawing} {px} />
    {#if isOpen && pointer && at.length > 0 && tool !== 'freehand' && !drag && !bending}
      <NextLine from={at[at.length - 1]} to={pointer} {px} />
    {/if}
    {#if stroke}<path d={line(stroke)} fill="none" stroke="var(--color-primary-700)" stroke-width="2" />{/if}
    <DrawingHandles
      outline={drawing.outline}
      {sheet}
      {at}
      {edges}
      marked={drawing.marks.points}
      ongrab={grab}
    />
    <SnapGuides {guides} {sheet} {widthPx} {heightPx} />
    {#if problem?.at}
      {@const [x, y] = px([problem.at[0], problem.at[1]])}
      <circle cx={x} cy={y} r="9" fill="none" stroke="var(--color-fail)" stroke-width="2.5" />
    {/if}
  </svg>
  {#if typed !== undefined}
    <TypedLine
      from={at[at.length - 1]}
      towards={pointer}
      first={typed}
      {measures}
      onput={(point) => {
        drawing.add(point);
        endTyping();
      }}
      oncancel={endTyping}
    />
  {/if}
  {#if problem}
    <p
      role="alert"
      class="bg-fail-wash text-fail absolute right-3 bottom-3 left-3 rounded px-3 py-1.5 text-sm"
    >
      {problem.message}
    </p>
  {/if}
</div>
