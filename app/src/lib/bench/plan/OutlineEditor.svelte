<script lang="ts">
  import { Button, Checkbox } from 'flowbite-svelte';
  import { bentEdge } from '@kelbrin/core/plane';
  import { isFormula, evaluateAmount, type Node, type Point, type PointsOutline } from '@kelbrin/core/recipe';
  import type { BenchState } from '../state/bench.svelte';
  import Dimension from './Dimension.svelte';
  import { simplified } from './freehand';
  import NodeTable from './NodeTable.svelte';
  import { fitted, paperLines, toMillimetres, toPixels, type Sheet } from './sheet';
  import { gridFor, snapped } from './snap';
  import { planTexts as say } from '$lib/texts/plan';

  interface Props {
    bench: BenchState;
    outline: PointsOutline;
    /** A half profile, x its distance from an axis. */
    isProfile: boolean;
    /** What is wrong with the outline, and where. */
    problem?: { message: string; at?: readonly [number, number] };
    onchange(outline: PointsOutline, gesture?: number): void;
    ondone(): void;
  }
  let { bench, outline, isProfile, problem, onchange, ondone }: Props = $props();

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
    const shown = outline.mirrored || isProfile ? [...at, ...at.map(([x, y]): Point => [-x, y])] : at;
    const xs = [0, 20, ...shown.map(([x]) => x)];
    const ys = [0, 20, ...shown.map(([, y]) => y)];
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
  const ticks = $derived(paperLines(sheet));
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
      // The height over the chord, in halves of the chord; positive bends to the right of the way.
      const [a, b] = [at[index], at[(index + 1) % at.length]];
      const raw = pointAt(event, false);
      const chord = Math.hypot(b[0] - a[0], b[1] - a[1]);
      const height = ((raw[0] - a[0]) * (b[1] - a[1]) - (raw[1] - a[1]) * (b[0] - a[0])) / chord;
      const bend = Math.round(Math.max(-100, Math.min(100, (200 * height) / chord)) / 2) * 2;
      const plain = straight(outline.nodes[index]);
      put(outline.nodes.with(index, Math.abs(bend) < 4 ? plain : { ...plain, bend }), {}, gesture);
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
    const points = edges[index];
    const [x, y] = points[Math.floor(points.length / 2)];
    const middle =
      points.length === 2 ? [(points[0][0] + points[1][0]) / 2, (points[0][1] + points[1][1]) / 2] : [x, y];
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
  <div class="border-hairline flex items-center gap-4 border-b px-3 py-1.5 text-sm">
    <strong>{isProfile ? say.profile : say.outline}</strong>
    <Checkbox
      checked={outline.smooth}
      onchange={(event) => onchange({ ...outline, smooth: event.currentTarget.checked })}
    >
      {say.smooth}
    </Checkbox>
    {#if !isProfile}
      <Checkbox
        checked={outline.mirrored}
        onchange={(event) => onchange({ ...outline, mirrored: event.currentTarget.checked })}
      >
        {say.mirrored}
      </Checkbox>
    {/if}
    <button
      type="button"
      class="rounded border px-2 py-0.5 whitespace-nowrap {isFreehand
        ? 'bg-primary-700 text-white'
        : 'border-hairline hover:bg-primary-50'}"
      aria-pressed={isFreehand}
      onclick={() => (isFreehand = !isFreehand)}>{say.freehand}</button
    >
    <button
      type="button"
      class="border-hairline hover:bg-primary-50 rounded border px-2 py-0.5 whitespace-nowrap"
      onclick={() => {
        put([], { closed: false, smooth: false });
        chosen = undefined;
      }}>{say.anew}</button
    >
    <Button size="xs" class="ml-auto" onclick={ondone}>{say.done}</Button>
  </div>
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
        <g stroke="var(--color-hairline)" stroke-width="0.5">
          {#each ticks.xs as x (x)}<line x1={px([x, 0])[0]} x2={px([x, 0])[0]} y1="0" y2={heightPx} />{/each}
          {#each ticks.ys as y (y)}<line x1="0" x2={widthPx} y1={px([0, y])[1]} y2={px([0, y])[1]} />{/each}
        </g>
        <g
          stroke="var(--color-ink)"
          stroke-width={isProfile || outline.mirrored ? 1.2 : 0.6}
          stroke-dasharray="12 3 2 3"
        >
          <line x1={px([0, 0])[0]} x2={px([0, 0])[0]} y1="0" y2={heightPx} />
          <line x1="0" x2={widthPx} y1={px([0, 0])[1]} y2={px([0, 0])[1]} stroke-width="0.6" />
        </g>
        {#if outline.mirrored || isProfile}
          {#each edges as points, i (i)}
            <path
              d={line(points.map(([x, y]): Point => [-x, y]))}
              fill="none"
              stroke="var(--color-ink-soft)"
              stroke-width="1"
              stroke-dasharray="5 4"
            />
          {/each}
        {/if}
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
        {#if !outline.smooth}
          {#each edges as points, i (i)}
            {@const to = points[Math.floor(points.length / 2)]}
            {@const handle =
              points.length === 2
                ? ([(points[0][0] + points[1][0]) / 2, (points[0][1] + points[1][1]) / 2] as Point)
                : to}
            <circle
              cx={px(handle)[0]}
              cy={px(handle)[1]}
              r="4.5"
              fill="#fff"
              stroke="var(--color-primary-400)"
              class="cursor-grab"
              role="presentation"
              data-bend={i}
              onpointerdown={(event) => grab(event, 'bend', i)}><title>{say.bend}</title></circle
            >
          {/each}
        {/if}
        {#each at as point, i (i)}
          <rect
            x={px(point)[0] - 5}
            y={px(point)[1] - 5}
            width="10"
            height="10"
            fill={chosen === i ? 'var(--color-primary-700)' : '#fff'}
            stroke="var(--color-primary-700)"
            stroke-width="1.8"
            class="cursor-move"
            role="presentation"
            data-node={i}
            onpointerdown={(event) => grab(event, 'point', i)}
          />
        {/each}
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
