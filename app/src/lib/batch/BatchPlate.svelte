<script lang="ts">
  import { hexOf } from '@kelbrin/core/colours';
  import { plateSize, type MachineSheet } from '@kelbrin/core/machine';
  import { nearestOnOutlines } from '@kelbrin/core/plane';
  import {
    conflictsOf,
    coveredBy,
    nearestPlace,
    onPart,
    onPlate,
    outsideOfSheet,
    type Plate,
    type Pose,
  } from '@kelbrin/core/plate';
  import type { BatchPart } from '$lib/server/printing/batches/batchParts';
  import type { PrintChoice } from '@kelbrin/core/slice';
  import { firstColour } from '$lib/shared/batchColours';
  import { tooHigh } from '$lib/shared/placeProblem';
  import { gapOf } from '$lib/shared/plate';
  import { batchTexts as say } from '$lib/texts/batch';
  import { areaPath } from './areaPath';
  import SeamMark from './SeamMark.svelte';

  interface Props {
    parts: BatchPart[];
    plate: Plate;
    /** How it is printed: how far apart parts have to be. */
    choice: PrintChoice;
    /** The printer that it is for, where that is known: its plate may be smaller. */
    sheet?: MachineSheet | undefined;
    colour: string;
    /** Numbers instead of handles, for the sheet. */
    isSheet?: boolean;
    chosen?: string;
    move?: (entryId: string, place: Pose, isDone: boolean) => void;
    takeOff?: (entryId: string) => void;
    /** Has the marked part begin its lines somewhere else. */
    moveSeam?: (entryId: string, at: [number, number]) => void;
  }
  let {
    parts,
    plate,
    choice,
    sheet,
    colour,
    isSheet = false,
    chosen = $bindable(),
    move,
    takeOff,
    moveSeam,
  }: Props = $props();

  const NUDGE_MM = 1;
  const TURN_DEG = 15;
  const TICK_MM = 10;

  let svg: SVGSVGElement;
  /** How far a part that is let go too near others is looked for room. */
  const SNAP_MM = 12;

  let grip: { entryId: string; dx: number; dy: number } | undefined;

  /** A part is seen in the colour that it is wished to begin in, or in that of the roll. */
  function fillOf({ colours }: BatchPart): string {
    const wished = firstColour(colours);
    return wished ? hexOf(wished) : colour;
  }

  const marked = $derived(parts.find(({ entryId }) => entryId === chosen));
  const inTenths = ([x, y]: readonly [number, number]): [number, number] => [
    Math.round(10 * x) / 10,
    Math.round(10 * y) / 10,
  ];

  const gapMm = $derived(gapOf(choice, sheet?.head));
  const conflicts = $derived(
    conflictsOf(
      parts.map((part) => ({ ...part, id: part.entryId })),
      plate,
      gapMm,
    ),
  );
  const isSmaller = $derived.by(() => {
    if (!sheet) return false;
    const [widthMm, depthMm] = plateSize(sheet.plate);
    return widthMm < plate.widthMm || depthMm < plate.depthMm;
  });
  const offSheet = $derived(
    sheet
      ? outsideOfSheet(
          parts.map((part) => ({ ...part, id: part.entryId })),
          plate,
          sheet,
        )
      : [],
  );
  const wrong = $derived(
    new Set([
      ...conflicts.pairs.flat(),
      ...conflicts.outside,
      ...offSheet,
      ...(choice.isOneByOne ? tooHigh(parts, sheet?.head) : []),
    ]),
  );
  const ticks = (lengthMm: number) =>
    Array.from({ length: Math.floor(lengthMm / TICK_MM) + 1 }, (_, i) => i * TICK_MM);

  /** A pointer's place in mm on the plate, whose y runs to the back. */
  function placeOf(event: PointerEvent): [number, number] {
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(
      svg.getScreenCTM()!.inverse(),
    );
    return [x, plate.depthMm - y];
  }
  function take(event: PointerEvent, part: BatchPart) {
    if (!move) return;
    const [x, y] = placeOf(event);
    grip = { entryId: part.entryId, dx: part.xMm - x, dy: part.yMm - y };
    chosen = part.entryId;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
  }
  function drag(event: PointerEvent, part: BatchPart, isDone: boolean) {
    if (grip?.entryId !== part.entryId) return;
    const [x, y] = placeOf(event);
    const { dx, dy } = grip;
    const to = { xMm: x + dx, yMm: y + dy };
    if (!isDone) return put(part, to, false);
    grip = undefined;
    // With Alt it stays just where it is let go.
    put(part, event.altKey ? to : { ...to, ...apart(part, to) });
  }
  /** The nearest place to where a part is let go at which it keeps its distance; none if that is far. */
  function apart(part: BatchPart, to: { xMm: number; yMm: number }) {
    const asPlaced = ({ entryId, ...each }: BatchPart) => ({ ...each, id: entryId });
    const others = parts.filter(({ entryId }) => entryId !== part.entryId).map(asPlaced);
    return nearestPlace({ ...asPlaced(part), ...to }, others, plate, gapMm, SNAP_MM);
  }
  function put(part: BatchPart, to: Partial<BatchPart>, isDone = true) {
    const { xMm, yMm, turnDeg } = { ...part, ...to };
    const within = (mm: number, most: number) => Math.round(Math.min(most, Math.max(0, mm)) * 10) / 10;
    const place = {
      xMm: within(xMm, plate.widthMm),
      yMm: within(yMm, plate.depthMm),
      turnDeg: (turnDeg + 360) % 360,
    };
    move?.(part.entryId, place, isDone);
  }
  function press(event: KeyboardEvent, part: BatchPart) {
    const by = event.shiftKey ? 10 * NUDGE_MM : event.altKey ? NUDGE_MM / 10 : NUDGE_MM;
    const { xMm, yMm, turnDeg } = part;
    if (event.key === 'ArrowLeft') put(part, { xMm: xMm - by });
    else if (event.key === 'ArrowRight') put(part, { xMm: xMm + by });
    else if (event.key === 'ArrowUp') put(part, { yMm: yMm + by });
    else if (event.key === 'ArrowDown') put(part, { yMm: yMm - by });
    else if (event.key === 'r') put(part, { turnDeg: turnDeg + TURN_DEG });
    else if (event.key === 'R') put(part, { turnDeg: turnDeg - TURN_DEG });
    else if (event.key === 'Delete') takeOff?.(part.entryId);
    else return;
    event.preventDefault();
  }
</script>

<svg
  bind:this={svg}
  viewBox="-7 -3 {plate.widthMm + 10} {plate.depthMm + 11}"
  class="h-full w-full touch-none select-none"
  role="group"
  aria-label={say.plateOf(plate.widthMm, plate.depthMm)}
>
  <defs>
    <pattern id="trouble" width="3" height="3" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <line x1="0" x2="0" y1="0" y2="3" stroke="var(--color-fail)" stroke-width="1.2" />
    </pattern>
  </defs>
  <rect
    width={plate.widthMm}
    height={plate.depthMm}
    rx="2"
    fill={isSheet ? 'none' : '#3B4747'}
    stroke="#3B4747"
    stroke-width="0.6"
  />
  {#if sheet && isSmaller}
    <!-- Where the plate of the printer ends, in the middle of which the batch will lie. -->
    <g fill="none" stroke={isSheet ? '#3B4747' : '#E8C98A'} stroke-width="0.6">
      {#if sheet.plate.shape === 'round'}
        <circle cx={plate.widthMm / 2} cy={plate.depthMm / 2} r={sheet.plate.diameterMm / 2} />
      {:else}
        <rect
          x={(plate.widthMm - sheet.plate.widthMm) / 2}
          y={(plate.depthMm - sheet.plate.depthMm) / 2}
          width={sheet.plate.widthMm}
          height={sheet.plate.depthMm}
        />
      {/if}
    </g>
  {/if}
  <rect
    x={plate.edgeMm}
    y={plate.edgeMm}
    width={plate.widthMm - 2 * plate.edgeMm}
    height={plate.depthMm - 2 * plate.edgeMm}
    fill="none"
    stroke={isSheet ? '#3B4747' : '#8FA09D'}
    stroke-width="0.3"
    stroke-dasharray="2 2"
  />
  <g stroke="#3B4747" stroke-width="0.4" class="measured" font-size="5" fill="#22302E">
    {#each ticks(plate.widthMm) as mm (mm)}
      <line x1={mm} x2={mm} y1={plate.depthMm} y2={plate.depthMm + (mm % 50 === 0 ? 3 : 1.5)} />
      {#if mm % 50 === 0}<text x={mm} y={plate.depthMm + 7} text-anchor="middle" stroke="none">{mm}</text
        >{/if}
    {/each}
    {#each ticks(plate.depthMm) as mm (mm)}
      <line x1={mm % 50 === 0 ? -3 : -1.5} x2="0" y1={plate.depthMm - mm} y2={plate.depthMm - mm} />
    {/each}
  </g>
  {#each parts as part, i (part.entryId)}
    {@const path = areaPath(coveredBy(part.footprint, part), plate.depthMm)}
    {#snippet shape()}
      <path
        d={path}
        fill={isSheet ? 'none' : fillOf(part)}
        fill-rule="evenodd"
        stroke={chosen === part.entryId ? '#FAF7F0' : '#22302E'}
        stroke-width={chosen === part.entryId ? 1.4 : 0.5}
      />
      {#if wrong.has(part.entryId) && !isSheet}
        <path d={path} fill="url(#trouble)" stroke="var(--color-fail)" stroke-width="0.8" />
      {/if}
      <text
        x={part.xMm}
        y={plate.depthMm - part.yMm}
        text-anchor="middle"
        dominant-baseline="central"
        font-size="6"
        font-weight="600"
        fill="#22302E"
        stroke="#FAF7F0"
        stroke-width="1.2"
        paint-order="stroke"
        pointer-events="none">{isSheet ? `${i + 1}` : part.student}</text
      >
    {/snippet}
    {#if isSheet}
      <g>{@render shape()}</g>
    {:else}
      <g
        role="button"
        tabindex="0"
        aria-label={say.part(part.student)}
        aria-pressed={chosen === part.entryId}
        data-wrong={wrong.has(part.entryId)}
        class="cursor-grab outline-none"
        onpointerdown={(event) => take(event, part)}
        onpointermove={(event) => drag(event, part, false)}
        onpointerup={(event) => drag(event, part, true)}
        onkeydown={(event) => press(event, part)}
        onfocus={() => (chosen = part.entryId)}
      >
        {@render shape()}
      </g>
    {/if}
  {/each}
  {#if moveSeam && marked?.ownChoice?.seamAtMm}
    <SeamMark
      student={marked.student}
      at={onPlate(marked)(marked.ownChoice.seamAtMm)}
      depthMm={plate.depthMm}
      onPlate={placeOf}
      nearest={(at) => nearestOnOutlines(at, coveredBy(marked.footprint, marked))}
      put={(at) => moveSeam(marked.entryId, inTenths(onPart(marked)(at)))}
    />
  {/if}
</svg>
