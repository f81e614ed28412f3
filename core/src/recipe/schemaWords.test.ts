import * as z from 'zod';
import { expect, it } from 'vitest';
import { setField, parseRecipe } from './index.ts';
import { label } from '../../test/recipes.ts';

const said = (schema: z.ZodType, value: unknown) => schema.safeParse(value).error?.issues[0].message;

it.each([
  [z.string().max(40), 'x'.repeat(41), 'it has more than 40 characters'],
  [z.string().min(1), '', 'it is empty'],
  [z.string().min(3), 'x', 'it has fewer than 3 characters'],
  [z.string().regex(/^a/), 'x', 'it is not written as it should be'],
  [z.string(), undefined, 'something is missing here'],
  [z.string(), 4, 'words belong here'],
  [z.number(), 'x', 'a number belongs here'],
  [z.int(), 1.5, 'a whole number belongs here'],
  [z.number().max(9), 10, 'it is more than 9'],
  [z.number().min(2), 1, 'it is less than 2'],
  [z.number().positive(), 0, 'it must be more than 0'],
  [z.array(z.string()).max(1), ['a', 'b'], 'there are more than 1'],
  [z.array(z.string()).min(1), [], 'there are fewer than 1'],
  [z.strictObject({}), { wide: 1 }, '“wide” is not known here'],
  [z.enum(['a', 'b']), 'c', 'that cannot be used here'],
  [z.union([z.number(), z.literal('a')]), 'c', 'that cannot be used here'],
  [z.object({}), null, 'this is of another kind than what belongs here'],
])('a schema says what is wrong in plain words (%#)', (schema, value, words) => {
  expect(said(schema, value)).toBe(words);
});

it('an edit that cannot be is refused without the words of a library', () => {
  const edit = (path: string[], value: unknown) => {
    const edited = setField(label(), 's1', path, value);
    return edited.ok ? '' : edited.problem.message;
  };
  expect(edit(['name'], 'x'.repeat(60))).toBe('That does not work here: it has more than 40 characters.');
  for (const message of [
    edit(['outline'], { shape: 'heart' }),
    edit(['effect'], 'melt'),
    edit(['depth'], undefined),
    edit(['placement'], 7),
  ])
    expect(message).toMatch(/^That does not work here: [^']+\.$/);
  const read = parseRecipe(null);
  expect(read.ok ? '' : read.problem.message).not.toMatch(/input|expected|received/i);
});
