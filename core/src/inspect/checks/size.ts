import { formatMm } from '../../recipe/sentence.ts';
import type { Check } from '../check.ts';
import { rounded } from '../subject.ts';
import { judge, worst } from '../verdict.ts';

const directions = ['left to right', 'front to back', 'up'] as const;

/** Holds the part's box, as it stands, against the build volume, and says if a quarter turn would make it fit. */
export const size: Check = {
  id: 'size',
  title: 'Size',
  inspect({ box, facts, mesh, stepsOf }, { buildVolumeMm }) {
    const { sizeMm } = facts;
    const verdicts = sizeMm.map((length, axis) => judge(length, 'atMost', buildVolumeMm[axis]));
    const uses = sizeMm.map((length, axis) => length / buildVolumeMm[axis]);
    const tightest = uses.indexOf(Math.max(...uses));
    const turnedFits =
      sizeMm[0] <= buildVolumeMm[1] && sizeMm[1] <= buildVolumeMm[0] && sizeMm[2] <= buildVolumeMm[2];

    const findings = [0, 1, 2].flatMap((axis) => {
      if (verdicts[axis] === 'pass') return [];
      const at: [number, number, number] = [
        (box.min[0] + box.max[0]) / 2,
        (box.min[1] + box.max[1]) / 2,
        (box.min[2] + box.max[2]) / 2,
      ];
      at[axis] = box.max[axis];
      const triangles = trianglesAt(mesh.positions, mesh.triangles, axis, box.max[axis]);
      const length = `The part is ${formatMm(rounded(sizeMm[axis]))} mm ${directions[axis]}`;
      const room = `the printer has ${formatMm(buildVolumeMm[axis])} mm`;
      const message =
        verdicts[axis] === 'warn'
          ? `${length}, which only just fits: ${room}.`
          : `${length}, but ${room}${turnedFits ? '; turned by a quarter it would fit' : ''}.`;
      return [
        {
          verdict: verdicts[axis],
          measured: rounded(sizeMm[axis]),
          unit: 'mm' as const,
          at: at.map(rounded) as [number, number, number],
          message,
          steps: stepsOf(triangles),
          triangles,
        },
      ];
    });
    return {
      verdict: worst(verdicts),
      measured: rounded(sizeMm[tightest]),
      limit: buildVolumeMm[tightest],
      unit: 'mm',
      rule: 'atMost',
      findings,
    };
  },
};

/** The triangles that reach the far end of an axis: the surface that would have to move. */
function trianglesAt(positions: Float32Array, triangles: Uint32Array, axis: number, end: number): number[] {
  const found: number[] = [];
  for (let i = 0; i < triangles.length; i += 3) {
    if ([0, 1, 2].some((k) => positions[3 * triangles[i + k] + axis] > end - 1e-3)) found.push(i / 3);
  }
  return found;
}
