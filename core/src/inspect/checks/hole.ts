import { formatMeasured, formatNumber } from '../../recipe/amount.ts';
import type { Check } from './check.ts';
import type { Finding } from '../result/inspection.ts';
import type { LimitsCard } from '../card/limits.ts';
import type { Hole } from '../measure/hole.ts';
import { findRoundHoles } from '../measure/roundHoles.ts';
import { sidedHoles } from '../measure/sidedHoles.ts';
import { rounded, type Subject } from '../measure/subject.ts';
import { figured } from '../result/figured.ts';
import { judge, worst } from '../result/verdict.ts';
import { wallAround } from '../measure/wallAround.ts';
import { said, say } from '../../words/index.ts';

/**
 * Measures every round hole and the wall that is left around it. Holes that pass are reported too, since pupils look for
 * them; each with the width that it comes out with as the plastic shrinks.
 */
export const hole: Check<'hole'> = {
  id: 'hole',
  get title() {
    return say('Holes');
  },
  why: {
    words: said([
      'Molten plastic swells a little to the inside of a curve and shrinks as it cools, so every hole comes out smaller.',
      'A very small one closes up, and a thin wall beside a hole breaks out.',
    ]),
    drawing: [
      ['solid', 'M14 52V28H56V52ZM64 52V28H106V52Z'],
      ['trouble', 'M56 52V28H64V52Z'],
    ],
  },
  notes: {
    measures:
      'Every round wall that goes around its axis by at least 340°, every hole of three to seven equal sides, and those like a drop: the largest circle that fits, depth, axis, whether it goes through, the thinnest wall beside it, and the diameter that is left when the plastic has shrunk. On a surface from elsewhere the directions of rough facets are smoothed over their neighbours before walls are gathered.',
    limit: '`minHoleMm` for the diameter, `minWallMm` for the wall; `shrinkagePercent` for what comes out.',
    source: 'The circle through the corners of the wall: I. Kåsa, 1976.',
    blindSpots:
      'Cones, countersinks, slots and openings of unequal sides are no holes of their own. A rough wall needs forty facets. Walls are looked for square to the axis, at five depths and in 48 directions.',
  },
  inspect(subject, limits) {
    const round = findRoundHoles(subject);
    const found = [
      ...round,
      ...sidedHoles(subject, new Set(round.flatMap(({ triangles }) => triangles))),
    ].sort((a, b) => a.diameterMm - b.diameterMm);
    const findings = found.flatMap((each) => [
      ofWidth(subject, each, limits),
      ...ofWall(subject, each, limits),
    ]);
    return figured(
      {
        verdict: worst(findings.map(({ verdict }) => verdict)),
        measured: found.length > 0 ? rounded(found[0].diameterMm) : null,
        limit: limits.minHoleMm,
        unit: 'mm',
        rule: 'atLeast',
        findings,
      },
      ({ measured }) => say('{mm} mm of wall', { mm: formatMeasured(measured) }),
    );
  },
};

function ofWidth(subject: Subject, found: Hole, { minHoleMm, shrinkagePercent }: LimitsCard): Finding {
  const verdict = judge(found.diameterMm, 'atLeast', minHoleMm);
  const printedMm = found.diameterMm * (1 - shrinkagePercent / 100);
  const width = say('Ø {diameterMm} mm', { diameterMm: formatMeasured(found.diameterMm) });
  const size =
    found.shape === 'round'
      ? width
      : say('{shape}, with room for {width},', { shape: shapeWords[found.shape](), width });
  const depth = formatMeasured(found.depthMm);
  const reach = found.through
    ? say('goes through {depth} mm', { depth })
    : say('is {depth} mm deep', { depth });
  const message = {
    fail: say('This hole is {size} and will close up: the smallest that prints open is Ø {minHoleMm} mm.', {
      size,
      minHoleMm: formatNumber(minHoleMm),
    }),
    warn: say('This hole is {size}, only just over the smallest that prints open, Ø {minHoleMm} mm.', {
      size,
      minHoleMm: formatNumber(minHoleMm),
    }),
    pass: say('This {direction} hole is {size} and {reach}. Printed, it will be about Ø {printedMm} mm.', {
      direction: direction(found.axis),
      size,
      reach,
      printedMm: formatMeasured(printedMm),
    }),
  }[verdict];
  return {
    verdict,
    measured: rounded(found.diameterMm),
    unit: 'mm',
    at: found.middle.map(rounded) as Finding['at'],
    message,
    steps: subject.stepsOf(found.triangles),
    triangles: found.triangles,
    hole: {
      axis: found.axis.map(rounded) as Finding['at'],
      depthMm: rounded(found.depthMm),
      through: found.through,
      printedMm: rounded(printedMm),
    },
  };
}

/** What there is to say of the wall around a hole, if that is thin. */
function ofWall(subject: Subject, found: Hole, { minWallMm }: LimitsCard): Finding[] {
  const wall = wallAround(subject, found, 2 * minWallMm);
  const verdict = wall ? judge(wall.mm, 'atLeast', minWallMm) : 'pass';
  if (!wall || verdict === 'pass') return [];
  const is = say('Only {mm} mm of wall is left beside this hole', { mm: formatMeasured(wall.mm) });
  const triangles = [...found.triangles, wall.face];
  return [
    {
      verdict,
      measured: rounded(wall.mm),
      unit: 'mm',
      at: wall.at.map(rounded) as Finding['at'],
      message:
        verdict === 'fail'
          ? say('{is}; it would break out, since a wall takes at least {minWallMm} mm.', {
              is,
              minWallMm: formatNumber(minWallMm),
            })
          : say('{is}, only just over the {minWallMm} mm that a wall takes.', {
              is,
              minWallMm: formatNumber(minWallMm),
            }),
      steps: subject.stepsOf(triangles),
      triangles,
      limit: minWallMm,
    },
  ];
}

const shapeWords: Readonly<Record<Exclude<Hole['shape'], 'round'>, () => string>> = {
  'three-sided': () => say('three-sided'),
  square: () => say('square'),
  'six-sided': () => say('six-sided'),
  'many-sided': () => say('many-sided'),
  'like a drop': () => say('like a drop'),
};

function direction([x, y, z]: Hole['axis']): string {
  const nearly = Math.cos((5 * Math.PI) / 180);
  if (Math.abs(z) > nearly) return say('upright');
  if (Math.abs(x) > nearly) return say('lying left to right');
  if (Math.abs(y) > nearly) return say('lying front to back');
  return say('slanted');
}
