import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  colourAt,
  colourName,
  coloursTogether,
  filamentColours,
  hexOf,
  nearestColour,
  type ColourBands,
} from './index.ts';

const sign: ColourBands = [
  { fromMm: 0, colour: 'leafGreen' },
  { fromMm: 2.6, colour: 'chalkWhite' },
];
const plain: ColourBands = [{ fromMm: 0, colour: 'leafGreen' }];

describe('the colour of a part', () => {
  it('is that of the last band that begins at or under a height', () => {
    expect([0, 2.5, 2.6, 9].map((mm) => colourAt(sign, mm))).toEqual(['leafGreen', 'leafGreen', 'chalkWhite', 'chalkWhite']); // oxfmt-ignore
    expect(colourAt([], 3)).toBeUndefined();
  });

  it('is told from what a roll looks like', () => {
    for (const each of filamentColours) expect(nearestColour(hexOf(each))).toBe(each);
    expect(nearestColour('#ffffff')).toBe('chalkWhite');
    expect(nearestColour('#000000')).toBe('sootBlack');
    expect(nearestColour('#ff0000')).toBe('brickRed');
    expect(new Set(filamentColours.map(colourName)).size).toBe(filamentColours.length);
  });
});

describe('parts that are printed together', () => {
  it('stop where the colour of any changes', () => {
    const other: ColourBands = [...sign, { fromMm: 4, colour: 'sunYellow' }];
    expect(coloursTogether([{ colours: sign, topMm: 3.8 }, { colours: other, topMm: 5 }])).toEqual({
      filaments: ['leafGreen', 'chalkWhite', 'sunYellow'],
      changesMm: [2.6, 4],
    }); // oxfmt-ignore
  });

  it('take whatever colour there is where they say none', () => {
    expect(coloursTogether([{ colours: [], topMm: 9 }])).toEqual({ filaments: [undefined], changesMm: [] });
    expect(coloursTogether([{ colours: [], topMm: 9 }, { colours: sign, topMm: 4 }])).toEqual({
      filaments: ['leafGreen', 'chalkWhite'],
      changesMm: [2.6],
    }); // oxfmt-ignore
  });

  it('say who wants another colour at the same height', () => {
    const { clash } = coloursTogether([{ colours: plain, topMm: 5 }, { colours: sign, topMm: 4 }]); // oxfmt-ignore
    expect(clash).toEqual({ parts: [0, 1], colours: ['leafGreen', 'chalkWhite'], atMm: 2.6 });
    // What ends below the change wants nothing of it.
    expect(coloursTogether([{ colours: plain, topMm: 2.6 }, { colours: sign, topMm: 4 }]).clash).toBeUndefined(); // oxfmt-ignore
  });

  it('are each of their own colours at every height, unless a clash is told', () => {
    const colour = fc.constantFrom('leafGreen' as const, 'chalkWhite' as const, 'plum' as const);
    const part = fc.record({
      topMm: fc.integer({ min: 1, max: 12 }),
      colours: fc
        .uniqueArray(fc.integer({ min: 1, max: 11 }), { maxLength: 3 })
        .chain((mm) =>
          fc.tuple(
            ...[0, ...mm.sort((a, b) => a - b)].map((fromMm) =>
              fc.record({ fromMm: fc.constant(fromMm), colour }),
            ),
          ),
        ),
    });
    fc.assert(
      fc.property(fc.array(part, { minLength: 1, maxLength: 4 }), (parts) => {
        const { filaments, changesMm, clash } = coloursTogether(parts);
        expect(filaments.length).toBe(changesMm.length + 1);
        const loaded = (mm: number) => filaments[changesMm.filter((at) => at <= mm).length];
        const isWrong = parts.some(({ colours, topMm }) =>
          Array.from({ length: topMm }, (_, mm) => mm).some((mm) => colourAt(colours, mm) !== loaded(mm)),
        );
        expect(isWrong).toBe(clash !== undefined);
      }),
    );
  });
});
