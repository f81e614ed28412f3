/*
 * A second reading of what hangs, from G-code alone: the lines of each layer are drawn on fine squares, and every line is
 * followed over what was drawn for the layer below. It knows nothing of solids, checks or roles.
 */

import { drawingOf, MOST_HEIGHT_MM, type Ending, type Stroke, type Travel } from './drawing.ts';
import { SAMPLE_MM, samplesOf, type Sample } from './samples.ts';
import { Sheet } from './sheet.ts';

/** What the plastic of a file lies on. */
export interface Witnessed {
  /** Pieces of a layer that touch nothing of the layer below: how high, and how large. */
  readonly islands: readonly { readonly zMm: number; readonly mm2: number }[];
  /** The longest straight line that is drawn through the air from one support to another, mm. */
  readonly longestSpanMm: number;
  /** The longest line in the air that ends or turns there, mm. */
  readonly longestLooseMm: number;
  /** Where that line is. */
  readonly looseAt?: readonly [x: number, y: number, z: number];
  /** The length of all lines whose middle has nothing under it, mm. */
  readonly unsupportedMm: number;
  /** The longest way through the open with the filament not drawn back, mm. */
  readonly openTravelMm: number;
  /** How far the nearest plastic of its layer is from the middle of each place that was asked for, mm. */
  readonly freeMm: readonly number[];
  /** Pieces of the sections that were given where nothing is drawn, mm². */
  readonly lost: readonly { readonly zMm: number; readonly mm2: number }[];
  readonly ending: Ending;
}

/** What a reading is told beyond the G-code. */
export interface WitnessQuestions {
  /** Places to measure what is free around. */
  readonly places?: readonly (readonly [x: number, y: number, z: number])[];
  /** Two corners of the box that the part fills on the plate. */
  readonly corners?: readonly (readonly [number, number])[];
  /** How many layers below a line may lie what holds it; more than one where supports keep a gap under the part. */
  readonly reachLayers?: number;
  /** The outlines of the part at a height, as they lie on the plate. */
  sectionAt?(zMm: number): readonly (readonly (readonly [number, number])[])[];
}

/** A line is clear of what is below where nothing of that is nearer to its middle, mm. */
const CLEAR_MM = 0.45;
/** A line that turns by more than this in the air spans nothing, unless it is as short as this, mm. */
const SHORT_MM = 5;
const STRAIGHT = Math.cos((30 * Math.PI) / 180);
/** Shorter lines in the air, and smaller pieces, are what rounding and squares make, mm and mm². */
const SHORTEST_MM = 0.6;
const SMALLEST_MM2 = 0.3;
/** Lines are round at their ends, so that sharp corners stay empty up to this, mm², and sections are as fine as squares. */
const CORNER_MM2 = 0.6;
const COVERED_MM = 0.2;
/** Nothing further than this is asked of what is free, mm. */
const MOST_FREE_MM = 20;

export function witness(
  gcode: string,
  { places = [], corners, sectionAt, reachLayers = 1 }: WitnessQuestions = {},
): Witnessed {
  const { layers, ending } = drawingOf(gcode);
  const sheet = new Sheet(layers, corners);
  const islands: { zMm: number; mm2: number }[] = [];
  let [longestSpanMm, longestLooseMm, unsupportedMm] = [0, 0, 0];
  let looseAt: readonly [number, number, number] | undefined;
  const lost: { zMm: number; mm2: number }[] = [];
  const freeMm = places.map(() => NaN);
  let openTravelMm = 0;
  let below: Uint8Array | undefined;
  let lower: Uint8Array[] = [];
  for (const [index, { zMm, strokes, travels }] of layers.entries()) {
    const own = sheet.drawn(strokes);
    // Over a gap in the height there is nothing below.
    if (below && zMm - layers[index - 1].zMm > MOST_HEIGHT_MM) below = sheet.drawn([]);
    for (const travel of travels) openTravelMm = Math.max(openTravelMm, openOf(travel, sheet, own, below));
    places.forEach(([x, y, z], i) => {
      if (z <= zMm && z > (layers[index - 1]?.zMm ?? 0)) freeMm[i] = freeAround(sheet, own, [x, y]);
    });
    const section = sectionAt && sheet.filled(sectionAt((zMm + (layers[index - 1]?.zMm ?? 0)) / 2));
    if (section) {
      for (const mm2 of sheet.uncovered(section, own, COVERED_MM))
        if (mm2 > CORNER_MM2) lost.push({ zMm, mm2 });
    }
    // What droops from the second layer lands on the plate, a layer's height below.
    if (below && index > 1) {
      for (const mm2 of sheet.piecesBeside(own, below)) if (mm2 > SMALLEST_MM2) islands.push({ zMm, mm2 });
      for (const stroke of strokes) {
        for (const run of runsInAir(stroke, sheet, below)) {
          unsupportedMm += run.mm;
          if (!run.isClear || run.mm < SHORTEST_MM) continue;
          if (run.isHeld) longestSpanMm = Math.max(longestSpanMm, run.mm);
          else if (run.mm > longestLooseMm) [longestLooseMm, looseAt] = [run.mm, [...run.at, zMm]];
        }
      }
    }
    lower = [own, ...lower].slice(0, reachLayers);
    below =
      lower.length === 1 ? own : own.map((_, square) => (lower.some((each) => each[square] === 1) ? 1 : 0));
  }
  return {
    islands,
    longestSpanMm,
    longestLooseMm,
    looseAt,
    unsupportedMm,
    openTravelMm,
    freeMm,
    lost,
    ending,
  };
}

/** The longest piece of a way that is over nothing of its layer and of the one below, with the filament not drawn back. */
function openOf(
  { from, to, isDrawnBack }: Travel,
  sheet: Sheet,
  own: Uint8Array,
  below?: Uint8Array,
): number {
  if (isDrawnBack) return 0;
  let [longest, mm] = [0, 0];
  for (const { at } of samplesOf({ points: [[...from], [...to]], widthsMm: [0] })) {
    // Between two lines a slot may be open that is narrower than the nozzle.
    const isOpen = !sheet.hasWithin(own, at, CLEAR_MM) && !(below && sheet.hasWithin(below, at, CLEAR_MM));
    mm = isOpen ? mm + SAMPLE_MM : 0;
    longest = Math.max(longest, mm);
  }
  return longest;
}

function freeAround(sheet: Sheet, own: Uint8Array, at: readonly [number, number]): number {
  let mm = 0;
  while (mm < MOST_FREE_MM && !sheet.hasWithin(own, at, mm)) mm += SAMPLE_MM / 2;
  return mm;
}

/** The parts of a line whose middle has nothing under it. */
function runsInAir(stroke: Stroke, sheet: Sheet, below: Uint8Array) {
  const samples = samplesOf(stroke);
  const runs: { mm: number; at: Sample['at']; isClear: boolean; isHeld: boolean }[] = [];
  let open: Sample[] = [];
  const close = (isHeldAfter: boolean, first: number) => {
    if (open.length === 0) return;
    const clear = open.filter(({ at }) => !sheet.hasWithin(below, at, CLEAR_MM));
    const [{ way }] = open;
    const isStraight = open.every((each) => each.way[0] * way[0] + each.way[1] * way[1] > STRAIGHT);
    runs.push({
      mm: open.length * SAMPLE_MM,
      at: open[0].at,
      isClear: clear.length > 0,
      isHeld: (isStraight || open.length * SAMPLE_MM < SHORT_MM) && isHeldAfter && first > 0,
    });
    open = [];
  };
  let first = 0;
  samples.forEach((sample, i) => {
    if (sheet.has(below, sample.at)) return close(true, first);
    if (open.length === 0) first = i;
    open.push(sample);
  });
  close(false, first);
  return runs;
}
