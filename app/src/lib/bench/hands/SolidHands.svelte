<script lang="ts">
  import type { Amount, Distance, Sizing } from '@kelbrin/core/recipe';
  import { axisIndex, plateBox, spaceHandlesOf } from '@kelbrin/core/recipe';
  import type { Vec3 } from '@kelbrin/core/mesh';
  import type { Outlook, Px } from '$lib/ui/solidView/outlook';
  import { hostBoxOf, snapLinesOf } from '../plan/besides';
  import type { BenchState } from '../state/bench.svelte';
  import { outerEdge } from './boxEdge';
  import CaughtWords from './CaughtWords.svelte';
  import { Dragging, type Held, type SizeEnd } from './dragging.svelte';
  import HandMark from './HandMark.svelte';
  import SizeLine from './SizeLine.svelte';
  import TypedFigure from './TypedFigure.svelte';

  /**
   * What hands can do to the marked step on the solid itself: its sizes as dimension lines whose arrows are dragged and whose
   * figures are typed over, the distances by which it is placed, and marks to move, lift and turn it by. The sentence has
   * the same numbers for the keyboard.
   */
  interface Props {
    bench: BenchState;
    outlook: Outlook;
  }
  let { bench, outlook: seen }: Props = $props();

  /** So far beside a step its sizes are written. */
  const BESIDE_PX = 20;
  /** A line of which so small a part of its length is seen is seen end on. */
  const END_ON = 0.35;
  /** A distance that is seen shorter has no room for its figure. */
  const SHORT_PX = 34;
  /** On a smaller view there is room for the sizes alone. */
  const ROOMY_PX = 420;

  const outcomes = $derived(bench.solid?.steps ?? []);
  const step = $derived(bench.recipe.steps.find(({ id }) => id === bench.marked));
  const outcome = $derived(outcomes.find(({ stepId }) => stepId === bench.marked));
  const host = $derived(hostBoxOf(step, outcomes, outcome?.since));
  const hands = $derived(
    step && outcome && outcome.since && outcome.effect !== 'whole' && !outcome.edges
      ? spaceHandlesOf(step, outcome.box, host)
      : undefined,
  );
  /** While something is dragged, the solid changes and the view does not. */
  const outlook = $derived(outcome?.since ? seen.through(outcome.since) : seen);

  const dragging = new Dragging();
  let typing = $state.raw<{ id: string; first?: string }>();
  $effect(() => {
    void bench.marked;
    typing = undefined;
  });

  interface Line {
    readonly id: string;
    readonly of: Sizing | Distance;
    readonly ends: readonly [Vec3, Vec3];
    readonly px: readonly [Px, Px];
    readonly offPx: number;
    readonly mm: number;
  }

  const isEndOn = ([a, b]: readonly [Px, Px], mm: number, at: Vec3) =>
    Math.hypot(b[0] - a[0], b[1] - a[1]) < END_ON * mm * outlook.pxPerMm(at);

  const sizeLines = $derived.by((): (Line & { of: Sizing })[] =>
    (hands?.sizes ?? []).flatMap((of) => {
      const edge = outcome && outerEdge(outcome.box, of.axis, outlook);
      if (!edge) return [];
      const { ends, px, outwards } = edge;
      const mm = of.high - of.low;
      if (isEndOn(px, mm, ends[0])) return [];
      return { id: `size-${of.axis}`, of, ends, px, offPx: BESIDE_PX * outwards, mm };
    }),
  );

  /** Distances lie in the face, through the middle of the step. */
  const distanceLines = $derived.by((): Line[] => {
    const move = hands?.handles.find(({ kind }) => kind === 'move');
    if (!hands || !move || host === plateBox || seen.widthPx < ROOMY_PX) return [];
    return hands.distances.flatMap((of) => {
      const end = (mm: number): Vec3 => {
        const place: [number, number, number] = [...move.at];
        place[axisIndex[of.axis]] = mm;
        return place;
      };
      const ends = [end(of.fromMm), end(of.toMm)] as const;
      const [from, to] = ends.map((place) => outlook.pxOf(place));
      const mm = Math.abs(of.toMm - of.fromMm);
      if (!from || !to || isEndOn([from, to], mm, ends[0])) return [];
      // A shorter one lies under the mark that it leads to.
      if (Math.hypot(to[0] - from[0], to[1] - from[1]) < SHORT_PX) return [];
      return { id: `distance-${of.axis}`, of, ends, px: [from, to] as const, offPx: 0, mm };
    });
  });

  const marks = $derived(
    (hands?.handles ?? []).flatMap((handle) => {
      const at = outlook.pxOf(handle.at);
      return at ? { handle, at } : [];
    }),
  );

  const typed = $derived(
    [...sizeLines, ...distanceLines]
      .filter(({ id }) => id === typing?.id)
      .map((line) => ({ line, first: typing?.first })),
  );

  let svg = $state.raw<SVGSVGElement>();
  /** Asking where the view is while the solid changes makes the browser lay the page out once more. */
  let corner = new DOMRect();
  const pxOf = (event: PointerEvent): Px => [event.clientX - corner.left, event.clientY - corner.top];
  let pressedAt: Px | undefined;
  let heldId: string | undefined;

  function begin(event: PointerEvent, held: Held, id: string): void {
    if (!outcome || !step) return;
    event.stopPropagation();
    event.preventDefault();
    typing = undefined;
    const { stepId, box, since } = outcome;
    corner = (svg as SVGSVGElement).getBoundingClientRect();
    pressedAt = pxOf(event);
    heldId = id;
    dragging.begin(
      held,
      {
        box,
        outlook,
        lines: (axis) => snapLinesOf(axis, bench.recipe.steps, outcomes, stepId, since),
        change: (changes, gesture) => bench.setFields(stepId, changes, gesture),
        isBehind: () => bench.showing.isBehind,
      },
      pressedAt,
    );
    svg?.setPointerCapture(event.pointerId);
  }

  function end(event: PointerEvent): void {
    if (!dragging.held) return;
    const at = pxOf(event);
    const isTap = pressedAt && Math.hypot(at[0] - pressedAt[0], at[1] - pressedAt[1]) < 4;
    dragging.end();
    // An arrow that was pressed and not dragged is to be typed.
    if (isTap && heldId?.startsWith('size')) typing = { id: heldId };
  }

  /** While something is dragged, a number that is typed takes over from the pointer, and Escape lets all be as it was. */
  function onkeydown(event: KeyboardEvent): void {
    const { held } = dragging;
    const isTyped = held && 'size' in held && /^[\d.,]$/.test(event.key);
    if (!held || (!isTyped && event.key !== 'Escape')) return;
    event.preventDefault();
    event.stopPropagation();
    const hasChanged = dragging.end();
    if (isTyped) typing = { id: heldId!, first: event.key };
    else if (hasChanged) bench.undo();
  }

  function take(of: Line['of'], length: Amount, worthMm: number): void {
    if (outcome) bench.setFields(outcome.stepId, of.typed(length, worthMm));
  }

  const sizeEnd = ({ of, ends }: Line & { of: Sizing }, end: SizeEnd['end']): SizeEnd => ({
    size: of,
    end,
    at: ends[end === 'high' ? 1 : 0],
  });

  function middleOf({ px: [a, b], offPx }: Line): Px {
    const long = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
    return [
      (a[0] + b[0]) / 2 + ((b[1] - a[1]) / long) * offPx,
      (a[1] + b[1]) / 2 - ((b[0] - a[0]) / long) * offPx,
    ];
  }
</script>

<svelte:window onkeydowncapture={onkeydown} />

<div class="pointer-events-none absolute inset-0" data-testid="hands">
  <svg
    bind:this={svg}
    width={seen.widthPx}
    height={seen.heightPx}
    class="block touch-none will-change-transform select-none"
    aria-hidden="true"
    onpointermove={(event) => dragging.move(pxOf(event), event.altKey)}
    onpointerup={end}
    onpointercancel={() => dragging.end()}
  >
    {#each distanceLines as line (line.id)}
      <SizeLine
        label={line.of.label}
        px={line.px}
        mm={line.mm}
        offPx={0}
        tone="var(--color-primary-700)"
        ontype={() => (typing = { id: line.id })}
      />
    {/each}
    {#each sizeLines as line (line.id)}
      <SizeLine
        label={line.of.label}
        px={line.px}
        mm={line.mm}
        offPx={line.offPx}
        ends={line.of.ends}
        onbegin={(event, end) => begin(event, sizeEnd(line, end), line.id)}
        ontype={() => (typing = { id: line.id })}
      />
    {/each}
    {#each marks as { handle, at } (handle.kind)}
      <HandMark {handle} {outlook} {at} onbegin={(event) => begin(event, handle, handle.kind)} />
    {/each}
    {#if dragging.pointer}<CaughtWords lines={dragging.caught} at={dragging.pointer} />{/if}
  </svg>
  <!-- A list of none or one, so that what is taken away is not asked once more what it was. -->
  {#each typed as { line, first } (line.id)}
    <TypedFigure
      label={line.of.label}
      at={middleOf(line)}
      mm={line.mm}
      {first}
      measures={bench.measures}
      ontyped={(length, worthMm) => take(line.of, length, worthMm)}
      onclose={() => (typing = undefined)}
    />
  {/each}
</div>
