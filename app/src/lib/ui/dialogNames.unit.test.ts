import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';

const src = join(import.meta.dirname, '../..');

it('every dialog has a name that a screen reader says when it opens', () => {
  const unnamed = readdirSync(src, { recursive: true, encoding: 'utf8' })
    .filter((path) => path.endsWith('.svelte'))
    .flatMap((path) =>
      [...readFileSync(join(src, path), 'utf8').matchAll(/<Modal\b(?:\{[^}]*\}|[^>{])*>/g)]
        .filter(([tag]) => !tag.includes('aria-label='))
        .map(([tag]) => `${path}: ${tag}`),
    );
  expect(unnamed).toEqual([]);
});
