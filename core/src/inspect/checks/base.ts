import type { SolidMesh } from '../../mesh/index.ts';
import { narrowestWidth } from '../../plane/index.ts';
import { formatNumber } from '../../recipe/amount.ts';
import type { Check } from './check.ts';
import { rounded } from '../measure/subject.ts';
import { judge } from '../result/verdict.ts';
import { firstLayerOf } from '../measure/firstLayer.ts';
import { said, say } from '../../words/index.ts';

/** Measures the area that touches the plate, and how narrow it is. A part that stands on a line or a point has none. */
export const base: Check<'base'> = {
  id: 'base',
  get title() {
    return say('Base');
  },
  why: {
    words: said([
      'The first layer has to hold on to the plate while the nozzle pulls at it.',
      'Too little area, or only a line or a point, comes loose in the middle of the print.',
    ]),
    drawing: [
      ['solid', 'M60 14a19 19 0 1 1 -0.01 0Z'],
      ['trouble', 'M54 49h12v3h-12z'],
    ],
  },
  notes: {
    measures:
      'The area of the first layer, as it will be laid: of the section half a layer above the plate; and the narrowest way across its hull.',
    limit: '`minBaseMm2`.',
    source: 'The narrowest way across: M. Shamos, Computational Geometry, 1978 (rotating calipers).',
    blindSpots: 'A base of many small feet counts by its area alone, however far apart they are.',
  },
  inspect(subject, limits) {
    const { mesh, stepsOf, box } = subject;
    const { minBaseMm2 } = limits;
    const first = firstLayerOf(subject, limits);
    const verdict = judge(first.areaMm2, 'atLeast', minBaseMm2);
    const at = middleOfLowest(mesh, box.min[2]);
    const triangles = [...first.faces];
    const area = first.areaMm2;
    const measured = rounded(area);
    const touches = say('{areaMm2} mm² rest on the plate; the narrowest place is {across} mm wide', {
      areaMm2: formatNumber(area < 10 ? Math.round(10 * area) / 10 : Math.round(area)),
      across: formatNumber(Math.round(10 * narrowestWidth(first.corners)) / 10),
    });
    const message =
      verdict === 'fail' && first.isRounded
        ? say(
            'Nothing flat touches the plate: the part stands on a line or a point and will roll or come loose.',
          )
        : verdict === 'fail'
          ? say('Only {touches}. At least {minBaseMm2} mm² are needed to hold on.', {
              touches,
              minBaseMm2: formatNumber(minBaseMm2),
            })
          : verdict === 'warn'
            ? say('{touches}. That is only just enough to hold on.', { touches })
            : `${touches}.`;
    return {
      verdict,
      measured,
      limit: minBaseMm2,
      unit: 'mm²',
      rule: 'atLeast',
      findings: [{ verdict, measured, unit: 'mm²', at, message, steps: stepsOf(triangles), triangles }],
    };
  },
};

/** The middle of the vertices that are lowest, on the plate. */
function middleOfLowest({ positions, triangles }: SolidMesh, lowestMm: number): [number, number, number] {
  const lowest = new Set<number>();
  for (const vertex of triangles) if (positions[3 * vertex + 2] <= lowestMm + 1e-3) lowest.add(vertex);
  let [x, y] = [0, 0];
  for (const vertex of lowest) {
    x += positions[3 * vertex];
    y += positions[3 * vertex + 1];
  }
  return [rounded(x / lowest.size), rounded(y / lowest.size), 0];
}
