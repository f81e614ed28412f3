import { cornersOf, type Corner } from '../measure/corners.ts';
import type { Check } from './check.ts';
import type { Finding } from '../result/inspection.ts';
import { rounded, type Subject } from '../measure/subject.ts';
import { judge, worst } from '../result/verdict.ts';
import { said, say } from '../../words/index.ts';

/**
 * What is more pointed than this hurts a hand, °: anything sharper than the corner of a box, which has 90°. Small hands
 * shall not meet that either. The corner of a six-sided prism has 120°, a straight edge twice the angle of its sides.
 */
const BLUNT_DEG = 80;
const BLUNT_FOR_SMALL_HANDS_DEG = 100;

/** Measures how pointed the corners and edges are that a hand would meet. It only warns, unless small hands will hold it. */
export const comfort: Check<'comfort'> = {
  id: 'comfort',
  get title() {
    return say('In the hand');
  },
  why: {
    words: said([
      'A hand that picks the part up closes around its corners.',
      'Sharp points and blades prick and cut.',
    ]),
    drawing: [
      ['solid', 'M16 52L104 52L104 30Z'],
      ['trouble', 'M16 52L40 52L40 46Z'],
    ],
  },
  notes: {
    measures:
      'How pointed the outermost corners are, as the solid angle in degrees of spherical excess: 90° for the corner of a box, 120° for that of a six-sided prism, twice the angle between its sides for a straight edge. Where the surface goes on bending around a corner, as a marched one does, the share of a small ball about it that is material tells.',
    limit: '80°, and never worse than a warning; 100°, and a failure, where the brief is for small hands.',
    source: 'The area of a spherical polygon: A. Girard, 1629.',
    blindSpots:
      'A tip that is rounded by less than a tenth of a millimetre counts as round; of a surface that is rough all over, the 120 sharpest corners are looked at. What lies in a hollow is not met by a hand and not looked at.',
  },
  inspect(subject, _, brief) {
    const corners = cornersOf(subject).sort((a, b) => a.deg - b.deg);
    const small = brief.forSmallHands ?? false;
    const limit = small ? BLUNT_FOR_SMALL_HANDS_DEG : BLUNT_DEG;
    const sharp = corners.filter(({ deg }) => judge(deg, 'atLeast', limit) === 'fail');
    const verdict = small ? 'fail' : 'warn';
    const findings = grouped(subject, sharp).map((group): Finding => ({
      verdict,
      measured: rounded(group[0].deg),
      unit: '°',
      at: group[0].at.map(rounded) as Finding['at'],
      message: sentence(group),
      steps: subject.stepsOf(group.flatMap(({ faces }) => faces)),
      triangles: [...new Set(group.flatMap(({ faces }) => faces))],
    }));
    return {
      verdict: worst(findings.map((each) => each.verdict)),
      measured: corners.length > 0 ? rounded(corners[0].deg) : null,
      limit,
      unit: '°',
      rule: 'atLeast',
      findings,
    };
  },
};

/** Corners of the same steps are one finding: a plate has four of a kind. */
function grouped(subject: Subject, corners: readonly Corner[]): Corner[][] {
  const groups = new Map<string, Corner[]>();
  for (const corner of corners) {
    const key = `${corner.kind} ${subject.stepsOf(corner.faces).join()}`;
    const group = groups.get(key);
    if (group) group.push(corner);
    else groups.set(key, [corner]);
  }
  return [...groups.values()];
}

function sentence(group: readonly Corner[]): string {
  const [{ kind }] = group;
  if (kind === 'edge') return say('This edge is as sharp as a blade; a hand would meet it.');
  return group.length === 1
    ? say('This corner is a point that a hand would meet; round it.')
    : say('These {count} corners are points that a hand would meet; round them.', { count: group.length });
}
