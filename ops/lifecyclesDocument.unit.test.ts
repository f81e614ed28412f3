import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { lifecyclesDocument } from './lifecyclesDocument.ts';

it('draws every lifecycle as it is', async () => {
  const kept = readFileSync(new URL('../docs/lifecycles.md', import.meta.url), 'utf8');
  expect(await lifecyclesDocument(), 'docs/lifecycles.md is old: ./run docs').toBe(kept);
});
