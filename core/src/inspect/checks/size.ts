import { formatNumber } from '../../recipe/amount.ts';
import type { SolidMesh } from '../../mesh/index.ts';
import { convexHull, extentOf, turned, type Point } from '../../plane/index.ts';
import type { Check } from './check.ts';
import type { Finding } from '../result/inspection.ts';
import { rounded } from '../measure/subject.ts';
import { figured } from '../result/figured.ts';
import { judge, worst } from '../result/verdict.ts';
import { said, say } from '../../words/index.ts';

const directions = said(['left to right', 'front to back', 'up'] as const);

/**
 * Holds the part's box, as it stands, against the build volume, and says if it would fit turned or laid down. A part
 * thinner than a line, or lower than a layer, is too small to print at all.
 */
export const size: Check<'size'> = {
  id: 'size',
  get title() {
    return say('Size');
  },
  why: {
    words: said([
      'The nozzle reaches only so far to each side and upwards.',
      'What sticks out of that space cannot be drawn at all.',
    ]),
    drawing: [
      ['solid', 'M8 52V38H112V52Z'],
      ['trouble', 'M8 52V38H24V52ZM96 52V38H112V52Z'],
    ],
  },
  notes: {
    measures:
      'The part’s box as it stands; the figure is the length along the axis that uses most of its room.',
    limit:
      '`buildVolumeMm`. A part thinner than `lineWidthMm`, or lower than `layerMm`, is too small to print.',
    blindSpots:
      'Whether it would fit turned is tried in steps of 5° about the upright axis, and laid down by quarter turns.',
  },
  inspect({ box, facts, mesh, stepsOf }, { buildVolumeMm, lineWidthMm, layerMm, shrinkagePercent }) {
    const { sizeMm } = facts;
    const verdicts = sizeMm.map((length, axis) => judge(length, 'atMost', buildVolumeMm[axis]));
    const uses = sizeMm.map((length, axis) => length / buildVolumeMm[axis]);
    const tightest = uses.indexOf(Math.max(...uses));
    const leastMm = [lineWidthMm, lineWidthMm, layerMm];
    let remedy: string | undefined;

    const findings = [0, 1, 2].flatMap((axis): Finding[] => {
      const isTooSmall = judge(sizeMm[axis], 'atLeast', leastMm[axis]) === 'fail';
      if (verdicts[axis] === 'pass' && !isTooSmall) return [];
      const at: [number, number, number] = [
        (box.min[0] + box.max[0]) / 2,
        (box.min[1] + box.max[1]) / 2,
        (box.min[2] + box.max[2]) / 2,
      ];
      at[axis] = box.max[axis];
      const triangles = trianglesAt(mesh.positions, mesh.triangles, axis, box.max[axis]);
      const length = say('The part is {sizeMm} mm {directions}', {
        sizeMm: formatNumber(rounded(sizeMm[axis])),
        directions: directions[axis],
      });
      const room = say('the printer has {buildVolumeMm} mm', {
        buildVolumeMm: formatNumber(buildVolumeMm[axis]),
      });
      if (verdicts[axis] === 'fail') remedy ??= wouldFit(mesh, sizeMm, buildVolumeMm);
      const message = isTooSmall
        ? say('{length}: too small to print, since {least} takes {leastMm} mm.', {
            length,
            least: axis === 2 ? say('one layer') : say('one line of plastic'),
            leastMm: formatNumber(leastMm[axis]),
          })
        : verdicts[axis] === 'warn'
          ? say('{length}, which only just fits: {room}.', { length, room })
          : say('{length}, but {room}{remedy}.', { length, room, remedy: remedy ?? '' });
      return [
        {
          verdict: isTooSmall ? ('fail' as const) : verdicts[axis],
          measured: rounded(sizeMm[axis]),
          unit: 'mm' as const,
          at: at.map(rounded) as [number, number, number],
          message,
          steps: stepsOf(triangles),
          triangles,
        },
      ];
    });
    if (findings.length === 0) findings.push(asPrinted(sizeMm, shrinkagePercent));
    return figured(
      {
        verdict: worst(findings.map(({ verdict }) => verdict)),
        measured: rounded(sizeMm[tightest]),
        limit: buildVolumeMm[tightest],
        unit: 'mm',
        rule: 'atMost',
        findings,
      },
      ({ measured }) => say('only {mm} mm', { mm: formatNumber(measured) }),
    );
  },
};

/** What the part measures when the plastic has shrunk. */
function asPrinted(sizeMm: readonly number[], shrinkagePercent: number): Finding {
  const [x, y, z] = sizeMm.map((mm) => formatNumber(Math.round(10 * mm * (1 - shrinkagePercent / 100)) / 10));
  return {
    verdict: 'pass',
    measured: Math.max(...sizeMm),
    unit: 'mm',
    at: [0, 0, 0],
    message: say('Printed, it will be about {x} × {y} × {z} mm, because plastic shrinks as it cools.', {
      x,
      y,
      z,
    }),
    steps: [],
    triangles: [],
  };
}

/** How a part that does not fit as it stands would, in words to add; empty if it would not. */
function wouldFit(mesh: SolidMesh, sizeMm: readonly number[], roomMm: readonly number[]): string {
  const fits = (size: readonly number[]) => size.every((length, axis) => length <= roomMm[axis]);
  const [x, y, z] = sizeMm;
  if (fits([y, x, z])) return say('; turned by a quarter it would fit');
  const hull = convexHull(cornersFromAbove(mesh));
  for (let deg = 5; deg < 90; deg += 5) {
    const { x: across, y: deep } = extentOf(turned([hull], deg));
    if (fits([across.high - across.low, deep.high - deep.low, z]))
      return say('; turned by {deg}° it would fit', { deg });
  }
  const laid = [[x, z, y], [z, y, x], [z, x, y], [y, z, x]]; // oxfmt-ignore
  return laid.some(fits) ? say('; laid down it would fit') : '';
}

function cornersFromAbove({ positions: p, triangles }: SolidMesh): Point[] {
  return [...new Set(triangles)].map((vertex) => [p[3 * vertex], p[3 * vertex + 1]]);
}

/** The triangles at the far end of an axis, or those that reach it in a point: the surface that would have to move. */
function trianglesAt(positions: Float32Array, triangles: Uint32Array, axis: number, end: number): number[] {
  const reaching = (corners: number) => {
    const found: number[] = [];
    for (let i = 0; i < triangles.length; i += 3) {
      const isAtEnd = (k: number) => positions[3 * triangles[i + k] + axis] > end - 1e-3;
      if ([0, 1, 2].filter(isAtEnd).length >= corners) found.push(i / 3);
    }
    return found;
  };
  const whole = reaching(3);
  return whole.length > 0 ? whole : reaching(1);
}
