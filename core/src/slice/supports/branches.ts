import { extentOf, signedAreaOf, type Outline } from '../../plane/index.ts';
import type { Area, Kernel } from '../../solid/index.ts';
import { usable } from './columns.ts';
import type { HeldLayer } from './heldLayer.ts';
import type { LayerSection } from './hangingAreas.ts';
import type { KeepAway } from './keepAway.ts';
import { middleOf } from './middleOf.ts';

/** What is held is shared out among branches by squares of this size, which a cut of that width parts, mm. */
const CELL_MM = 8;
const CUT_MM = 0.04;
/** A branch gets no thinner than twice this, mm. */
const CORE_MM = 1.2;
/** How far a branch narrows, or leans, for each millimetre that it goes down. */
const NARROWING = Math.tan((34 * Math.PI) / 180);
const LEAN = Math.tan((28 * Math.PI) / 180);
/** Branches whose middles are further apart do not join, mm; nor do those that cover more than that, mm². */
const FARTHEST_MM = 24;
const THIN_MM2 = 14;
const ROUGH_MM = 0.1;
/** Smaller openings are closed, mm²; and areas that share less do not touch. */
const PORE_MM2 = 5;
const TOUCHING_MM2 = 0.02;
/** What begins is so much wider than what it holds, mm. */
const OVERLAP_MM = 0.35;
/** Branches narrow and lean every so many layers: in between they are as they were, and are laid with the same lines. */
const STEP_LAYERS = 2;
/** Areas that differ by less are the same, mm². */
const SAME_MM2 = 0.02;

/**
 * Supports that narrow from what they hold to thin branches, lean towards each other and join, so that few of them stand on
 * the plate. No side of one leans further than plastic can be laid.
 *
 * @param held what the supports of each layer hold, from the plate upwards
 * @param bounds how far they may reach
 */
export function branches(
  kernel: Kernel,
  held: readonly HeldLayer[],
  layers: readonly LayerSection[],
  keepAway: KeepAway,
  bounds: Area,
): (Area | undefined)[] {
  const cuts = gridOver(kernel, bounds);
  const areas = held.map((): Area | undefined => undefined);
  let above: Area | undefined;
  for (let index = held.length - 1; index >= 0; index--) {
    const { onto } = held[index];
    if (!above && !onto) continue;
    const away = keepAway.at(index);
    const isStep = index % STEP_LAYERS === 0;
    const { zMm } = layers[index];
    const stepMm = zMm - (layers[index - STEP_LAYERS]?.zMm ?? 0);
    const lowered = above && isStep ? leaning(kernel, narrowed(above, stepMm), away, { zMm, stepMm }) : above;
    // Beside the part it overlaps what narrows away from there.
    const begun = onto?.grown(OVERLAP_MM, 'sharp').and(bounds).without(cuts);
    const wanted = lowered && begun ? lowered.with(begun) : (lowered ?? begun!);
    const free = wanted.without(away).simplified(ROUGH_MM);
    const isSame = wanted === above && wanted.mm2() - free.mm2() < SAME_MM2;
    areas[index] = isSame ? areas[index + 1] : usable(withoutPores(kernel, free, away));
    above = isSame ? above : free.isEmpty() ? undefined : free;
  }
  return areas;
}

/** Thin cuts between squares. */
function gridOver(kernel: Kernel, bounds: Area): Area {
  const { x, y } = extentOf(bounds.outlines());
  const strips: Outline[] = [];
  const add = (left: number, front: number, right: number, back: number) =>
    strips.push([
      [left, front],
      [right, front],
      [right, back],
      [left, back],
    ]);
  for (let at = CELL_MM * Math.ceil(x.low / CELL_MM); at <= x.high; at += CELL_MM)
    add(at, y.low - 1, at + CUT_MM, y.high + 1);
  for (let at = CELL_MM * Math.ceil(y.low / CELL_MM); at <= y.high; at += CELL_MM)
    add(x.low - 1, at, x.high + 1, at + CUT_MM);
  return bounds.made(kernel, strips);
}

/** Branches a layer further down: narrower, but for what is thin already. */
function narrowed(area: Area, stepMm: number): Area {
  const core = area.grown(-CORE_MM, 'sharp');
  if (core.isEmpty()) return area;
  const narrow = area.grown(-NARROWING * stepMm, 'sharp');
  const thin = usable(area.without(core.grown(CORE_MM * 1.05, 'sharp')));
  return thin ? narrow.with(thin) : narrow;
}

/** Thin branches, each a little nearer to the one that it can join before the plate. */
function leaning(
  kernel: Kernel,
  area: Area,
  away: Area,
  { zMm, stepMm }: { readonly zMm: number; readonly stepMm: number },
): Area {
  const pieces = area
    .pieces()
    .map((piece) => ({ piece, at: middleOf(piece), isThin: piece.mm2() < THIN_MM2 }));
  const thin = pieces.filter(({ isThin }) => isThin);
  if (thin.length < 2) return area;
  const outlines = pieces.flatMap(({ piece, at: [x, y], isThin }) => {
    const goal = isThin ? partnerOf([x, y], thin, zMm) : undefined;
    if (!goal) return piece.outlines();
    const [dx, dy] = [goal[0] - x, goal[1] - y];
    const share = Math.min(1, (LEAN * stepMm) / Math.hypot(dx, dy));
    const moved = piece.shifted(share * dx, share * dy);
    return (moved.and(away).mm2() > TOUCHING_MM2 ? piece : moved).outlines();
  });
  return area.made(kernel, outlines);
}

/** The middle between a thin branch and the nearest other that it can join. */
function partnerOf(
  [x, y]: readonly [number, number],
  thin: readonly { readonly at: readonly [number, number] }[],
  leftMm: number,
): readonly [number, number] | undefined {
  let nearest: readonly [number, number] | undefined;
  let leastMm = Math.min(FARTHEST_MM, 2 * LEAN * leftMm);
  for (const { at } of thin) {
    const mm = Math.hypot(at[0] - x, at[1] - y);
    if (mm > 0 && mm < leastMm) [nearest, leastMm] = [[(x + at[0]) / 2, (y + at[1]) / 2], mm];
  }
  return nearest;
}

/** An area without its small openings, but for those that the part goes through. */
function withoutPores(kernel: Kernel, area: Area, away: Area): Area {
  const outlines = area.outlines();
  const isPore = (outline: Outline) => {
    const mm2 = signedAreaOf(outline);
    return mm2 < 0 && mm2 > -PORE_MM2;
  };
  if (!outlines.some(isPore)) return area;
  const closed = outlines.filter((outline) => !isPore(outline));
  return area.made(kernel, closed).without(away);
}
