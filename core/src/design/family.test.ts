import { beforeAll, describe, expect, it } from 'vitest';
import { built, recipeWith, stepOf } from '../../test/evaluated.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import { boundsOf, sizeOf } from '../mesh/index.ts';
import type { Workshop } from '../solid/index.ts';
import { designOf, familyName, readSizes, recipeOf, shareMeasure, withFamily, type Design } from './index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

/** A ring around a cane, as wide as a measure says. */
const ring = (name = 'Ring'): Design =>
  designOf(
    {
      ...recipeWith([
        stepOf('extrude', 's1', undefined, {
          outline: {
            shape: 'ring',
            outerMm: { formula: 'cane + 2 * wall' },
            innerMm: { formula: 'cane' },
          },
        }),
      ]),
      measures: [
        { name: 'cane', value: 16 },
        { name: 'wall', value: 3 },
      ],
    },
    name,
  );
const table = (...sizes: number[]) => ({ measures: ['cane'], rows: sizes.map((each) => [each]) });
const namesOf = ({ parts }: Design) => parts.map(({ name }) => name);
const made = (design: Design, ...sizes: number[]): Design => {
  const edited = withFamily(design, 'p1', table(...sizes));
  if (!edited.ok) throw new Error(edited.problem.message);
  return edited.design;
};
const messageOf = (edited: ReturnType<typeof withFamily>) => (edited.ok ? undefined : edited.problem.message);

describe('a family of sizes', () => {
  it('is a part for each row, as wide as the row says', () => {
    const design = made(ring(), 14, 17.5, 19, 20.5, 22);
    expect(namesOf(design)).toEqual(['Ring', 'Ring 14', 'Ring 17.5', 'Ring 19', 'Ring 20.5', 'Ring 22']);
    const widths = design.parts.map(({ id }) => {
      const [width] = sizeOf(boundsOf(built(workshop, recipeOf(design, id)).mesh));
      return Math.round(width * 100) / 100;
    });
    expect(widths).toEqual([22, 20, 23.5, 25, 26.5, 28]);
    expect(design.chosen).toBe('p1');
  });

  it('is made anew from a part that was changed, in the parts that there are', () => {
    const first = made(ring(), 14, 18);
    const thicker: Design = {
      ...first,
      parts: first.parts.map((part) =>
        part.id === 'p1'
          ? {
              ...part,
              recipe: {
                ...part.recipe,
                measures: [
                  { name: 'cane', value: 16 },
                  { name: 'wall', value: 5 },
                ],
              },
            }
          : part,
      ),
    };
    const again = made(thicker, 18, 20);
    expect(again.parts.map(({ id, name }) => `${id} ${name}`)).toEqual([
      'p1 Ring',
      'p2 Ring 14',
      'p3 Ring 18',
      'p4 Ring 20',
    ]);
    expect(again.parts[2].recipe.measures).toEqual([
      { name: 'cane', value: 18 },
      { name: 'wall', value: 5 },
    ]);
    expect(again.parts[1].recipe.measures[1]).toEqual({ name: 'wall', value: 3 });
  });

  it('can come of one of its own, and of several measures', () => {
    expect(namesOf(made(ring('Ring 16'), 17))).toEqual(['Ring 16', 'Ring 17']);
    const both = { measures: ['cane', 'wall'], rows: [[8, 2.5]] };
    expect(familyName(ring('Anneau 李'), 'p1', both, [8, 2.5])).toBe('Anneau 李 8 × 2.5');
    expect(familyName(ring('x'.repeat(40)), 'p1', both, [8, 2.5])).toHaveLength(40);
  });

  it('is refused in a sentence, and leaves the design as it was', () => {
    const design = ring();
    expect(messageOf(withFamily(design, 'p1', table(8, 9, 8)))).toBe('“Ring 8” is in the table twice.');
    expect(messageOf(withFamily(design, 'p1', table()))).toContain('Type the sizes');
    expect(messageOf(withFamily(design, 'p1', { measures: [], rows: [[]] }))).toContain(
      'Choose the measures',
    );
    expect(messageOf(withFamily(design, 'p1', { measures: ['hook'], rows: [[1]] }))).toContain(
      'no measure “hook”',
    );
    expect(
      messageOf(withFamily(design, 'p1', table(...Array.from({ length: 20 }, (_, i) => i + 20)))),
    ).toContain('A project holds at most 20 parts');
    expect(
      messageOf(withFamily(design, 'p1', table(...Array.from({ length: 21 }, (_, i) => i + 20)))),
    ).toContain('at most 20 parts');
    expect(messageOf(withFamily(design, 'p1', table(1e6)))).toContain('That cannot be');
    const shared = shareMeasure(design, 'p1', 'cane');
    expect(shared.ok && messageOf(withFamily(shared.design, 'p1', table(8)))).toContain(
      'All parts share “cane”',
    );
  });
});

describe('sizes as they are typed', () => {
  it.each([
    ['16 17,5 19', 1, [[16], [17.5], [19]]],
    ['16\n\n17.5\r\n2 cm; 1in', 1, [[16], [17.5], [20], [25.4]]],
    ['100 120 150', 1, [[100], [120], [150]]],
    ['8\t2,5\n10\t3', 2, [[8, 2.5], [10, 3]]],
    ['8 mm; 2.5 mm', 2, [[8, 2.5]]],
    ['', 1, []],
  ] as const)('%j are read', (text, columns, rows) => {
    expect(readSizes(text, columns)).toEqual({ ok: true, rows });
  }); // oxfmt-ignore

  it.each([
    ['16\n1x', 1, 'Line 2: “x” is no unit'],
    ['8 2\n9', 2, 'Line 2 has one size, and 2 are needed.'],
    ['8 2 1', 2, 'Line 1 has 3 sizes, and 2 are needed.'],
  ])('%j are refused in a sentence that names the line', (text, columns, words) => {
    expect(readSizes(text, columns)).toMatchObject({
      ok: false,
      message: expect.stringContaining(words) as string,
    });
  });
});
