import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';

const src = join(import.meta.dirname, '../..');

it('every dialog is the one of the house, which has a name that a screen reader says when it opens', () => {
  const others = readdirSync(src, { recursive: true, encoding: 'utf8' })
    .filter((path) => path.endsWith('.svelte') && path !== 'lib/ui/Dialog.svelte')
    .filter((path) => /<(Modal|dialog)\b/.test(readFileSync(join(src, path), 'utf8')));
  expect(others).toEqual([]);
});
