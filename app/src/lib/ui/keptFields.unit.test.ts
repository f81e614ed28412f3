import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';

const src = join(import.meta.dirname, '../..');

/** The opening tags of fields of the widget kit, whole. */
function fieldsIn(source: string): string[] {
  return [...source.matchAll(/<(Select|Input|Textarea)\b/g)].map(({ index }) => {
    let depth = 0;
    for (let at = index; at < source.length; at++) {
      if (source[at] === '{') depth++;
      else if (source[at] === '}') depth--;
      else if (source[at] === '>' && depth === 0) return source.slice(index, at);
    }
    return source.slice(index);
  });
}

it('no field shows what is kept but by KeptInput and KeptSelect: in others what was typed is lost when news come', () => {
  const losing = readdirSync(src, { recursive: true, encoding: 'utf8' })
    .filter((path) => path.endsWith('.svelte'))
    .flatMap((path) =>
      fieldsIn(readFileSync(join(src, path), 'utf8'))
        // A draft is the page's own.
        .filter((tag) => /(?<![:\w])value=\{(?!draft\.)/.test(tag))
        .map((tag) => `${path}: ${tag.replaceAll(/\s+/g, ' ')}`),
    );
  expect(losing).toEqual([]);
});
