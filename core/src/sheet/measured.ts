import type { Box } from '../mesh/index.ts';
import { say } from '../words/index.ts';
import type { FlatLevel } from './flatLevels.ts';
import { alike, besideEachOther, SAME_PLACE_MM, type RoundFeature } from './roundFeatures.ts';
import { axisOf, type View } from './views.ts';

/** A place along an axis of the part that a view measures. */
export interface Measured {
  readonly axis: 0 | 1 | 2;
  readonly atMm: number;
  /** Where what is measured begins and ends, along the other direction of the view, mm. */
  readonly across: readonly [low: number, high: number];
  readonly steps: ReadonlySet<number>;
  /** Whether it is the other side of what is round, so that the size is a diameter. */
  readonly isDiameter?: boolean;
}

/** Round things of one size, said once. */
export interface MeasuredRounds {
  readonly words: string;
  readonly rounds: readonly RoundFeature[];
}

/** What a view measures. */
export interface ViewMeasures {
  readonly places: readonly Measured[];
  readonly rounds: readonly MeasuredRounds[];
}

/** What a figure of a size is written as, with a tolerance where the recipe has one for it. */
export type Figure = (mm: number, steps: ReadonlySet<number>) => string;

/** More places than this in one direction of one view could not be read. */
const MOST_PLACES = 12;
const FIRST_PLACES = 2;
/** What takes up so much of a part shows where its own middle is. */
const NEARLY_ALL = 0.9;
/** A view says no more sizes of rounded corners than this. */
const MOST_RADII = 5;

/** What of a part is measured, mm. */
export interface Measurable {
  readonly box: Box;
  /** The axis about which the whole part is round, seen along it, if there is one. */
  readonly roundAbout?: 0 | 1 | 2;
  readonly rounds: readonly RoundFeature[];
  readonly levels: readonly FlatLevel[];
}

/**
 * Which sizes each view shows: each size once, in the view where what it measures is seen in its true shape, or is longest.
 *
 * @param straight the views that have measures, the one that is read first before the others
 */
export function measuresOf(straight: readonly View[], part: Measurable, figure: Figure): ViewMeasures[] {
  const { box, rounds } = part;
  const lengths = new Map<View, Measured[]>(straight.map((view) => [view, []]));
  for (const axis of [0, 1, 2] as const) {
    for (const [view, place] of placesAlong(axis, straight, part)) lengths.get(view)!.push(place);
  }
  return straight.map((view) => {
    const seen = rounds.filter(({ axis }) => axis === axisOf(view.toward).axis);
    const centres = seen.filter(({ isWhole }) => isWhole).flatMap((round) => centresOf(view, round, part));
    return {
      places: distinct([...centres, ...lengths.get(view)!], box),
      rounds: roundsOf(
        seen.filter((round) => !isAllRound(round, part)),
        figure,
      ),
    };
  });
}

/** The places along an axis of the part, each with the view that shows it. */
function placesAlong(
  axis: 0 | 1 | 2,
  straight: readonly View[],
  { box, roundAbout, rounds, levels }: Measurable,
): [View, Measured][] {
  const showing = straight.filter((view) => otherAxisOf(view, axis) !== undefined);
  const [first] = showing;
  const own = levels.filter((level) => level.axis === axis);
  const isEnd = (mm: number) => isSame(mm, box.min[axis]) || isSame(mm, box.max[axis]);
  const spanIn = (view: View, { min, max }: Box): [number, number] => {
    const other = otherAxisOf(view, axis)!;
    return [min[other], max[other]];
  };
  const places: [View, Measured][] = [];
  const isRound = roundAbout !== undefined && roundAbout !== axis;
  // Of what is round, one size says both.
  if (!isRound || axis === [0, 1, 2].find((each) => each !== roundAbout)) {
    const middle = middleOf(box, otherAxisOf(first, axis)!);
    places.push([
      first,
      {
        axis,
        atMm: box.max[axis],
        across: isRound ? [middle, middle] : spanIn(first, box),
        steps: new Set(own.filter(({ atMm }) => isEnd(atMm)).flatMap(({ steps }) => [...steps])),
        isDiameter: isRound || undefined,
      },
    ]);
  }
  for (const level of [...own].sort((a, b) => b.areaMm2 - a.areaMm2)) {
    if (isEnd(level.atMm)) continue;
    const lengthIn = (view: View) => {
      const [low, high] = spanIn(view, level);
      return high - low;
    };
    const view = showing.reduce((a, b) => (lengthIn(b) > lengthIn(a) + 0.5 ? b : a));
    places.push([view, { axis, atMm: level.atMm, across: spanIn(view, level), steps: level.steps }]);
  }
  // What is round begins and ends somewhere too: a turned profile has hardly any other places.
  for (const round of rounds.filter((each) => each.axis === axis && each.isWhole)) {
    const middle = round.middle[otherAxisOf(first, axis)!];
    for (const atMm of [round.from, round.to]) {
      if (isEnd(atMm) || places.some(([, place]) => isSame(place.atMm, atMm))) continue;
      const across = [middle - round.radiusMm, middle + round.radiusMm] as const;
      places.push([first, { axis, atMm, across, steps: round.steps }]);
    }
  }
  return places;
}

const middleOf = ({ min, max }: Box, axis: number) => (min[axis] + max[axis]) / 2;

const isSame = (a: number, b: number) => Math.abs(a - b) < SAME_PLACE_MM;

/** The axis that a view shows beside one that it shows; undefined where it looks along that one. */
export function otherAxisOf(view: View, axis: number): 0 | 1 | 2 | undefined {
  const [right, up] = [axisOf(view.right).axis, axisOf(view.up).axis];
  return right === axis ? up : up === axis ? right : undefined;
}

/** Whether something round is the outline of the whole part, whose size is measured as such. */
function isAllRound({ axis, isHole, radiusMm }: RoundFeature, { box, roundAbout }: Measurable): boolean {
  const across = axis === 0 ? 1 : 0;
  return roundAbout === axis && !isHole && isSame(2 * radiusMm, box.max[across] - box.min[across]);
}

/** The places of an axis that is seen end on; what is in the middle of nearly all that is round needs none. */
function centresOf(view: View, round: RoundFeature, { box, roundAbout, rounds }: Measurable): Measured[] {
  const axes = [axisOf(view.right).axis, axisOf(view.up).axis] as const;
  if (roundAbout === round.axis && axes.every((axis) => isSame(round.middle[axis], middleOf(box, axis))))
    return [];
  return axes.flatMap((axis, i) => {
    const isImplied = rounds.some(
      (other) =>
        other.isWhole &&
        !other.isHole &&
        2 * other.radiusMm > NEARLY_ALL * (box.max[axis] - box.min[axis]) &&
        other.axis === round.axis &&
        besideEachOther(round.axis, other.middle, round.middle) < SAME_PLACE_MM,
    );
    if (isImplied) return [];
    const across = round.middle[axes[1 - i]];
    return [{ axis, atMm: round.middle[axis], across: [across, across] as const, steps: round.steps }];
  });
}

/** Each place once, and not more than can be read. */
function distinct(places: readonly Measured[], box: Box): Measured[] {
  return ([0, 1, 2] as const).flatMap((axis) => {
    const own: Measured[] = [];
    for (const place of places) {
      if (place.axis !== axis || isSame(place.atMm, box.min[axis])) continue;
      if (!own.some((other) => isSame(other.atMm, place.atMm))) own.push(place);
    }
    return readable(own, (place) => isSame(place.atMm, box.max[axis]));
  });
}

/**
 * Of places that are too many, those of the steps that have most of them are left out but for the first two: of what is
 * repeated, the first is measured, and its sentence says how it goes on.
 */
function readable(places: readonly Measured[], isNeeded: (place: Measured) => boolean): Measured[] {
  let kept = [...places];
  while (kept.length > MOST_PLACES) {
    const byStep = new Map<number, Measured[]>();
    for (const place of kept) {
      if (isNeeded(place)) continue;
      for (const step of place.steps) byStep.set(step, [...(byStep.get(step) ?? []), place]);
    }
    const most = [...byStep.values()].reduce<Measured[]>((a, b) => (b.length > a.length ? b : a), []);
    if (most.length <= FIRST_PLACES) return kept.slice(0, MOST_PLACES);
    const left = [...most].sort((a, b) => a.atMm - b.atMm).slice(FIRST_PLACES);
    kept = kept.filter((place) => !left.includes(place));
  }
  return kept;
}

/** Round things of one size and one figure, said once for all of them. */
function roundsOf(seen: readonly RoundFeature[], figure: Figure): MeasuredRounds[] {
  const isCoaxial = (a: RoundFeature, b: RoundFeature) =>
    isSame(a.radiusMm, b.radiusMm) &&
    a.isHole === b.isHole &&
    besideEachOther(a.axis, a.middle, b.middle) < SAME_PLACE_MM;
  /** What is in several pieces along its axis is one circle here, and has no single depth. */
  const circles = (all: readonly RoundFeature[]) =>
    alike(all, isCoaxial).map(([first, ...others]) =>
      others.length === 0 ? first : { ...first, depthMm: undefined },
    );
  const said = (all: readonly RoundFeature[], words: (round: RoundFeature) => string) =>
    alike(
      circles(all).map((round) => ({ round, words: words(round) })),
      (a, b) => a.words === b.words && a.round.isHole === b.round.isHole,
    ).map((group) => ({
      words: counted(group.length, group[0].words),
      rounds: group.map(({ round }) => round),
    }));
  const holes = said(
    seen.filter(({ isWhole }) => isWhole),
    ({ radiusMm, depthMm, steps }) => {
      const size = `Ø ${figure(2 * radiusMm, steps)}`;
      return depthMm === undefined
        ? size
        : say('{size}, {depth} deep', { size, depth: figure(depthMm, steps) });
    },
  );
  const radii = said(
    seen.filter(({ isWhole, isCone }) => !isWhole && !isCone),
    ({ radiusMm, steps }) => `R ${figure(radiusMm, steps)}`,
  );
  const most = [...radii].sort((a, b) => b.rounds.length - a.rounds.length).slice(0, MOST_RADII);
  return [...holes, ...most];
}

const counted = (count: number, size: string) => (count > 1 ? `${count} × ${size}` : size);
