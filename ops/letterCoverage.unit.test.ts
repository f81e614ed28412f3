import { expect, it } from 'vitest';
import { coverage } from '../core/src/letters/coverage.ts';
import { cutNames } from '../core/src/letters/cuts.ts';
import { nodeWorkshop } from '../core/node/workshop.ts';
import { coverageOf } from './letterCoverage.ts';

const { fonts } = await nodeWorkshop();

it.each(cutNames)('what is kept of the letters in %s is what its file has', (name) => {
  expect(coverage[name]).toBe(coverageOf(name, fonts));
});
