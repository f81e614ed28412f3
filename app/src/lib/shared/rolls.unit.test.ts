import { expect, it } from 'vitest';
import { gramsByPlace, placesFor } from './rolls';

it('has each place give what its colours take, together where it gives several', () => {
  const needs = { grams: 9, colourGrams: [4, 3, 2] };
  expect([...gramsByPlace([1, 0, 1], needs)]).toEqual([
    [1, 6],
    [0, 3],
  ]);
});

it('asks the first place for all while it is not known what each colour takes', () => {
  expect([...gramsByPlace([1, 0, 1], { grams: 9 })]).toEqual([
    [1, 9],
    [0, undefined],
  ]);
  // What is known of other colours than these says nothing.
  expect(gramsByPlace([0, 1], { grams: 9, colourGrams: [9] }).get(0)).toBe(9);
  expect(gramsByPlace([], { grams: 9 }).size).toBe(0);
});

it('takes each colour from the roll that is of it, and any other from where the one before came', () => {
  const loaded = [
    { place: 0, colour: '#f4f1e8' },
    { place: 2, colour: '#3f8f5f' },
  ];
  expect(placesFor(['leafGreen', undefined, 'chalkWhite'], loaded)).toEqual([2, 2, 0]);
  expect(placesFor([undefined], [])).toEqual([]);
});
