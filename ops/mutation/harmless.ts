import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { root } from '../state.ts';
import { mutantsOf, type Mutant } from './mutants.ts';

/*
 * Faults that no test is asked to notice, since nobody could: a bound that is never met exactly, a quick look that saves
 * time alone. They are kept in `harmless.json`, each with its reason, and by the text of its line, since numbers of lines
 * change with every edit.
 */

const harmlessFault = z.strictObject({
  /** From the top of the repository. */
  file: z.string(),
  /** The whole line, without the spaces around it. */
  line: z.string(),
  /** Where in it something is exchanged, counted from 0; what, and for what, as a run writes them. */
  at: z.int().nonnegative(),
  was: z.string(),
  to: z.string(),
  why: z.string().min(10),
});
export type HarmlessFault = z.infer<typeof harmlessFault>;

/** All that are kept. */
export function harmlessFaults(): HarmlessFault[] {
  const kept = readFileSync(join(import.meta.dirname, 'harmless.json'), 'utf8');
  return z.array(harmlessFault).parse(JSON.parse(kept));
}

/** How a mutant is written and found again: its line and what is exchanged, shortened to a line each. */
export function toldFault(file: string, source: string, { start, end, text }: Mutant) {
  const lineStart = source.lastIndexOf('\n', start - 1) + 1;
  const lineEnd = source.indexOf('\n', start);
  const short = (words: string) => words.replace(/\s+/g, ' ').slice(0, 60);
  const line = source.slice(lineStart, lineEnd < 0 ? undefined : lineEnd);
  return {
    file,
    line: line.trim(),
    at: start - lineStart - line.search(/\S/),
    was: short(source.slice(start, end)),
    to: short(text),
  };
}

/** Those kept that are in no source any more, to be taken out of the list. */
export function outdated(faults: readonly HarmlessFault[]): HarmlessFault[] {
  const inFile = new Map<string, Set<string>>();
  for (const file of new Set(faults.map((fault) => fault.file))) {
    const source = readFileSync(join(root, file), 'utf8');
    inFile.set(file, new Set(mutantsOf(source).map((mutant) => keyOf(toldFault(file, source, mutant)))));
  }
  return faults.filter((fault) => !inFile.get(fault.file)!.has(keyOf(fault)));
}

/** One text for a fault that is told. */
export function keyOf({ file, line, at, was, to }: Omit<HarmlessFault, 'why'>): string {
  return JSON.stringify([file, line, at, was, to]);
}
