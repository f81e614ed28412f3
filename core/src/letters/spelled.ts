import bidiFactory from 'bidi-js';
import { covers } from './covers.ts';
import { everyCutFor, type CutName, type WrittenFont } from './cuts.ts';
import { scriptOf, type ScriptName } from './scripts.ts';

/** A stretch of a line that is set at once: one file, one script, one direction. */
export interface Run {
  readonly text: string;
  readonly cut: CutName;
  readonly script: ScriptName | undefined;
  readonly isRightToLeft: boolean;
}

/** Words as they are to be set: the runs of each line from left to right, and the letters that no file has. */
export interface Spelled {
  readonly lines: readonly (readonly Run[])[];
  readonly missing: readonly string[];
}

/** A letter with its marks. */
interface Letter {
  readonly text: string;
  readonly script: ScriptName | undefined;
  /** How deep it is nested in changes of direction; odd is from right to left (Unicode Standard Annex 9). */
  readonly level: number;
}

/**
 * Which file each letter is set from. A word is set from one file where one has all its letters, so that “ễ” does not
 * stand out of “Nguyễn”; what all scripts share is taken from the file of its neighbours where that has it.
 */
export function spelled(words: string, font: WrittenFont): Spelled {
  const missing = new Set<string>();
  // Letters and their accents are one sign where there is one for both; signs are never shown as coloured pictures.
  const lines = words
    .normalize('NFC')
    .replaceAll(/[\uFE0E\uFE0F]/g, '')
    .split('\n')
    .map((line) => inOrderOfSight(runsOf(lettersOf(line), font, missing)));
  return { lines, missing: [...missing] };
}

/** A letter with the marks that follow it; not every browser of a school can tell letters apart by itself. */
const LETTER = /\P{M}\p{M}*|\p{M}+/gu;
const bidi = bidiFactory();

function lettersOf(line: string): Letter[] {
  const { levels } = bidi.getEmbeddingLevels(line);
  const letters = [...line.matchAll(LETTER)].map(({ 0: text, index }) => ({
    text,
    script: scriptOf(text),
    level: levels[index],
  }));
  // What all scripts share belongs to the script before it, or to the first one at the beginning of a line.
  let script = letters.find((letter) => letter.script)?.script;
  return letters.map((letter) => ({ ...letter, script: (script = letter.script ?? script) }));
}

interface LevelledRun extends Run {
  readonly level: number;
}

function runsOf(letters: readonly Letter[], font: WrittenFont, missing: Set<string>): LevelledRun[] {
  const runs: LevelledRun[] = [];
  for (const word of wordsOf(letters)) {
    const own = word.filter(({ text }) => scriptOf(text) !== undefined).map(({ text }) => text);
    const cutOfWord = firstWith(own, font);
    for (const { text, script, level } of word) {
      const cut = cutOfWord && covers(cutOfWord, text) ? cutOfWord : firstWith([text], font);
      if (cut) addTo(runs, { text, cut, script, level, isRightToLeft: level % 2 === 1 });
      else if (text.trim() !== '') missing.add(text);
    }
  }
  return runs;
}

/** The first file that has all of some letters. */
function firstWith(letters: readonly string[], font: WrittenFont): CutName | undefined {
  return everyCutFor(font).find((cut) => letters.every((letter) => covers(cut, letter)));
}

/** Letters of one script up to the space after them. */
function wordsOf(letters: readonly Letter[]): Letter[][] {
  const words: Letter[][] = [];
  for (const letter of letters) {
    const before = words.at(-1)?.at(-1);
    if (before && before.script === letter.script && before.text.trim() !== '') words.at(-1)!.push(letter);
    else words.push([letter]);
  }
  return words;
}

function addTo(runs: LevelledRun[], run: LevelledRun): void {
  const last = runs.at(-1);
  if (last && last.cut === run.cut && last.script === run.script && last.level === run.level)
    runs[runs.length - 1] = { ...last, text: last.text + run.text };
  else runs.push(run);
}

/** From the highest level down to the lowest odd one, what is nested at least so deep is turned over (rule L2). */
function inOrderOfSight(runs: readonly LevelledRun[]): Run[] {
  let ordered = [...runs];
  const highest = Math.max(0, ...runs.map(({ level }) => level));
  for (let level = highest; level >= 1; level--) {
    const next: LevelledRun[] = [];
    for (let i = 0; i < ordered.length;) {
      let end = i;
      while (end < ordered.length && ordered[end].level >= level) end++;
      next.push(...ordered.slice(i, end).reverse());
      if (end < ordered.length) next.push(ordered[end]);
      i = end + 1;
    }
    ordered = next;
  }
  return ordered.map(({ text, cut, script, isRightToLeft }) => ({ text, cut, script, isRightToLeft }));
}
