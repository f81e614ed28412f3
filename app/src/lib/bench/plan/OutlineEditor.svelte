<script lang="ts">
  import { bentEdge } from '@kelbrin/core/plane';
  import {
    isFormula,
    evaluateAmount,
    type Node,
    type Point,
    type PointsOutline,
    type Region,
  } from '@kelbrin/core/recipe';
  import type { BenchState } from '../state/bench.svelte';
  import { bendThrough, middleOf } from './bend';
  import Dimension from './Dimension.svelte';
  import DrawingGround from './DrawingGround.svelte';
  import { simplified } from './freehand';
  import NodeTable from './NodeTable.svelte';
  import OutlineBar from './OutlineBar.svelte';
  import OutlineHandles from './OutlineHandles.svelte';
  import { fitted, toMillimetres, toPixels, type Sheet } from './sheet';
  import { gridFor, snapped } from './snap';
  import { planTexts as say } from '$lib/texts/plan';

  interface Props {
    bench: BenchState;
    outline: PointsOutline;
    /** A half profile, x its distance from an axis. */
    isProfile: boolean;
    /** What is wrong with the outline, and where. */
    problem?: { message: string; at?: readonly [number, number] };
    /** What else is there, in the measure of the drawing. */
    beside?: Region;
    onchange(outline: PointsOutline, gesture?: number): void;
    ondone(): void;
  }
  let { bench, outline, isProfile, problem, beside = [], onchange, ondone }: Props = $props();

  const REACH_PX = 9;

  let widthPx = $state(0);
  let heightPx = $state(0);
  let held = $state.raw<Sheet>();
  let chosen = $state<number>();
  let drag: { kind: 'point' | 'bend'; index: number; gesture: number } | undefined;
  let pointer = $state.raw<Point>();
  let stroke = $state.raw<Point[]>();
  let isFreehand = $state(false);

  const worth = (value: Node['xMm']) => {
    const worked = evaluateAmount(value, bench.measures);
    return worked.ok ? worked.value : 0;
  };
  const at = $derived(outline.nodes.map(({ xMm, yMm }): Point => [worth(xMm), worth(yMm)]));
  const range = $derived.by(() => {
    const others = beside.flat();
    const shown = outline.mirrored || isProfile ? [...at, ...at.map(([x, y]): Point => [-x, y])] : at;
    const xs = [0, 20, ...[...shown, ...others].map(([x]) => x)];
    const ys = [0, 20, ...[...shown, ...others].map(([, y]) => y)];
    return { min: [Math.min(...xs), Math.min(...ys)], max: [Math.max(...xs), Math.max(...ys)] };
  });
  const sheet = $derived(held ?? fitted(range, widthPx, heightPx, 70));
  const gridMm = $derived(gridFor(sheet.pixelsPerMm));
  const px = $derived((point: Point) => toPixels(sheet, point));
  const bendOf = (index: number) => worth(outline.nodes[index].bend ?? 0) / 100;
  const edgeCount = $derived(outline.closed && !outline.mirrored ? at.length : Math.max(0, at.length - 1));
  const edges = $derived(
    Array.from({ length: edgeCount }, (_, i) => [
      at[i],
      ...bentEdge(at[i], at[(i + 1) % at.length], bendOf(i)),
    ]),
  );
  const line = (points: readonly Point[]) => `M${points.map((point) => px(point).join(' ')).join('L')}`;

  function pointAt(event: PointerEvent & { currentTarget: Element }, isSnapped = true): Point {
    const svg = event.currentTarget.closest('svg')!.getBoundingClientRect();
    const raw = toMillimetres(sheet, [event.clientX - svg.left, event.clientY - svg.top]);
    if (!isSnapped) return raw;
    const reach = REACH_PX / sheet.pixelsPerMm;
    const others = at.filter((_, i) => i !== drag?.index);
    const x = snapped(
      raw[0],
      [{ at: 0, of: 'axis' }, ...others.map(([each]) => ({ at: each, of: 'point' }))],
      reach,
      gridMm,
    );
    const y = snapped(
      raw[1],
      [{ at: 0, of: 'axis' }, ...others.map(([, each]) => ({ at: each, of: 'point' }))],
      reach,
      gridMm,
    );
    return [isProfile || outline.mirrored ? Math.max(0, x.at) : x.at, y.at];
  }

  function put(nodes: Node[], rest: Partial<PointsOutline> = {}, gesture?: number): void {
    onchange({ ...outline, ...rest, nodes }, gesture);
  }

  function press(event: PointerEvent & { currentTarget: Element }): void {
    if (isFreehand) {
      event.currentTarget.setPointerCapture(event.pointerId);
      held = sheet;
      stroke = [pointAt(event, false)];
      return;
    }
    if (outline.closed && !outline.mirrored && at.length > 2) {
      chosen = undefined;
      return;
    }
    const [xMm, yMm] = pointAt(event);
    put([...outline.nodes, { xMm, yMm }]);
    chosen = outline.nodes.length - 1;
  }

  function move(event: PointerEvent & { currentTarget: Element }): void {
    pointer = pointAt(event);
    if (stroke) stroke = [...stroke, pointAt(event, false)];
    if (!drag) return;
    const { index, gesture } = drag;
    if (drag.kind === 'point') {
      const [xMm, yMm] = pointer;
      const { xMm: oldX, yMm: oldY } = outline.nodes[index];
      const moved = {
        ...outline.nodes[index],
        xMm: isFormula(oldX) ? oldX : xMm,
        yMm: isFormula(oldY) ? oldY : yMm,
      };
      put(outline.nodes.with(index, moved), {}, gesture);
    } else {
      const bend = bendThrough(at[index], at[(index + 1) % at.length], pointAt(event, false));
      const plain = straight(outline.nodes[index]);
      put(outline.nodes.with(index, bend === 0 ? plain : { ...plain, bend }), {}, gesture);
    }
  }

  function release(): void {
    if (stroke && stroke.length > 8) {
      const nodes = simplified(stroke, 0.35).map(([x, y]) => ({ xMm: round(x), yMm: round(y) }));
      put(nodes, { smooth: true, closed: true });
      isFreehand = false;
    }
    stroke = undefined;
    drag = undefined;
    held = undefined;
  }

  const round = (mm: number) => Math.round(mm * 10) / 10;
  const straight = ({ xMm, yMm }: Node): Node => ({ xMm, yMm });

  function grab(
    event: PointerEvent & { currentTarget: Element },
    kind: 'point' | 'bend',
    index: number,
  ): void {
    event.stopPropagation();
    // Pressing the first point while drawing closes the outline.
    if (kind === 'point' && index === 0 && !outline.closed && at.length > 2) {
      put(outline.nodes, { closed: true });
      return;
    }
    if (kind === 'point') chosen = index;
    held = sheet;
    drag = { kind, index, gesture: performance.now() };
    (event.currentTarget.closest('svg') as SVGElement).setPointerCapture(event.pointerId);
  }

  function insertAfter(index: number): void {
    const middle = middleOf(edges[index]);
    const plain = straight(outline.nodes[index]);
    const nodes = outline.nodes.with(index, plain);
    put(nodes.toSpliced(index + 1, 0, { xMm: round(middle[0]), yMm: round(middle[1]) }));
    chosen = index + 1;
  }

  function remove(index: number): void {
    put(outline.nodes.toSpliced(index, 1));
    chosen = undefined;
  }

  function onkeydown(event: KeyboardEvent): void {
    if ((event.key === 'Delete' || event.key === 'Backspace') && chosen !== undefined) {
      event.preventDefault();
      remove(chosen);
    } else if (event.key === 'Escape') ondone();
  }
</script>

<div class="flex h-full w-full flex-col bg-white">
  <OutlineBar
    {outline}
    {isProfile}
    bind:isFreehand
    onchange={(change) => onchange({ ...outline, ...change })}
    onanew={() => {
      put([], { closed: false, smooth: false });
      chosen = undefined;
    }}
    {ondone}
  />
  <div class="flex min-h-0 flex-1">
    <div class="relative min-w-0 flex-1" bind:clientWidth={widthPx} bind:clientHeight={heightPx}>
      <!-- The table beside it is the way in for the keyboard and for screen readers. -->
      <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
      <svg
        width={widthPx}
        height={heightPx}
        class="block cursor-crosshair touch-none select-none"
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
      >
        <DrawingGround
          {sheet}
          {widthPx}
          {heightPx}
          {beside}
          mirrored={outline.mirrored || isProfile ? edges : undefined}
        />
        {#each edges as points, i (i)}
          <path
            d={line(points)}
            fill="none"
            stroke="var(--color-primary-700)"
            stroke-width="2"
            opacity={outline.smooth ? 0.35 : 1}
          />
          <path
            d={line(points)}
            fill="none"
            stroke="transparent"
            stroke-width="12"
            role="presentation"
            class="cursor-copy"
            onpointerdown={(event) => event.stopPropagation()}
            ondblclick={() => insertAfter(i)}><title>{say.putIn}</title></path
          >
        {/each}
        {#if !outline.closed && !outline.mirrored && pointer && at.length > 0 && !isFreehand}
          <path
            d={line([at[at.length - 1], pointer])}
            stroke="var(--color-primary-400)"
            stroke-dasharray="4 3"
          />
          <Dimension
            from={px(at[at.length - 1])}
            to={px(pointer)}
            mm={Math.hypot(pointer[0] - at[at.length - 1][0], pointer[1] - at[at.length - 1][1])}
          />
        {/if}
        {#if stroke}<path
            d={line(stroke)}
            fill="none"
            stroke="var(--color-primary-700)"
            stroke-width="2"
          />{/if}
        <OutlineHandles {outline} {sheet} {at} {edges} {chosen} ongrab={grab} />
        {#if problem?.at}
          {@const [x, y] = px([problem.at[0], problem.at[1]])}
          <circle cx={x} cy={y} r="9" fill="none" stroke="var(--color-fail)" stroke-width="2.5" />
        {/if}
      </svg>
      {#if problem}
        <p
          role="alert"
          class="bg-fail-wash text-fail absolute right-3 bottom-3 left-3 rounded px-3 py-1.5 text-sm"
        >
          {problem.message}
        </p>
      {:else if at.length === 0}
        <p class="text-ink-soft absolute right-3 bottom-3 left-3 text-sm">
          {say.how}
        </p>
      {/if}
    </div>
    <NodeTable
      nodes={outline.nodes}
      {at}
      {isProfile}
      {chosen}
      measures={bench.measures}
      onchange={(nodes, gesture) => put([...nodes], {}, gesture)}
      onchoose={(index) => (chosen = index)}
      onremove={remove}
    />
  </div>
</div>
