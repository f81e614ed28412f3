import { extentOf } from '../../plane/index.ts';
import type { Area, Kernel } from '../../solid/index.ts';
import type { Spot } from '../paths/toolpath.ts';
import type { LayerSection } from './hangingAreas.ts';
import { middleOf } from './middleOf.ts';

/** Half of the narrowest opening through which a support is got out, mm. */
const HALF_OPENING_MM = 1.5;
/** So much of an opening has to be free from one height to the next, mm². */
const OPENING_MM2 = 12;
/** How far apart the heights are that are looked at, mm. */
const APART_MM = 1;
const MARGIN_MM = 10;
/** From an opening a tool reaches so far to its sides, mm. */
const REACH_MM = 2.5;

/** A height that is looked at. */
interface Level {
  readonly zMm: number;
  readonly area: Area;
  readonly support: Area | undefined;
}

/**
 * Where supports stand that cannot be taken out, since the part is around them on all sides: a place for each. What is
 * outside of the part is followed from height to height, as far as an opening is wide enough for the jaws of pliers.
 */
export function closedIn(
  kernel: Kernel,
  layers: readonly LayerSection[],
  supports: readonly (Area | undefined)[],
): Spot[] {
  const levels = levelsOf(layers, supports);
  if (levels.length === 0) return [];
  const open = openAreas(kernel, levels);
  /** The pieces of support at each level, and which of them can be reached. */
  const pieces = levels.map(({ support }, i) =>
    (support?.pieces() ?? []).map((area) => ({
      area,
      isReached: !area.and(open[i].grown(HALF_OPENING_MM + REACH_MM)).isEmpty(),
    })),
  );
  // What hangs together with something that is reached comes out with it.
  for (const order of [upwards(levels), upwards(levels).toReversed()]) {
    for (const [from, to] of order.slice(1).map((at, i) => [order[i], at])) {
      for (const piece of pieces[to]) {
        piece.isReached ||= pieces[from].some(
          (other) => other.isReached && !other.area.and(piece.area).isEmpty(),
        );
      }
    }
  }
  return pieces.flatMap((own, i) =>
    own
      .filter(({ isReached }, at) => {
        const isFirst = !pieces[i - 1]?.some((lower) => !lower.area.and(own[at].area).isEmpty());
        return !isReached && isFirst;
      })
      .map(({ area }): Spot => [...middleOf(area), levels[i].zMm]),
  );
}

/** Heights a little apart from the plate to above the highest support, but for those that are like the one below. */
function levelsOf(layers: readonly LayerSection[], supports: readonly (Area | undefined)[]): Level[] {
  const levels: Level[] = [];
  if (supports.every((area) => area === undefined)) return levels;
  layers.forEach(({ zMm, area }, index) => {
    const last = levels.at(-1);
    const support = supports[index];
    const isLike = last?.area === area && last.support === support;
    const isFar = !last || zMm - last.zMm >= APART_MM || index === layers.length - 1;
    if (isFar && !isLike) levels.push({ zMm, area, support });
  });
  return levels;
}

/** What of each height is open to the outside. */
function openAreas(kernel: Kernel, levels: readonly Level[]): Area[] {
  const corners = levels.flatMap(({ area }) => area.outlines().flat());
  const { x, y } = extentOf([corners]);
  const [lowX, lowY, highX, highY] = [
    x.low - MARGIN_MM,
    y.low - MARGIN_MM,
    x.high + MARGIN_MM,
    y.high + MARGIN_MM,
  ];
  const room = levels[0].area.made(kernel, [
    [
      [lowX, lowY],
      [highX, lowY],
      [highX, highY],
      [lowX, highY],
    ],
  ]);
  const free = levels.map(({ area }) => room.without(area.grown(HALF_OPENING_MM)).pieces());
  const isAtEdge = (piece: Area) => extentOf(piece.outlines()).x.low < lowX + MARGIN_MM / 2;
  const isOpen = free.map((pieces, i) => pieces.map((piece) => i === levels.length - 1 || isAtEdge(piece)));
  for (const order of [upwards(levels).toReversed(), upwards(levels), upwards(levels).toReversed()]) {
    for (const [from, to] of order.slice(1).map((at, i) => [order[i], at])) {
      free[to].forEach((piece, at) => {
        isOpen[to][at] ||= free[from].some(
          (other, i) => isOpen[from][i] && other.and(piece).mm2() >= Math.min(OPENING_MM2, piece.mm2() / 2),
        );
      });
    }
  }
  const nothing = room.without(room);
  return free.map((pieces, i) =>
    pieces.filter((_, at) => isOpen[i][at]).reduce((all, piece) => all.with(piece), nothing),
  );
}

const upwards = (levels: readonly Level[]) => levels.map((_, i) => i);
