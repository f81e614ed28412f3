import { beforeAll, describe, expect, it } from 'vitest';
import { built as builtIn, genusOf, recipeWith, stepOf } from '../../test/evaluated.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import { classroomLimits, inspect } from '../inspect/index.ts';
import { boundsOf, sizeOf, topologyOf } from '../mesh/index.ts';
import type { Workshop } from '../solid/index.ts';
import { setMeasure, type Recipe, type Step } from '../recipe/index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

/** What rounding a right angle takes, mm². */
const arc = (mm: number) => (1 - Math.PI / 4) * mm ** 2;

/**
 * A bracket for the potting bench: two equal legs that one number drives, its corners rounded outside and inside, a gusset
 * between the legs, and two screw holes in each.
 */
function bracket(): Recipe {
  const leg = { formula: 'leg' };
  const thick = { formula: 'thick' };
  const nodes = [
    { xMm: 0, yMm: 0 },
    { xMm: leg, yMm: 0 },
    { xMm: leg, yMm: thick },
    { xMm: thick, yMm: thick },
    { xMm: thick, yMm: leg },
    { xMm: 0, yMm: leg },
  ];
  const drawn = (of: typeof nodes) =>
    ({ shape: 'points', nodes: of, closed: true, smooth: false, mirrored: false }) as const;
  const hole = (id: string, percent: number): Step =>
    stepOf('hole', id, 's1', {
      size: { by: 'screw', screw: 'M4', play: 'normal' },
      rim: { type: 'chamfer', mm: 0.4 },
      roof: 'sloping',
      facing: 'front',
      placement: {
        on: { step: 's1' },
        x: { relation: 'share', percent },
        y: { relation: 'inFrom', edge: 'low', mm: 0 },
        z: { relation: 'centred' },
      },
    });
  return {
    ...recipeWith([
      stepOf('extrude', 's1', undefined, {
        outline: drawn(nodes),
        corners: [
          { which: 'outer', finish: 'round', mm: 6 },
          { which: 'inner', finish: 'round', mm: 3 },
        ],
        depth: { type: 'by', mm: 24 },
        top: { finish: 'chamfer', mm: 0.6 },
        bottom: { finish: 'chamfer', mm: 0.6 },
      }),
      stepOf('extrude', 's2', 's1', {
        outline: drawn([
          { xMm: 0, yMm: 0 },
          { xMm: 20, yMm: 0 },
          { xMm: 0, yMm: 20 },
        ]),
        depth: { type: 'by', mm: 6 },
        placement: {
          on: { step: 's1' },
          x: { relation: 'inFrom', edge: 'low', mm: { formula: 'thick - 0.5' } },
          y: { relation: 'inFrom', edge: 'low', mm: { formula: 'thick - 0.5' } },
          z: { relation: 'at', own: 'low', mm: 0 },
        },
      }),
      hole('s3', 50),
      hole('s4', 82),
      stepOf('repeat', 's5', undefined, {
        of: { since: { step: 's3' } },
        pattern: { type: 'around', axis: 'z', count: 2, deg: 90, about: { step: 's1' } },
      }),
    ]),
    measures: [
      { name: 'leg', value: 60 },
      { name: 'thick', value: 12.5 },
    ],
  };
}

describe('a bracket for the potting bench', () => {
  it('has the corners that its sentence says', () => {
    const [first] = bracket().steps;
    const plain = { ...first, top: undefined, bottom: undefined } as Step;
    const { volumeMm3 } = builtIn(workshop, { ...bracket(), steps: [plain] });
    const area = 2 * 60 * 12.5 - 12.5 ** 2 - 5 * arc(6) + arc(3);
    expect(volumeMm3 / (24 * area)).toBeCloseTo(1, 3);
  });

  it('follows its one number, and is one body with four holes that prints as it lies', () => {
    for (const leg of [60, 75]) {
      const sized = setMeasure(bracket(), 'leg', { value: leg });
      if (!sized.ok) throw new Error(sized.problem.message);
      const { mesh, origin, steps } = builtIn(workshop, sized.recipe);
      expect(sizeOf(boundsOf(mesh)).map((mm) => Math.round(mm * 10) / 10)).toEqual([leg, leg, 24]);
      expect(topologyOf(mesh).bodies).toBe(1);
      expect(genusOf(mesh)).toBe(4);
      expect(steps.flatMap(({ notes }) => notes)).toEqual([]);
      // One of them tells for both.
      if (leg === 75) continue;
      const { checks } = inspect(mesh, classroomLimits, { origin });
      expect(
        checks.filter(({ verdict }) => verdict === 'fail').map(({ id, findings }) => [id, findings]),
      ).toEqual([]);
    }
  });
});
