import { extentOf, rectangle } from '../../plane/index.ts';
import type { Area, Kernel } from '../../solid/index.ts';
import type { Spot } from '../paths/toolpath.ts';
import type { LayerSection } from './hangingAreas.ts';
import { middleOf } from './middleOf.ts';
import { apartMm, comesNear, type Stem } from './stem.ts';
import type { SupportShape } from './supportShape.ts';

/** Half of the narrowest opening through which a support is got out, mm. */
const HALF_OPENING_MM = 1.5;
/** So much of an opening has to be free from one height to the next, mm². */
const OPENING_MM2 = 12;
/** How far apart the heights are that are looked at, mm. */
const APART_MM = 1;
const MARGIN_MM = 10;
/** Outlines are followed so roughly, mm: pliers are no finer. */
const ROUGH_MM = 0.15;
/** From an opening a tool reaches so far to its sides, mm. */
const REACH_MM = 2.5;

/** A height that is looked at. */
interface Level {
  readonly zMm: number;
  readonly area: Area;
  readonly support: SupportShape | undefined;
}

/** A piece of support in a level: an area, or a stem. */
type Piece = { isReached: boolean } & ({ readonly area: Area } | { readonly stem: Stem });

/**
 * Where supports stand that cannot be taken out, since the part is around them on all sides: a place for each. What is
 * outside of the part is followed from height to height, as far as an opening is wide enough for the jaws of pliers.
 */
export function closedIn(
  kernel: Kernel,
  layers: readonly LayerSection[],
  supports: readonly (SupportShape | undefined)[],
): Spot[] {
  const levels = levelsOf(layers, supports);
  if (levels.length === 0) return [];
  const within = reachOfTools(kernel, levels);
  /** The pieces of support at each level, and which of them can be reached. */
  const pieces = levels.map(({ support }, i) => piecesOf(support, within[i]));
  // What hangs together with something that is reached comes out with it.
  for (const order of [upwards(levels), upwards(levels).toReversed()]) {
    for (const [from, to] of order.slice(1).map((at, i) => [order[i], at])) {
      for (const piece of pieces[to]) {
        piece.isReached ||= pieces[from].some((other) => other.isReached && touch(other, piece));
      }
    }
  }
  return pieces.flatMap((own, i) =>
    own
      .filter((piece) => !piece.isReached && !pieces[i - 1]?.some((lower) => touch(lower, piece)))
      .map((piece): Spot => [...middleOfPiece(piece), levels[i].zMm]),
  );
}

function piecesOf(support: SupportShape | undefined, reach: Area): Piece[] {
  const areas = support?.solid?.pieces() ?? [];
  const outlines = reach.outlines();
  return [
    ...areas.map((area) => ({ area, isReached: meet(area, reach) })),
    ...(support?.stems ?? []).map((stem) => ({ stem, isReached: comesNear(stem, outlines) })),
  ];
}

/** Whether two pieces, one above the other, hang together. */
function touch(a: Piece, b: Piece): boolean {
  if ('stem' in a)
    return 'stem' in b
      ? apartMm(a.stem, b.stem) < a.stem.radiusMm + b.stem.radiusMm
      : comesNear(a.stem, b.area.outlines());
  return 'stem' in b ? comesNear(b.stem, a.area.outlines()) : meet(a.area, b.area);
}

/** Whether two areas share anything. */
function meet(a: Area, b: Area): boolean {
  const [own, other] = [extentOf(a.outlines()), extentOf(b.outlines())];
  const isApart = (axis: 'x' | 'y') => own[axis].low > other[axis].high || other[axis].low > own[axis].high;
  return !isApart('x') && !isApart('y') && !a.and(b).isEmpty();
}

const middleOfPiece = (piece: Piece) =>
  'stem' in piece ? ([piece.stem.x, piece.stem.y] as const) : middleOf(piece.area.outlines());

/** Heights a little apart from the plate to above the highest support, but for those that are like the one below. */
function levelsOf(layers: readonly LayerSection[], supports: readonly (SupportShape | undefined)[]): Level[] {
  const levels: Level[] = [];
  if (supports.every((shape) => shape === undefined)) return levels;
  layers.forEach(({ zMm, area }, index) => {
    const last = levels.at(-1);
    const support = supports[index];
    const isLike = last?.area === area && last.support === support;
    const isFar = !last || zMm - last.zMm >= APART_MM || index === layers.length - 1;
    if (isFar && !isLike) levels.push({ zMm, area, support });
  });
  return levels;
}

/** How far a tool gets at each height, from what of it is open to the outside. */
function reachOfTools(kernel: Kernel, levels: readonly Level[]): Area[] {
  const corners = levels.flatMap(({ area }) => area.outlines().flat());
  const { x, y } = extentOf([corners]);
  const widened = ({ low, high }: { low: number; high: number }) => ({
    low: low - MARGIN_MM,
    high: high + MARGIN_MM,
  });
  const room = levels[0].area.made(kernel, [rectangle({ x: widened(x), y: widened(y) })]);
  const isAtEdge = (piece: Area) => extentOf(piece.outlines()).x.low < widened(x).low + MARGIN_MM / 2;
  // Levels through the same section have the same room around it.
  const freeAround = onceEach((area: Area) =>
    room.without(area.simplified(ROUGH_MM).grown(HALF_OPENING_MM)).pieces(),
  );
  const free = levels.map(({ area }) => freeAround(area));
  const isOpen = free.map((pieces, i) => pieces.map((piece) => i === levels.length - 1 || isAtEdge(piece)));
  const isOpenTo = (other: Area, piece: Area) =>
    other === piece || other.and(piece).mm2() >= Math.min(OPENING_MM2, piece.mm2() / 2);
  for (const order of [upwards(levels).toReversed(), upwards(levels), upwards(levels).toReversed()]) {
    for (const [from, to] of order.slice(1).map((at, i) => [order[i], at])) {
      free[to].forEach((piece, at) => {
        isOpen[to][at] ||= free[from].some((other, i) => isOpen[from][i] && isOpenTo(other, piece));
      });
    }
  }
  const nothing = room.without(room);
  const wide = onceEach((piece: Area) => piece.grown(HALF_OPENING_MM + REACH_MM));
  return free.map((pieces, i) => {
    const [first, ...rest] = pieces.filter((_, at) => isOpen[i][at]).map(wide);
    return rest.reduce((all, piece) => all.with(piece), first ?? nothing);
  });
}

/** Works something out of each area once. */
function onceEach<T>(compute: (area: Area) => T): (area: Area) => T {
  const kept = new Map<Area, T>();
  return (area) => {
    const known = kept.get(area);
    if (known !== undefined) return known;
    const made = compute(area);
    kept.set(area, made);
    return made;
  };
}

const upwards = (levels: readonly Level[]) => levels.map((_, i) => i);
