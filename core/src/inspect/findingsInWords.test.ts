import { beforeAll, describe, expect, it } from 'vitest';
import { madeWith } from '../../test/solids.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import type { Kernel } from '../solid/index.ts';
import { classroomLimits, inspect } from './index.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

describe('holes', () => {
  const drilled = (turn: [number, number, number]) =>
    inspect(
      madeWith(kernel, () =>
        kernel.Manifold.cube([20, 20, 20]).subtract(
          kernel.Manifold.cylinder(60, 1.5, 1.5, 48, true).rotate(turn).translate([10, 10, 10]),
        ),
      ),
      classroomLimits,
    ).checks.find(({ id }) => id === 'hole')!;

  it.each<[string, [number, number, number]]>([
    ['upright', [0, 0, 0]],
    ['lying left to right', [0, 90, 0]],
    ['lying front to back', [90, 0, 0]],
    ['slanted', [0, 30, 0]],
  ])('are told by how they run: %s', (way, turn) => {
    const [{ message }] = drilled(turn).findings;
    for (const each of ['upright', 'lying left to right', 'lying front to back', 'slanted'])
      expect(message.includes(each), `${message} (${each})`).toBe(each === way);
  });
});

describe('what a print needs', () => {
  it('is of the whole part: at its origin, beside no step and on no face', () => {
    const mesh = madeWith(kernel, () => kernel.Manifold.cube([10, 10, 10]));
    const { checks } = inspect(mesh, classroomLimits, { print: { minutes: 90, grams: 30 } });
    for (const id of ['time', 'material']) {
      const [finding] = checks.find((each) => each.id === id)!.findings;
      expect(finding).toMatchObject({ at: [0, 0, 0], steps: [], triangles: [] });
    }
  });
});
