import { formatNumber } from '../../recipe/amount.ts';
import { bridgedBy, hangingOf } from '../measure/ceilings.ts';
import type { Check } from './check.ts';
import { middleOf, rounded } from '../measure/subject.ts';
import { judge, worst } from '../result/verdict.ts';
import { said, say } from '../../words/index.ts';

/** Measures ceilings that are held at both ends by the longest line that has to be drawn through the air. */
export const bridge: Check<'bridge'> = {
  id: 'bridge',
  get title() {
    return say('Bridges');
  },
  why: {
    words: said([
      'Between two supports the plastic can be drawn through the air like a rope.',
      'If the way is too long, the rope sags before it is hard.',
    ]),
    drawing: [
      ['solid', 'M20 52V14H100V52H88V24H32V52Z'],
      ['trouble', 'M32 24H88C80 34 40 34 32 24Z'],
    ],
  },
  notes: {
    measures:
      'Ceilings that are held at both ends: the shortest span, over all directions, by which every line across lands on something, but for less than a line’s width at a mouth; where no one direction serves, as where tunnels cross, at each place the shortest line that does. What closes layer by layer and is wider than the limit is an overhang.',
    limit: '`maxBridgeMm`.',
    blindSpots:
      'Directions are tried every 3° and around the best every 0.3°; what a wall’s own direction gives is always tried for outlines of up to 60 edges.',
  },
  inspect(subject, limits) {
    const { maxBridgeMm } = limits;
    const spans = hangingOf(subject, limits)
      .tooSteep.flatMap((ceiling) => {
        const mm = bridgedBy(ceiling, maxBridgeMm);
        return mm === undefined ? [] : { ...ceiling, mm };
      })
      .sort((a, b) => b.mm - a.mm);
    const findings = spans.flatMap(({ faces, steepestFace, mm }) => {
      const verdict = judge(mm, 'atMost', maxBridgeMm);
      if (verdict === 'pass') return [];
      const is = say('The plastic has to cross {mm} mm of air here', {
        mm: formatNumber(Math.round(10 * mm) / 10),
      });
      const bound = say('the printer bridges {maxBridgeMm} mm', { maxBridgeMm: formatNumber(maxBridgeMm) });
      return {
        verdict,
        measured: rounded(mm),
        unit: 'mm' as const,
        at: middleOf(subject, steepestFace),
        message:
          verdict === 'fail'
            ? `${is}; ${bound}.`
            : say('{is}, which is close to the limit: {bound}.', { is, bound }),
        steps: subject.stepsOf(faces),
        triangles: [...faces],
      };
    });
    return {
      verdict: worst(findings.map(({ verdict }) => verdict)),
      measured: spans.length > 0 ? rounded(spans[0].mm) : null,
      limit: maxBridgeMm,
      unit: 'mm',
      rule: 'atMost',
      findings,
    };
  },
};
