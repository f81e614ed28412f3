import { expect, it } from 'vitest';
import { mutantsOf, withMutant } from './mutants.ts';

const all = (source: string) => mutantsOf(source).map((mutant) => withMutant(source, mutant));

it('puts one fault at a time into a source', () => {
  expect(all('const a = b + 2;')).toEqual(['const a = b - 2;', 'const a = b + (2 * 1.5);']);
  expect(all('if (a < b) c();')).toEqual(['if (!(a < b)) c();', 'if (a <= b) c();', 'if (a < b) ;']);
  expect(all('const a = -b ? true : !c;')).toEqual([
    'const a = !(-b) ? true : !c;',
    'const a = (b) ? true : !c;',
    'const a = -b ? false : !c;',
    'const a = -b ? true : (c);',
  ]);
  expect(all('const a = Math.min(0, b);')).toEqual([
    'const a = Math.max(0, b);',
    'const a = Math.min(1, b);',
  ]);
});

it('leaves words, types and imports alone', () => {
  expect(all("import a from 'a'; type B = 1 | 2; const c: 3 = d; const e = 'x' + f;")).toEqual([]);
});
