import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { stepKinds } from '../recipe/index.ts';
import { recipeDocument } from './recipeDocument.ts';

it('the document of the recipe format is the one that the schema makes: “./run docs” writes it', () => {
  const kept = readFileSync(new URL('../../../docs/recipe.md', import.meta.url), 'utf8');
  expect(kept).toBe(recipeDocument());
});

it('tells of every step and of the units of its numbers', () => {
  const words = recipeDocument();
  for (const { kind } of stepKinds) expect(words).toContain(`## \`${kind}\``);
  expect(words).toContain('| `depth.mm` with `type: by` | mm, 0.1 to 1000 |');
  expect(words).toContain('| `leanDeg` | °, 0 to 85 |');
});
