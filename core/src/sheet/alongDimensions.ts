import type { Point } from '../plane/index.ts';
import { TEXT_MM, type Ink, type Rect } from './ink.ts';

/** A place along one direction of a view that is measured from the side that all are measured from. */
export interface MeasuredPlace {
  /** Along the direction on paper, from the lower or left side of the view, mm. */
  readonly at: number;
  /** Where its extension line begins, across the direction, mm from the side of the view that dimensions stand at. */
  readonly start: number;
  readonly words: string;
}

/** The side of a view that a row of dimensions stands at. */
export type Side = 'below' | 'left' | 'right' | 'above';

/** The places of a direction, with the side that they are measured from. */
export interface MeasuredDirection {
  readonly side: Side;
  /** Where they are measured from, along the direction, mm on paper. */
  readonly zero: MeasuredPlace;
  readonly places: readonly MeasuredPlace[];
  /** How much farther from the view than else they stand, mm. */
  readonly clearMm: number;
}

/** From the view to the first row of dimensions, and from row to row, mm (ISO 129-1 asks for room to read them). */
const FIRST_ROW_MM = 8;
const ROW_MM = 6;
/** Extension lines begin beside what they measure and go on past the dimension line, mm. */
const GAP_MM = 0.8;
const PAST_MM = 1.6;
/** More places than this are measured along one line, from a common origin. */
const MOST_ROWS = 3;
/** Figures that are written upwards beside each other are so far apart, mm. */
const RUNNING_MM = TEXT_MM * 1.5;

/** Puts a place that lies along a direction and so far outwards from a view onto paper. */
type Placed = (along: number, outwards: number) => Point;

function placedAt(side: Side, [width, height]: readonly [number, number]): Placed {
  switch (side) {
    case 'below':
      return (along, outwards) => [along, -outwards];
    case 'above':
      return (along, outwards) => [along, height + outwards];
    case 'left':
      return (along, outwards) => [-outwards, along];
    case 'right':
      return (along, outwards) => [width + outwards, along];
  }
}

/**
 * Draws dimensions from a common side: each on a line of its own, or, where they are many, along one line from an origin
 * (parallel and running dimensioning of ISO 129-1).
 *
 * @param size of the view on paper, mm
 * @returns what the figures cover
 */
export function drawAlong(
  ink: Ink,
  { side, zero, places, clearMm }: MeasuredDirection,
  size: readonly [number, number],
): Rect[] {
  if (places.length === 0) return [];
  const at = placedAt(side, size);
  const sorted = [...places].sort((a, b) => Math.abs(a.at - zero.at) - Math.abs(b.at - zero.at));
  const along = { side, at, first: FIRST_ROW_MM + clearMm, zero, places: sorted };
  return sorted.length > MOST_ROWS ? drawRunning(ink, along) : drawRows(ink, along);
}

/** Places in the order in which they are measured, with the way onto paper and the first row of dimensions. */
interface Along {
  readonly side: Side;
  readonly at: Placed;
  readonly first: number;
  readonly zero: MeasuredPlace;
  readonly places: readonly MeasuredPlace[];
}

function drawRows(ink: Ink, { side, at, first, zero, places }: Along): Rect[] {
  const isFlat = side === 'below' || side === 'above';
  const last = first + (places.length - 1) * ROW_MM + PAST_MM;
  ink.line('thin', at(zero.at, -zero.start + GAP_MM), at(zero.at, last));
  return places.map((place, i) => {
    const row = first + i * ROW_MM;
    ink.line('thin', at(place.at, -place.start + GAP_MM), at(place.at, row + PAST_MM));
    const [low, high] = [Math.min(zero.at, place.at), Math.max(zero.at, place.at)];
    const width = ink.widthOf(place.words);
    const hasRoom = high - low > width + 1;
    const hasArrowsInside = high - low > 8;
    const out = hasArrowsInside ? 0 : 4;
    const beside = hasRoom ? 0 : out + width + 1.5;
    ink.line('thin', at(low - out, row), at(high + Math.max(out, beside), row));
    const turn = isFlat ? 0 : Math.PI / 2;
    ink.arrow(at(low, row), turn + (hasArrowsInside ? Math.PI : 0));
    ink.arrow(at(high, row), turn + (hasArrowsInside ? 0 : Math.PI));
    // Figures stand above their line, or to the left of one that goes upwards.
    const above = side === 'below' || side === 'right' ? -0.7 : 0.7;
    const middle = hasRoom ? (low + high) / 2 : high + out + 0.5 + width / 2;
    return ink.text(place.words, at(middle, row + above), { align: 'middle', isUpright: !isFlat });
  });
}

function drawRunning(ink: Ink, { side, at, first, zero, places }: Along): Rect[] {
  const isFlat = side === 'below' || side === 'above';
  const all = [zero, ...places].sort((a, b) => a.at - b.at);
  const spread = spreadApart(
    all.map((place) => place.at),
    RUNNING_MM,
  );
  const [low, high] = [all[0].at, all[all.length - 1].at];
  ink.line('thin', at(low, first), at(high, first));
  ink.line('thin', ...circleAround(at(zero.at, first), 0.9));
  const way = Math.sign(places[places.length - 1].at - zero.at) || 1;
  return all.map((place, i) => {
    const end = first + PAST_MM;
    ink.line('thin', at(place.at, -place.start + GAP_MM), at(place.at, first), at(spread[i], end));
    if (place !== zero) ink.arrow(at(place.at, first), (isFlat ? 0 : Math.PI / 2) + (way < 0 ? Math.PI : 0));
    // Each figure goes on from the end of its extension line.
    const isOutward = side === 'below' || side === 'left';
    const [x, y] = at(spread[i], end + 0.6);
    const half = TEXT_MM / 2;
    return ink.text(place.words, isFlat ? [x + half, y] : [x, y - half], {
      isUpright: isFlat,
      align: isOutward ? 'right' : 'left',
    });
  });
}

function circleAround([x, y]: Point, radius: number): Point[] {
  return Array.from({ length: 17 }, (_, i): Point => {
    const angle = (i * Math.PI) / 8;
    return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)];
  });
}

/** Places in order, moved as little as keeps them so far apart: groups that are too close spread about their middle. */
export function spreadApart(places: readonly number[], apart: number): number[] {
  const groups: { middle: number; count: number }[] = [];
  for (const place of places) {
    groups.push({ middle: place, count: 1 });
    for (;;) {
      const [a, b] = [groups.at(-2), groups.at(-1)!];
      if (!a || b.middle - a.middle >= ((a.count + b.count) / 2) * apart) break;
      const count = a.count + b.count;
      const middle = (a.middle * a.count + b.middle * b.count) / count;
      groups.splice(-2, 2, { middle, count });
    }
  }
  return groups.flatMap(({ middle, count }) =>
    Array.from({ length: count }, (_, i) => middle + (i - (count - 1) / 2) * apart),
  );
}
