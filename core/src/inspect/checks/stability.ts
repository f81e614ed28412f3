import { depthInHull } from '../../plane/index.ts';
import { formatMeasured, formatNumber } from '../../recipe/amount.ts';
import type { LimitsCard } from '../card/limits.ts';
import type { Check } from './check.ts';
import type { Finding } from '../result/inspection.ts';
import { overlap, risersOf, type Riser } from '../measure/risers.ts';
import { rounded, type Subject } from '../measure/subject.ts';
import { figured } from '../result/figured.ts';
import { judge, worst } from '../result/verdict.ts';
import { firstLayerOf } from '../measure/firstLayer.ts';
import { said, say } from '../../words/index.ts';

/**
 * Measures how many times as tall as they are wide the part, and each thing that rises from something wider, are; and
 * whether the part's weight stands over its base.
 */
export const stability: Check<'stability'> = {
  id: 'stability',
  get title() {
    return say('Stability');
  },
  why: {
    words: said([
      'The nozzle bumps against what it prints, and the taller a thing is, the more it sways.',
      'Tall thin things are knocked off, and what leans beyond its base tips over.',
    ]),
    drawing: [
      ['solid', 'M36 52V46H84V52Z'],
      ['trouble', 'M58 46V6H62V46Z'],
    ],
  },
  notes: {
    measures:
      'For each piece of each section: the height of what stands on it alone, over its narrowest way across. The figure is the greatest of these. And whether the centre of mass is over the hull of the first layer.',
    limit: '`maxSlenderness`.',
    blindSpots:
      'Width is the most that is found within as much height as it is wide; what holds a thing on top, as the beam of a portal, ends its height. Of more than 24 levels, those that stand out and evenly spread ones are looked at, and where something begins or ends between two of them is found to 0.02 mm.',
  },
  inspect(subject, limits) {
    const { maxSlenderness } = limits;
    const risers = risersOf(subject);
    const told: Riser[] = [];
    const slender = risers.flatMap((riser): Finding[] => {
      const verdict = judge(riser.slenderness, 'atMost', maxSlenderness);
      // What tapers is slender at every height, and is told of once, where it is worst.
      if (verdict === 'pass' || told.some((other) => overlap(other.runs, riser.runs))) return [];
      told.push(riser);
      return [
        {
          verdict,
          measured: rounded(riser.slenderness),
          unit: '',
          at: riser.at.map(rounded) as Finding['at'],
          message: sentence(riser, maxSlenderness, verdict === 'warn'),
          steps: subject.stepsOf(riser.faces),
          triangles: [...riser.faces],
        },
      ];
    });
    const findings = [...tipping(subject, limits), ...slender];
    return figured(
      {
        verdict: worst(findings.map(({ verdict }) => verdict)),
        measured: risers.length > 0 ? rounded(risers[0].slenderness) : null,
        limit: maxSlenderness,
        unit: '',
        rule: 'atMost',
        findings,
      },
      () => say('tips over'),
    );
  },
};

function sentence(
  { heightMm, widthMm, slenderness, isWhole }: Riser,
  most: number,
  isClose: boolean,
): string {
  const times = formatNumber(Math.round(10 * slenderness) / 10);
  const what = isWhole ? say('The part') : say('This');
  const is = say('{what} is {heightMm} mm tall but only {widthMm} mm wide, {times} times as tall as wide', {
    what,
    heightMm: formatNumber(Math.round(10 * heightMm) / 10),
    widthMm: formatMeasured(widthMm),
    times,
  });
  return isClose
    ? say('{is}. That is close to the most that stays up, {most} times.', { is, most: formatNumber(most) })
    : say('{is}. The nozzle knocks off anything over {most} times.', { is, most: formatNumber(most) });
}

/** A part whose weight is not over what touches the plate falls over as it grows. */
function tipping(subject: Subject, limits: LimitsCard): Finding[] {
  const first = firstLayerOf(subject, limits);
  const [x, y, z] = weightOf(subject);
  const insideMm = depthInHull([x, y], first.corners);
  if (insideMm >= 0 || insideMm === -Infinity) return [];
  const beyond = formatNumber(Math.round(-10 * insideMm) / 10);
  return [
    {
      verdict: 'fail',
      measured: rounded(-insideMm),
      unit: 'mm',
      at: [rounded(x), rounded(y), rounded(z)],
      message: say('The part would tip over: its weight lies {beyond} mm beyond what touches the plate.', {
        beyond,
      }),
      steps: subject.stepsOf(first.faces),
      triangles: [...first.faces],
    },
  ];
}

/** The centre of mass of a solid: that of the tetrahedra from one point to each triangle, weighted by their volumes. */
function weightOf({ mesh: { positions: p, triangles: t } }: Subject): [number, number, number] {
  const sum = [0, 0, 0];
  let all = 0;
  const [ox, oy, oz] = p;
  for (let i = 0; i < t.length; i += 3) {
    const [a, b, c] = [3 * t[i], 3 * t[i + 1], 3 * t[i + 2]];
    const [ax, ay, az] = [p[a] - ox, p[a + 1] - oy, p[a + 2] - oz];
    const [bx, by, bz] = [p[b] - ox, p[b + 1] - oy, p[b + 2] - oz];
    const [cx, cy, cz] = [p[c] - ox, p[c + 1] - oy, p[c + 2] - oz];
    const volume = ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
    all += volume;
    sum[0] += (volume * (ax + bx + cx)) / 4;
    sum[1] += (volume * (ay + by + cy)) / 4;
    sum[2] += (volume * (az + bz + cz)) / 4;
  }
  return [ox + sum[0] / all, oy + sum[1] / all, oz + sum[2] / all];
}
