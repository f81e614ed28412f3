import { sectionAt, type Vec3 } from '../../mesh/index.ts';
import { EdgeGrid, isInside, nearestOn, type Point, type Region } from '../../plane/index.ts';
import type { LimitsCard } from '../card/limits.ts';
import { judge } from '../result/verdict.ts';
import { cutOfLayerMm, layerAbove } from './layers.ts';
import type { Subject } from './subject.ts';

/** Where a part leans out layer after layer, by steps that are each narrower than a line of plastic. */
export interface SteppedLean {
  /** How far it leans over these layers, ° from the vertical. */
  readonly deg: number;
  readonly at: Vec3;
  readonly faces: readonly number[];
}

/** A place of a layer's outline that reaches out over the layer below. */
interface Reaching {
  readonly at: Point;
  /** Where the lowest of the layers that reach out one over the other begins, and its height. */
  readonly from: Point;
  readonly fromMm: number;
  /** How far they reach out together, and how many they are. */
  readonly sumMm: number;
  readonly layers: number;
}

/** Outlines are looked at in places so far apart, mm. */
const APART_MM = 0.25;
/** Steps reach no further than this, mm: wider ones are ceilings of their own. */
const FURTHEST_MM = 2;
/** What reaches out less than this beyond what the limit allows does so from rounding, mm. */
const SLACK_MM = 0.004;
/** A lean that is nowhere as long as this along the outline of one layer is held by what is beside it, mm. */
const SHORTEST_MM = 2;
/** Places in one square of this side, or in squares beside each other, are of one lean, mm. */
const SAME_PLACE_MM = 2;
const MOST_LAYERS = 400;
/** A cell and those around it. */
const AROUND = [[0, 0], [1, 0], [-1, 0], [0, 1], [0, -1], [1, 1], [1, -1], [-1, 1], [-1, -1]] as const; // oxfmt-ignore

/**
 * The leans of a part that only show from layer to layer: stairs, and surfaces whose triangles point everywhere. A layer's
 * outline may reach out over the one below by as much as the steepest overhang does; where several do more, one over the
 * other and together by more than a line of plastic, they hang. What is closed by a roof that a bridge would span is none.
 *
 * @param narrow faces that lean too far but belong to no ceiling, beside which it is looked
 */
export function steppedLeans(
  subject: Subject,
  narrow: readonly number[],
  {
    maxOverhangDeg,
    maxBridgeMm,
    lineWidthMm,
    layerMm,
  }: Pick<LimitsCard, 'maxOverhangDeg' | 'maxBridgeMm' | 'lineWidthMm' | 'layerMm'>,
): SteppedLean[] {
  if (narrow.length === 0 || maxOverhangDeg > 89) return [];
  const { layers, near } = neighbourhoodOf(subject, narrow, layerMm);
  const allowedMm = layerMm * Math.tan((maxOverhangDeg * Math.PI) / 180) + SLACK_MM;
  const found: (Reaching & { zMm: number })[] = [];
  let below: { index: number; region: Region; reaching: Reaching[] } | undefined;
  for (const index of layers) {
    const zMm = cutOfLayerMm(index, layerMm);
    const region = regionAt(subject, zMm);
    const under =
      below?.index === index - 1 ? below : { region: regionAt(subject, zMm - layerMm), reaching: [] };
    const reaching =
      under.region.length > 0 ? reachingOut(region, under, near, zMm - layerMm, allowedMm) : [];
    for (const each of reaching) {
      const deg = leanOf(each, layerMm);
      if (each.layers < 2 || each.sumMm <= lineWidthMm) continue;
      if (judge(deg, 'atMost', maxOverhangDeg) === 'fail') found.push({ ...each, zMm });
    }
    below = { index, region, reaching };
  }
  return gathered(found).flatMap((places): SteppedLean[] => {
    const furthest = places.reduce((a, b) => (b.sumMm > a.sumMm ? b : a));
    if (isSpanned(subject, places, maxBridgeMm)) return [];
    const faces = facesNear(subject, narrow, places);
    return [{ deg: leanOf(furthest, layerMm), at: [...furthest.at, furthest.zMm], faces }];
  });
}

const leanOf = ({ sumMm, layers }: Reaching, layerMm: number) =>
  (Math.atan2(sumMm, layers * layerMm) * 180) / Math.PI;

const regionAt = ({ mesh }: Subject, zMm: number): Region => sectionAt(mesh, zMm).map(({ points }) => points);

/** The layers that faces belong to, from the lowest, and what tells whether a place lies near one of them as seen from above. */
function neighbourhoodOf(
  { mesh: { positions: p, triangles: t } }: Subject,
  faces: readonly number[],
  layerMm: number,
) {
  const layers = new Set<number>();
  const cells = new Set<string>();
  for (const f of faces) {
    const [xs, ys, zs] = [0, 1, 2].map((axis) => [0, 1, 2].map((k) => p[3 * t[3 * f + k] + axis]));
    const layerOf = (zMm: number) => Math.max(1, layerAbove(zMm, layerMm));
    for (let i = layerOf(Math.min(...zs)); i <= layerOf(Math.max(...zs)); i++) layers.add(i);
    for (let x = Math.floor(Math.min(...xs)) - 1; x <= Math.max(...xs) + 1; x++) {
      for (let y = Math.floor(Math.min(...ys)) - 1; y <= Math.max(...ys) + 1; y++) cells.add(`${x} ${y}`);
    }
  }
  return {
    layers: [...layers].sort((a, b) => a - b).slice(0, MOST_LAYERS),
    near: ([x, y]: Point) => cells.has(`${Math.floor(x)} ${Math.floor(y)}`),
  };
}

/** The places of a layer that reach out over the one below by more than is allowed. */
function reachingOut(
  region: Region,
  under: { readonly region: Region; readonly reaching: readonly Reaching[] },
  near: (place: Point) => boolean,
  underMm: number,
  allowedMm: number,
): Reaching[] {
  const grid = new EdgeGrid(under.region, FURTHEST_MM);
  const beneath = new Map<string, Reaching>();
  const cellOf = ([x, y]: Point) => [Math.round(x / APART_MM), Math.round(y / APART_MM)] as const;
  for (const each of under.reaching) beneath.set(cellOf(each.at).join(), each);
  const reachingAt = (place: Point): Reaching | undefined => {
    const [column, row] = cellOf(place);
    for (const [dx, dy] of AROUND) {
      const found = beneath.get(`${column + dx},${row + dy}`);
      if (found) return found;
    }
    return undefined;
  };
  return region.flatMap((outline) =>
    placesAlong(outline).flatMap((at): Reaching[] => {
      if (!near(at)) return [];
      const { mm, nearest } = nearestOn(grid, at);
      if (mm <= allowedMm || mm > FURTHEST_MM) return [];
      if (under.region.filter((other) => isInside(at, other)).length % 2 === 1) return [];
      const before = reachingAt(nearest);
      return [
        before
          ? { ...before, at, sumMm: before.sumMm + mm, layers: before.layers + 1 }
          : { at, from: nearest, fromMm: underMm, sumMm: mm, layers: 1 },
      ];
    }),
  );
}

/** Places evenly along an outline; short edges share them. */
function placesAlong(outline: readonly Point[]): Point[] {
  const places: Point[] = [];
  let due = APART_MM / 2;
  outline.forEach((from, i) => {
    const to = outline[(i + 1) % outline.length];
    const mm = Math.hypot(to[0] - from[0], to[1] - from[1]);
    for (; due < mm; due += APART_MM) {
      const share = due / mm;
      places.push([from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1])]);
    }
    due -= mm;
  });
  return places;
}

/** So many of the places of a lean tell whether it closes an opening. */
const MOST_ASKED = 9;

/** Whether the layers of a lean reach out, at most of its places, over an opening that a bridge would span and that is closed further up. */
function isSpanned(subject: Subject, places: readonly Reaching[], maxBridgeMm: number): boolean {
  const every = Math.ceil(places.length / MOST_ASKED);
  const asked = places.filter((_, i) => i % every === 0);
  const spanned = asked.filter((place) => {
    const { from, fromMm, at } = place;
    const out = Math.hypot(at[0] - from[0], at[1] - from[1]);
    const way: Point = [(at[0] - from[0]) / out, (at[1] - from[1]) / out];
    const across = distanceAlong(regionAt(subject, fromMm), from, way);
    if (judge(across, 'atMost', maxBridgeMm) === 'fail') return false;
    const middle: Vec3 = [from[0] + (across / 2) * way[0], from[1] + (across / 2) * way[1], fromMm];
    return subject.tree.firstHit(middle, [0, 0, 1], [0, maxBridgeMm]) !== undefined;
  });
  return spanned.length > asked.length / 2;
}

/** How far it is from an outline of a region across the air to the next, mm. */
function distanceAlong(region: Region, [x, y]: Point, [ux, uy]: Point): number {
  let across = Infinity;
  for (const outline of region) {
    let a = outline[outline.length - 1];
    let sideA = (a[0] - x) * uy - (a[1] - y) * ux;
    for (const b of outline) {
      const sideB = (b[0] - x) * uy - (b[1] - y) * ux;
      if (sideA < 0 !== sideB < 0) {
        const share = sideA / (sideA - sideB);
        const along = (a[0] + share * (b[0] - a[0]) - x) * ux + (a[1] + share * (b[1] - a[1]) - y) * uy;
        if (along > APART_MM) across = Math.min(across, along);
      }
      [a, sideA] = [b, sideB];
    }
  }
  return across;
}

/** Places in groups that hang together as seen from above, square beside square, without those that are too short. */
function gathered<Place extends Reaching & { readonly zMm: number }>(places: readonly Place[]): Place[][] {
  const squares = new Map<string, Place[]>();
  const keyOf = (column: number, row: number) => `${column} ${row}`;
  const squareOf = ({ at }: Place) => [Math.floor(at[0] / SAME_PLACE_MM), Math.floor(at[1] / SAME_PLACE_MM)];
  for (const place of places) {
    const [column, row] = squareOf(place);
    const key = keyOf(column, row);
    squares.set(key, [...(squares.get(key) ?? []), place]);
  }
  const groups: Place[][] = [];
  for (const [key, first] of squares) {
    squares.delete(key);
    const open = [first];
    for (const square of open) {
      const [column, row] = squareOf(square[0]);
      for (let dx = -1; dx <= 1; dx++) {
        for (let dy = -1; dy <= 1; dy++) {
          const beside = squares.get(keyOf(column + dx, row + dy));
          if (beside) open.push(beside);
          squares.delete(keyOf(column + dx, row + dy));
        }
      }
    }
    const group = open.flat();
    if (longestInLayer(group) >= SHORTEST_MM) groups.push(group);
  }
  return groups;
}

/** How far places follow each other in the layer that has most of them, mm. */
function longestInLayer(places: readonly { readonly zMm: number }[]): number {
  const counts = new Map<number, number>();
  for (const { zMm } of places) counts.set(zMm, (counts.get(zMm) ?? 0) + 1);
  return Math.max(...counts.values()) * APART_MM;
}

/** Those of some faces that lie where places are. */
function facesNear(
  { mesh: { positions: p, triangles: t } }: Subject,
  faces: readonly number[],
  places: readonly Reaching[],
): number[] {
  const cells = new Set(places.map(({ at: [x, y] }) => `${Math.floor(x)} ${Math.floor(y)}`));
  return faces.filter((f) => {
    const [x, y] = [0, 1].map((axis) =>
      [0, 1, 2].reduce((sum, k) => sum + p[3 * t[3 * f + k] + axis] / 3, 0),
    );
    return [-1, 0, 1].some((dx) =>
      [-1, 0, 1].some((dy) => cells.has(`${Math.floor(x) + dx} ${Math.floor(y) + dy}`)),
    );
  });
}
