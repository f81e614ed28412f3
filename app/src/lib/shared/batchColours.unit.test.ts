import { expect, it } from 'vitest';
import type { ColourBands } from '@kelbrin/core/colours';
import { choiceWithColours, coloursOfBatch, colourKeyOf } from './batchColours';

const sign: ColourBands = [
  { fromMm: 0, colour: 'leafGreen' },
  { fromMm: 2.6, colour: 'chalkWhite' },
];

it('a batch stops where its parts change colour, unless somebody chose other heights', () => {
  const together = coloursOfBatch([
    { colours: sign, designedMm: [40, 20, 3.8] },
    { colours: [], designedMm: [9, 9, 9] },
  ]);
  expect(choiceWithColours({ set: 'trial' }, together)).toEqual({ set: 'trial', colourChangesMm: [2.6] });
  expect(choiceWithColours({ set: 'trial', colourChangesMm: [1] }, together)).toEqual({ set: 'trial', colourChangesMm: [1] }); // oxfmt-ignore
  const plain = coloursOfBatch([{ colours: [], designedMm: null }]);
  expect(choiceWithColours({ set: 'everyday' }, plain)).toEqual({ set: 'everyday' });
});

it('parts with the same colours from the same heights go together', () => {
  const other: ColourBands = [sign[0], { fromMm: 2.6000001, colour: 'chalkWhite' }];
  expect(colourKeyOf(sign)).toBe(colourKeyOf(other));
  expect(colourKeyOf(sign)).not.toBe(colourKeyOf([sign[0]]));
});
