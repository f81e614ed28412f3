import { expect, it } from 'vitest';
import { everydaySettings, infillWays } from '@kelbrin/core/slice';
import { inPattern, patternOf } from './waysInside';

it('is one name for each way to fill the inside, and finds back to it', () => {
  for (const pattern of ['1', '2', '3', ...infillWays.filter((way) => way !== 'lines')])
    expect(patternOf(inPattern(pattern), { infillWay: 'waves', infillDirections: 1 })).toBe(pattern);
});

it('is as usual where nothing is chosen', () => {
  expect(patternOf(inPattern(''), everydaySettings)).toBe('1');
  expect(patternOf({}, { infillWay: 'honeycomb', infillDirections: 2 })).toBe('honeycomb');
});
