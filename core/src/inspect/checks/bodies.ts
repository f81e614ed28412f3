import { volumeOf } from '../../mesh/index.ts';
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
    const pieces: number[][] = Array.from({ length: topology.bodies }, () => []);
    topology.bodyOf.forEach((body, face) => pieces[body].push(face));
    const findings = pieces
      .filter((triangles, body) => body !== largest && !isHollow(subject, triangles))
      .map((triangles): Finding => {
        const areaMm2 = sizes[topology.bodyOf[triangles[0]]];
        const area = formatMm(Math.round(areaMm2));
        return {
          verdict: 'fail',
          measured: rounded(areaMm2),
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
function isHollow({ mesh: { positions, triangles } }: Subject, faces: readonly number[]): boolean {
  const corners = faces.flatMap((face) => [...triangles.subarray(3 * face, 3 * face + 3)]);
  return volumeOf({ positions, triangles: Uint32Array.from(corners) }) < 0;
}
