import { formatMm } from '../../recipe/sentence.ts';
import type { Check } from '../check.ts';
import type { Finding } from '../inspection.ts';
import { middleOf, rounded, type Subject } from '../subject.ts';

/** Counts separate bodies: all but the one with the largest surface would come off the printer as loose pieces. */
export const bodies: Check = {
  id: 'bodies',
  title: 'Bodies',
  inspect(subject) {
    const { topology, facts } = subject;
    const sizes = new Float64Array(topology.bodies);
    topology.bodyOf.forEach((body, face) => (sizes[body] += subject.faces.areas[face]));
    const largest = sizes.indexOf(Math.max(...sizes));
    const findings = [...sizes.keys()]
      .filter((body) => body !== largest && !isHollow(subject, body))
      .map((body): Finding => {
        const triangles: number[] = [];
        topology.bodyOf.forEach((of, face) => {
          if (of === body) triangles.push(face);
        });
        const area = formatMm(Math.round(sizes[body]));
        return {
          verdict: 'fail',
          measured: rounded(sizes[body]),
          unit: 'mm²',
          at: middleOf(subject, triangles[0]),
          message: `This piece, with ${area} mm² of surface, touches the rest nowhere: it would come off as a part of its own.`,
          steps: subject.stepsOf(triangles),
          triangles,
        };
      });
    return {
      verdict: findings.length > 0 ? 'fail' : 'pass',
      measured: facts.bodies === 0 ? null : findings.length + 1,
      limit: 1,
      unit: '',
      rule: 'atMost',
      findings,
    };
  },
};

/** Whether a closed surface is that of a hollow inside another body: its volume, with its direction, is less than nothing. */
function isHollow({ mesh: { positions: p, triangles: t }, topology }: Subject, body: number): boolean {
  let volume = 0;
  topology.bodyOf.forEach((of, face) => {
    if (of !== body) return;
    const [a, b, c] = [3 * t[3 * face], 3 * t[3 * face + 1], 3 * t[3 * face + 2]];
    volume +=
      p[a] * (p[b + 1] * p[c + 2] - p[b + 2] * p[c + 1]) -
      p[a + 1] * (p[b] * p[c + 2] - p[b + 2] * p[c]) +
      p[a + 2] * (p[b] * p[c + 1] - p[b + 1] * p[c]);
  });
  return volume < 0;
}
