import { formatNumber } from '../../recipe/amount.ts';
import { bridgedBy, hangingOf, type Ceiling } from '../measure/ceilings.ts';
import type { Check } from './check.ts';
import { middleOf, rounded } from '../measure/subject.ts';
import type { Finding } from '../result/inspection.ts';
import { judge, worst, type Verdict } from '../result/verdict.ts';
import { said, say } from '../../words/index.ts';

/** A ceiling with those of its faces alone that are close to the limit: what is steeper is held, since it is narrow. */
function closeToLimit(
  { faces }: Ceiling,
  leanDeg: Float64Array,
  verdictOf: (deg: number) => Verdict,
): Pick<Ceiling, 'faces' | 'steepestFace' | 'steepestDeg'>[] {
  const close = faces.filter((face) => verdictOf(leanDeg[face]) === 'warn');
  if (close.length === 0) return [];
  const steepestFace = close.reduce((a, b) => (leanDeg[b] > leanDeg[a] ? b : a));
  return [{ faces: close, steepestFace, steepestDeg: leanDeg[steepestFace] }];
}

/**
 * Finds downward faces that are held on one side only and measures how far they lean from the vertical. What is held at
 * both ends is a bridge.
 */
export const overhang: Check<'overhang'> = {
  id: 'overhang',
  get title() {
    return say('Overhang');
  },
  why: {
    words: said([
      'Each layer lies on the one below it.',
      'Where a layer reaches out too far over nothing, the plastic curls up or hangs down in threads.',
    ]),
    drawing: [
      ['solid', 'M28 52V14H92V22H46V52Z'],
      ['trouble', 'M46 22H92V28H46Z'],
    ],
  },
  notes: {
    measures:
      'Ceilings held on one side only, and those that close layer by layer over more air than a bridge may span: connected faces that look down, lean further than the limit and reach out further than one line of plastic. The figure is the steepest lean from the vertical, 90° for a level face. Beside narrower faces, as those of stairs and of rough surfaces, the outline of each layer is held against the layer below: where several reach out further than the limit allows, one over the other and together by more than a line, they hang, and the figure is how far they lean as a whole. So does a keel: an edge between two steep faces that rises so slowly that each layer goes on for 2 mm beyond the one below.',
    limit: '`maxOverhangDeg`.',
    blindSpots:
      'Reach is twice the area over the outline, exact for even ledges, strips and discs, and a fair guess for the rest. What leans only from layer to layer is told where it is at least 2 mm long in one of them.',
  },
  inspect(subject, limits) {
    const { maxOverhangDeg, maxBridgeMm } = limits;
    const { leanDeg, tooSteep, steep, stepped } = hangingOf(subject, limits);
    const verdictOf = (deg: number) => judge(deg, 'atMost', maxOverhangDeg);
    const isBridge = (ceiling: Ceiling) => bridgedBy(ceiling, maxBridgeMm) !== undefined;
    const hanging = tooSteep.filter((ceiling) => !isBridge(ceiling));
    // Faces beside a ceiling that was looked at already, such as the sides of a round tunnel, are not told again.
    const told = new Set(tooSteep.flatMap(({ faces }) => faces));
    const near = steep
      .filter(({ faces }) => !faces.some((face) => told.has(face)))
      .flatMap((ceiling) => closeToLimit(ceiling, leanDeg, verdictOf));

    const bridged = new Set(tooSteep.filter(isBridge).flatMap(({ faces }) => faces));
    const counted = new Set([...hanging, ...near].flatMap(({ faces }) => faces));
    let steepest = 0;
    leanDeg.forEach((deg, f) => {
      const isOfNote = verdictOf(deg) === 'pass' || counted.has(f);
      if (deg > steepest && isOfNote && !bridged.has(f)) steepest = deg;
    });

    const bound = say('Printed without support, a face may lean out by {maxOverhangDeg}° at most.', {
      maxOverhangDeg: formatNumber(maxOverhangDeg),
    });
    for (const { deg } of stepped) steepest = Math.max(steepest, deg);

    const places = [
      ...[...hanging, ...near].map(({ faces, steepestFace, steepestDeg }) => ({
        faces,
        at: middleOf(subject, steepestFace),
        deg: steepestDeg,
      })),
      ...stepped.map(({ faces, at, deg }) => ({ faces, at: at.map(rounded) as Finding['at'], deg })),
    ];
    const findings = places.map(({ faces, at, deg: steepestDeg }) => {
      const verdict = verdictOf(steepestDeg);
      const measured = rounded(steepestDeg);
      const leans =
        measured > 89.5
          ? say('Nothing is under this flat face')
          : say('This face leans out by {measured}° with nothing under it', {
              measured: formatNumber(Math.round(measured)),
            });
      return {
        verdict,
        measured,
        unit: '°' as const,
        at,
        message:
          verdict === 'fail'
            ? `${leans}. ${bound}`
            : say('{leans}, which is close to the limit. {bound}', { leans, bound }),
        steps: subject.stepsOf(faces),
        triangles: [...faces],
      };
    });
    return {
      verdict: worst(findings.map(({ verdict }) => verdict)),
      measured: steepest > 0 ? rounded(steepest) : null,
      limit: maxOverhangDeg,
      unit: '°',
      rule: 'atMost',
      findings,
    };
  },
};
