import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fleschKincaid } from 'flesch-kincaid';
import { syllable } from 'syllable';
import { english, plainEnglish, type Language } from '@kelbrin/core/words';
import { messagesIn, sourcesOf } from './messages.ts';
import { root } from './state.ts';

/*
 * How hard what students read is: the sentences of each of their screens, and the school year by whose end they are read with
 * ease, by Flesch and Kincaid: 0.39 words a sentence + 11.8 syllables a word − 15.59. Five is that of ten-year-olds.
 */

/** Where each screen of a student begins; all that it leads to is read, but what runs on the server. */
const SCREENS: Readonly<Record<string, string>> = {
  'My projects': 'app/src/routes/(student)/home',
  'The bench': 'app/src/routes/(student)/bench',
};

/** What the core says at the bench. */
const CORE_AT_BENCH =
  /^core\/src\/(advise|colours|design|edges|explained|guide|inspect|letters|plane|recipe|solid)\//;

/** The levels of words, as they are chosen at the bench. */
const LEVELS: Readonly<Record<string, Language>> = { trade: english, plain: plainEnglish };

/** What is read on one screen, in words of one level. */
export interface Reading {
  readonly screen: string;
  readonly level: string;
  readonly sentences: readonly { readonly words: string; readonly grade: number }[];
  /** The school year of the whole. */
  readonly grade: number;
  /** Every word, by the alphabet. */
  readonly words: readonly string[];
}

/** Every screen of a student at each level. */
export function studentReadings(): Reading[] {
  const said = new Map(
    ['core', 'app'].flatMap((workspace) =>
      sourcesOf(workspace).map(({ file, source }) => [
        file,
        messagesIn(file, source).messages.map(({ words }) => words),
      ]),
    ),
  );
  return Object.entries(SCREENS).flatMap(([screen, from]) => {
    const own = [...reached(from)].flatMap((file) => said.get(file) ?? []);
    const atBench = [...said].flatMap(([file, words]) => (CORE_AT_BENCH.test(file) ? words : []));
    const messages = [...new Set(screen === 'The bench' ? [...own, ...atBench] : own)];
    return Object.entries(LEVELS).map(([level, language]) => readingOf(screen, level, messages, language));
  });
}

function readingOf(screen: string, level: string, messages: readonly string[], language: Language): Reading {
  const spoken = messages.map((message) => {
    const translation = language.translationOf(message);
    return (typeof translation === 'string' ? translation : message).replaceAll(/\{[^{}]*\}/g, '5');
  });
  // Words to search by, names of buttons and pieces that sentences are put together from are words alone.
  const sentences = spoken
    .flatMap((words) => words.split(/(?<=[.:?!])\s+/))
    .filter((words) => /^\p{Lu}/u.test(words) && wordsIn(words).length >= 4);
  return {
    screen,
    level,
    sentences: sentences.map((words) => ({ words, grade: gradeOf([words]) })),
    grade: gradeOf(sentences),
    words: [...new Set(spoken.flatMap(wordsIn).map((word) => word.toLowerCase()))].sort(),
  };
}

const wordsIn = (sentence: string) => sentence.match(/\p{L}+/gu) ?? [];

function gradeOf(sentences: readonly string[]): number {
  const words = sentences.flatMap(wordsIn);
  return fleschKincaid({
    sentence: sentences.length,
    word: words.length,
    syllable: words.reduce((sum, word) => sum + syllable(word), 0),
  });
}

/** The files that a folder of routes leads to, by their paths from the top of the repository. */
function reached(folder: string): Set<string> {
  const todo = readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .map((path) => join(root, folder, path))
    .filter((file) => /\.(svelte|ts)$/.test(file) && !/\.server\.ts$|\+server\.ts$/.test(file));
  const seen = new Set<string>();
  for (let file = todo.pop(); file !== undefined; file = todo.pop()) {
    if (seen.has(file)) continue;
    seen.add(file);
    for (const [, named] of readFileSync(file, 'utf8').matchAll(/from '([^']+)'/g)) {
      const path = fileOf(named, file);
      if (path) todo.push(path);
    }
  }
  return new Set([...seen].map((file) => relative(root, file)));
}

/** The file of the app that an import names; undefined for packages, the core and what runs on the server. */
function fileOf(named: string, from: string): string | undefined {
  if (named.includes('.server') || named.startsWith('$lib/server')) return undefined;
  const path = named.startsWith('$lib/')
    ? join(root, 'app/src/lib', named.slice('$lib/'.length))
    : named.startsWith('.')
      ? join(dirname(from), named)
      : undefined;
  return path === undefined
    ? undefined
    : ['', '.ts', '.svelte.ts', '/index.ts']
        .map((end) => `${path}${end}`)
        .find((file) => /\.(ts|svelte)$/.test(file) && existsSync(file));
}

/** The document of it. */
export function readingDocument(readings: readonly Reading[] = studentReadings()): string {
  const row = ({ screen, level, sentences, grade, words }: Reading) => {
    const hardest = [...sentences].sort((a, b) => b.grade - a.grade)[0];
    return `- **${screen}**, ${level} words: ${words.length} words, ${sentences.length} sentences, school year ${grade.toFixed(1)}; the hardest sentence (${hardest.grade.toFixed(1)}) is “${hardest.words}”`;
  };
  const list = ({ screen, words }: Reading) => `## ${screen}\n\n${words.join(' · ')}`;
  return [
    '# What students read',
    'Every screen of a student at each level of words, with the school year by whose end its sentences are read with ease (Flesch and Kincaid; five is that of ten-year-olds). Written by `./run docs`.',
    readings.map(row).join('\n'),
    ...readings.filter(({ level }) => level === 'plain').map(list),
  ]
    .join('\n\n')
    .concat('\n');
}
