import { expect, it } from 'vitest';
import { harmlessFaults, outdated, toldFault } from './harmless.ts';

it('keeps no harmless fault whose line is gone', () => {
  const faults = harmlessFaults();
  expect(faults.length).toBeGreaterThan(0);
  expect(outdated(faults)).toEqual([]);
  const gone = { ...faults[0], line: 'a line of former days' };
  expect(outdated([gone])).toEqual([gone]);
});

it('tells a fault by its line and what is exchanged in it', () => {
  const source = 'const a = 1;\n  if (a < b) c();\n';
  const told = toldFault('a.ts', source, {
    start: source.indexOf('<'),
    end: source.indexOf('<') + 1,
    text: '<=',
  });
  expect(told).toEqual({ file: 'a.ts', line: 'if (a < b) c();', at: 6, was: '<', to: '<=' });
});
