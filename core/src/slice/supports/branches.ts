import {
  extentOf,
  isInRegion,
  rectangle,
  signedAreaOf,
  type Extent,
  type Outline,
  type Point,
  type Region,
} from '../../plane/index.ts';
import type { Area, Kernel } from '../../solid/index.ts';
import { usable } from './columns.ts';
import type { LayerSection } from './hangingAreas.ts';
import type { HeldLayer } from './heldLayer.ts';
import type { KeepAway } from './keepAway.ts';
import { middleOf } from './middleOf.ts';
import { leaning, type Room } from './leaning.ts';
import { placeSeeingAll } from './seeingAll.ts';
import { apartMm, circleOf, comesNear, type Stem } from './stem.ts';
import { SupportShape, type MakesArea } from './supportShape.ts';

/** What is held is shared out among branches by squares of this size, which a cut of that width parts, mm. */
const CELL_MM = 8;
const CUT_MM = 0.04;
/** A branch gets no thinner than twice this, mm; one that nowhere reaches further from its middle than that and a bit is a stem. */
const CORE_MM = 1.2;
const STEM_REACH_MM = CORE_MM + 0.35;
/** What is smaller is not worth a stem, mm². */
const LEAST_STEM_MM2 = 0.8;
/** How far a branch narrows for each millimetre that it goes down. */
const NARROWING = Math.tan((34 * Math.PI) / 180);
const ROUGH_MM = 0.1;
/** Smaller openings are closed, mm². */
const PORE_MM2 = 5;
/** What begins is so much wider than what it holds, mm. */
const OVERLAP_MM = 0.35;
/** Branches narrow and lean every so many layers: in between they are as they were, and are laid with the same lines. */
const STEP_LAYERS = 2;
/** Areas that differ by less are the same, mm². */
const SAME_MM2 = 0.02;

/**
 * Supports that narrow from what they hold to thin round stems, which lean towards each other and join, so that few of them
 * stand on the plate. No side of one leans further than plastic can be laid. Stems are followed as points: only what holds
 * something, or comes to stand on the part, is worked out as an area.
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
  makesArea: MakesArea,
): (SupportShape | undefined)[] {
  const grid = gridOver(held, makesArea);
  const cuts = grid.length > 0 ? makesArea(grid) : undefined;
  const shapes = held.map((): SupportShape | undefined => undefined);
  let crown: Area | undefined;
  let stems: readonly Stem[] = [];
  let lastAway: Area | undefined;
  for (let index = held.length - 1; index >= 0; index--) {
    const { onto } = held[index];
    if (!crown && stems.length === 0 && !onto) continue;
    const [crownAbove, stemsAbove] = [crown, stems];
    const away = keepAway.at(index);
    const isStep = index % STEP_LAYERS === 0;
    const room: Room = { away: away.outlines(), bounds: bounds.outlines() };
    const { zMm } = layers[index];
    const stepMm = zMm - (layers[index - STEP_LAYERS]?.zMm ?? 0);
    let landed: readonly Stem[] = [];
    if (isStep) ({ stems, landed } = leaning(stems, room, { zMm, stepMm }));
    else if (away !== lastAway) {
      landed = stems.filter((stem) => comesNear(stem, room.away));
      if (landed.length > 0) stems = stems.filter((stem) => !landed.includes(stem));
    }
    const lowered = crown && isStep ? narrowed(kernel, crown, NARROWING * stepMm) : crown;
    // Beside the part it overlaps what narrows away from there.
    const whole = onto?.grown(OVERLAP_MM, 'sharp').and(bounds);
    const begun = cuts ? whole?.without(cuts) : whole;
    if (lowered !== crownAbove || begun || landed.length > 0 || away !== lastAway) {
      const round = landed.length > 0 ? makesArea(landed.map((stem) => circleOf(stem))) : undefined;
      const wanted = together([lowered, begun, round]);
      const free = wanted?.without(away).simplified(ROUGH_MM);
      const isSame = wanted === crownAbove && wanted && free && wanted.mm2() - free.mm2() < SAME_MM2;
      crown = isSame ? crownAbove : free?.isEmpty() ? undefined : free;
    }
    if (crown && crown !== crownAbove) ({ crown, stems } = parted(kernel, crown, stems, room));
    lastAway = away;
    const isSame = crown === crownAbove && stems === stemsAbove;
    shapes[index] = isSame ? shapes[index + 1] : shapeOf(kernel, makesArea, { crown, stems, away });
  }
  return shapes;
}

/** What is laid of the branches of a layer; undefined if that is nothing. Stems that overlap are one area. */
function shapeOf(
  kernel: Kernel,
  makesArea: MakesArea,
  {
    crown,
    stems,
    away,
  }: { readonly crown: Area | undefined; readonly stems: readonly Stem[]; readonly away: Area },
): SupportShape | undefined {
  const wide = crown && usable(withoutPores(kernel, crown, away));
  const isAlone = (stem: Stem) =>
    stems.every((other) => other === stem || apartMm(stem, other) >= stem.radiusMm + other.radiusMm);
  const alone = stems.filter(isAlone);
  const joining = stems.filter((stem) => !alone.includes(stem));
  const joined = joining.length > 0 ? makesArea(joining.map((stem) => circleOf(stem))) : undefined;
  const shape = new SupportShape(makesArea, together([wide, joined]), alone);
  return shape.isEmpty() ? undefined : shape;
}

/** The union of areas; undefined if there is none of them. */
function together(areas: readonly (Area | undefined)[]): Area | undefined {
  return areas.reduce((all, area) => (all && area ? all.with(area) : (all ?? area)), undefined);
}

/**
 * Thin cuts between squares, as equal as each place that is held, seen from above, can be shared out. Places are told by the
 * boxes around what is held in each layer: there can be thousands of corners in it.
 */
function gridOver(held: readonly HeldLayer[], makesArea: MakesArea): Outline[] {
  const boxes = held.flatMap(
    ({ onto }) => onto?.outlines().map((outline) => rectangle(extentOf([outline]))) ?? [],
  );
  if (boxes.length === 0) return [];
  return makesArea(boxes)
    .pieces()
    .flatMap((place) => {
      const { x, y } = extentOf(place.outlines());
      return [
        ...dividing(x).map((at) => rectangle({ x: cutAt(at), y: { low: y.low - 1, high: y.high + 1 } })),
        ...dividing(y).map((at) => rectangle({ x: { low: x.low - 1, high: x.high + 1 }, y: cutAt(at) })),
      ];
    });
}

const cutAt = (mm: number) => ({ low: mm, high: mm + CUT_MM });

/** Where a length is cut into about as many equal ones as there are squares in it, mm. */
function dividing({ low, high }: Extent['x']): number[] {
  const count = Math.max(1, Math.round((high - low) / CELL_MM));
  return Array.from({ length: count - 1 }, (_, i) => low + ((i + 1) / count) * (high - low));
}

/**
 * Branches a few layers further down: each drawn together towards its middle, but for what is near to that already. One that
 * is not seen whole from any place, as it goes around a corner of the part, is cut in two instead.
 */
function narrowed(kernel: Kernel, area: Area, byMm: number): Area {
  let isChanged = false;
  const cuts: Outline[] = [];
  const outlines = area.pieces().flatMap((piece) => {
    const own = piece.outlines();
    // Seen from there such a piece lies within itself when it is drawn together.
    const middle = own.length === 1 ? placeSeeingAll(own[0]) : undefined;
    if (!middle) {
      const cut = cutThrough(own);
      if (cut) cuts.push(cut);
      return own;
    }
    return [
      own[0].map(([x, y]): Point => {
        const mm = Math.hypot(x - middle[0], y - middle[1]);
        const share = mm > CORE_MM ? Math.max(CORE_MM, mm - byMm) / mm : 1;
        isChanged ||= share < 1;
        return [middle[0] + share * (x - middle[0]), middle[1] + share * (y - middle[1])];
      }),
    ];
  });
  const drawn = isChanged ? area.made(kernel, outlines) : area;
  return cuts.length > 0 ? drawn.without(area.made(kernel, cuts)) : drawn;
}

/** A thin cut across the longer side of a piece, through its middle; none through what is nearly a stem. */
function cutThrough(outlines: Region): Outline | undefined {
  const { x, y } = extentOf(outlines);
  const [wide, deep] = [x.high - x.low, y.high - y.low];
  if (Math.max(wide, deep) < 2 * STEM_REACH_MM) return undefined;
  const [middleX, middleY] = middleOf(outlines);
  return rectangle(wide > deep ? { x: cutAt(middleX), y } : { x, y: cutAt(middleY) });
}

/**
 * Parts what has become a stem from the rest of a crown, and takes the stems that came to touch that rest back into it.
 */
function parted(
  kernel: Kernel,
  crown: Area,
  stems: readonly Stem[],
  room: Room,
): { crown: Area | undefined; stems: readonly Stem[] } {
  const pieces = crown.pieces();
  const fresh = pieces.map((piece) => stemOf(piece, room));
  const isAllCrown = fresh.every((stem) => stem === undefined);
  const left = pieces.filter((_, i) => !fresh[i]).flatMap((piece) => piece.outlines());
  const all = isAllCrown ? stems : [...stems, ...fresh.filter((stem) => stem !== undefined)];
  const touching = left.length > 0 ? all.filter((stem) => comesNear(stem, left)) : [];
  if (isAllCrown && touching.length === 0) return { crown, stems };
  const outlines = [...left, ...touching.map((stem) => circleOf(stem))];
  const away = touching.length > 0 ? crown.made(kernel, room.away) : undefined;
  const rest = outlines.length > 0 ? crown.made(kernel, outlines) : undefined;
  return {
    crown: rest && away ? rest.without(away) : rest,
    stems: all.filter((stem) => !touching.includes(stem)),
  };
}

/** A piece as a stem, if it has become one that has room there. */
function stemOf(piece: Area, { away, bounds }: Room): Stem | undefined {
  if (piece.mm2() < LEAST_STEM_MM2) return undefined;
  const [x, y] = middleOf(piece.outlines());
  const isSmall = piece
    .outlines()
    .every((outline) => outline.every((at) => Math.hypot(at[0] - x, at[1] - y) <= STEM_REACH_MM));
  const stem = { x, y, radiusMm: CORE_MM };
  return isSmall && isInRegion([x, y], bounds) && !comesNear(stem, away) ? stem : undefined;
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
