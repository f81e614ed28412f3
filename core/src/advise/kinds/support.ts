import { addStep, type Recipe, type Step } from '../../recipe/index.ts';
import { boundsOf, onlyFaces, sizeOf } from '../../mesh/index.ts';
import type { Proposal, Remedy, RemedyKind } from '../remedy.ts';
import { withFields } from './withFields.ts';
import { say } from '../../words/index.ts';

/** The wall is thicker than the thinnest that prints by so many times. */
const THICK = 1.4;
/** Bridges between walls are shorter than the longest by this share. */
const SPARE = 0.9;

/** Puts walls under what hangs, from the plate up, so that short bridges take the place of a long one. */
export const support: RemedyKind = {
  id: 'support',
  checks: ['bridge', 'overhang', 'island'],
  *proposals({ recipe, limits, check, finding, now }): Generator<Proposal, void, Remedy | undefined> {
    const box = boundsOf(onlyFaces(now.mesh, finding.triangles));
    const [x, y] = sizeOf(box);
    const lowest = box.min[2];
    if (lowest < limits.layerMm) return;
    // It must not be knocked off before it carries.
    const leastMm = Math.max(THICK * limits.minWallMm, lowest / (SPARE * limits.maxSlenderness));
    const thick = Math.ceil(10 * leastMm) / 10;
    const middle = [(box.min[0] + box.max[0]) / 2, (box.min[1] + box.max[1]) / 2];
    // Across the shorter way first; shared out under what is held at both ends, from its end on under what is held at one.
    for (const across of x >= y ? [0, 1] : [1, 0]) {
      const long = [x, y][across];
      const pitch = SPARE * limits.maxBridgeMm + thick;
      const between = Math.max(1, Math.ceil((long - thick) / pitch));
      const shared = Array.from({ length: between }, (_, i) => (long * (i + 1)) / (between + 1) - long / 2);
      const walls = Math.max(1, Math.ceil(long / pitch));
      const fromEnd = Array.from({ length: walls }, (_, i) => (long - thick) / 2 - (i * long) / walls);
      const fromOtherEnd = fromEnd.map((by) => -by);
      for (const places of check.id === 'overhang' ? [fromEnd, fromOtherEnd, shared] : [shared]) {
        const size = [x, y].with(across, thick);
        const supported = places.reduce(
          (made, by) => withWall(made, middle.with(across, middle[across] + by), size, lowest),
          recipe,
        );
        const what = say('{count, plural, one {a wall} other {# walls}} of {thick} mm', {
          count: places.length,
          thick,
        });
        yield {
          words: say('Add {what} under it', { what }),
          recipe: supported,
          cost: 2.5 + places.length / 4,
        };
      }
    }
  },
};

/** The recipe with an upright wall added, its middle at a place on the plate. */
function withWall(
  recipe: Recipe,
  [x, y]: readonly number[],
  [widthMm, depthMm]: readonly number[],
  heightMm: number,
): Recipe {
  const added = addStep(recipe, 'extrude');
  const id = added.steps.at(-1)!.id;
  const fields: Partial<Extract<Step, { kind: 'extrude' }>> = {
    name: say('support'),
    outline: {
      shape: 'roundedRectangle',
      widthMm: hundredth(widthMm),
      depthMm: hundredth(depthMm),
      cornerMm: 0,
    },
    depth: { type: 'by', mm: hundredth(heightMm) },
    placement: {
      on: { plate: true },
      x: { relation: 'at', own: 'middle', mm: hundredth(x) },
      y: { relation: 'at', own: 'middle', mm: hundredth(y) },
      z: { relation: 'at', own: 'low', mm: 0 },
    },
  };
  return withFields(added, id, fields);
}

const hundredth = (mm: number) => Math.round(100 * mm) / 100;
