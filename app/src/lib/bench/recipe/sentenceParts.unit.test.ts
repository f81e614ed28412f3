import { expect, it } from 'vitest';
import type { Token } from '@kelbrin/core/recipe';
import { keyedTokens, markAt, textAt } from './sentenceParts';

const text = (words: string): Token => ({ type: 'text', text: words });
const number = (label: string): Token => ({
  type: 'number',
  path: [label],
  value: 1,
  label,
  unit: 'mm',
  min: 0,
  max: 9,
  nudge: 1,
});
const drop: Token = { type: 'drop', path: ['tilt'], label: 'Do not tilt it' };

it('keeps the key of a field when others come before it, and gives each another', () => {
  const short = keyedTokens([text('up'), number('height'), text(',')]);
  const whole = keyedTokens([text('up'), number('width'), text(','), number('height'), text(',')]);
  expect(whole[3].key).toBe(short[1].key);
  expect(new Set(whole.map(({ key }) => key)).size).toBe(5);
});

it('puts a mark with the field before it, and nowhere else', () => {
  const tokens = [text('Cut'), number('width'), drop, text(', right through.'), text('.')];
  expect(markAt(tokens, 3)).toBe(',');
  expect(textAt(tokens, 3)).toBe(' right through.');
  expect([textAt(tokens, 0), textAt(tokens, 4), markAt(tokens, 1), markAt(tokens, 9)]).toEqual([
    'Cut',
    '.',
    '',
    '',
  ]);
});
