import { beforeAll, describe, expect, it } from 'vitest';
import { built as builtIn, genusOf } from '../../../test/evaluated.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { classroomLimits, inspect } from '../../inspect/index.ts';
import { boundsOf, sizeOf, topologyOf } from '../../mesh/index.ts';
import { bracket } from './bracket.ts';
import type { Workshop } from '../../solid/index.ts';
import { setMeasure, type Step } from '../../recipe/index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

/** What rounding a right angle takes, mm². */
const arc = (mm: number) => (1 - Math.PI / 4) * mm ** 2;

describe('a bracket for the potting bench', () => {
  it('has the corners that its sentence says', () => {
    const [first] = bracket.recipe.steps;
    const plain = { ...first, top: undefined, bottom: undefined } as Step;
    const { volumeMm3 } = builtIn(workshop, { ...bracket.recipe, steps: [plain] });
    const area = 2 * 60 * 12.5 - 12.5 ** 2 - 5 * arc(6) + arc(3);
    expect(volumeMm3 / (24 * area)).toBeCloseTo(1, 3);
  });

  it('follows its one number, and is one body with four holes that prints as it lies', () => {
    for (const leg of [60, 75]) {
      const sized = setMeasure(bracket.recipe, 'leg', { value: leg });
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
