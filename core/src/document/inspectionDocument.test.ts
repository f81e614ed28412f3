import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { checks } from '../inspect/index.ts';
import { inspectionDocument } from './inspectionDocument.ts';

const kept = (path: string) => readFileSync(new URL(`../../../docs/${path}`, import.meta.url), 'utf8');

it('the document of the inspection is the one that the checks make: “./run docs” writes it', () => {
  const { words, pictures } = inspectionDocument();
  expect(kept('inspection.md')).toBe(words);
  for (const [name, picture] of pictures) expect(kept(`inspection/${name}`)).toBe(picture);
});

it('tells of every check why it is made, in two sentences and a drawing', () => {
  const { words } = inspectionDocument();
  for (const { id, why } of checks) {
    expect(words).toContain(`## \`${id}\``);
    expect(why.words.every((sentence) => /^[A-Z].*\.$/.test(sentence))).toBe(true);
    expect(why.drawing.some(([kind]) => kind === 'trouble' || id === 'time' || id === 'material')).toBe(true);
  }
});
