import { expect, it } from 'vitest';
import { mutantsOf, withMutant } from './mutants.ts';
import { withSwitches } from './switches.ts';

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
  expect(all("const a = ['b', 'c', 1];")).toEqual([
    "const a = ['c', 1];",
    "const a = ['b', 1];",
    "const a = ['b', 'c', 0];",
  ]);
});

it('leaves single words, types and imports alone', () => {
  expect(
    all("import a from 'a'; type B = 1 | 2; const c: 3 = d; const e = 'x' + f; const g = { 1: h };"),
  ).toEqual([]);
});

it('puts all faults into one source, each behind a switch', () => {
  const source =
    'function f(a, b) { if (a?.c(b) < -1) a.d = Math.max(a.e?.g.max(2) ?? 1, b); else if (b < 5) a.d = 9; return a.d + b; }';
  const mutants = mutantsOf(source);
  const switched = withSwitches(
    source,
    mutants.map((mutant, id) => ({ ...mutant, id })),
  );
  const run = (words: string, on?: number) => {
    const a = { c: (b: number) => b, d: 0, e: { g: { max: (n: number) => n + 3, min: (n: number) => n } } };
    const f = new Function('faultIsOn', `${words}; return f;`)((id: number) => id === on);
    return [-2, -1, 7].map((b) => String(f(a, b)));
  };
  expect(mutants.length).toBeGreaterThan(8);
  expect(run(switched)).toEqual(run(source));
  mutants.forEach((mutant, id) => expect(run(switched, id)).toEqual(run(withMutant(source, mutant))));
});
