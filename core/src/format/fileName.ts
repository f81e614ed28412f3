import { plainLetters } from './plainLetters.ts';
import { say } from '../words/index.ts';

/** What the parts of a file name can stand for. */
export interface NameParts {
  readonly brief: string;
  readonly student: string;
  readonly part: string;
  /** The number of the version. */
  readonly n: number;
}

/** How files are called unless a teacher says otherwise. */
export const DEFAULT_FILE_PATTERN = '{brief}_{student}_{part}_v{n}';

/**
 * What is wrong with a pattern, in a sentence, if anything: it has to keep the files of one class apart.
 *
 * @example
 * patternProblem('{brief}_{pupil}') // 'A file’s name can hold {brief}, {student}, {part} and {n}, but no {pupil}.'
 */
export function patternProblem(pattern: string): string | undefined {
  const words = [...pattern.matchAll(/\{(\w*)\}/g)].map(([, word]) => word);
  const unknown = words.find((word) => !['brief', 'student', 'part', 'n'].includes(word));
  if (unknown !== undefined) {
    return say("A file’s name can hold '{brief}', '{student}', '{part}' and '{n}', but no '{'{unknown}'}'.", {
      unknown,
    });
  }
  if (/[{}]/.test(pattern.replace(/\{\w*\}/g, ''))) return say('A bracket is open or closed twice.');
  if (!words.includes('student')) return say('Without {student} the files of two students have one name.');
  if (pattern.length > 80) return say('A pattern has at most 80 characters.');
  return undefined;
}

/** Longer names are cut; some file systems end at 255 bytes. */
const MOST_CHARACTERS = 120;

/**
 * The name of a file by a pattern, without its ending: letters, digits, dashes and underlines, so that every printer's
 * memory card and every file system takes it. Accents are taken off, and other signs become dashes.
 *
 * @example
 * fileName('{brief}_{student}_v{n}', { brief: 'Seed-tray labels', student: 'Zoë', part: 'Label', n: 3 })
 * // 'Seed-tray-labels_Zoe_v3'
 */
export function fileName(pattern: string, parts: NameParts): string {
  const named = pattern.replace(/\{(\w+)\}/g, (whole, word: string) =>
    word in parts ? String(parts[word as keyof NameParts]) : whole,
  );
  const plain = plainLetters(named)
    .replace(/[^A-Za-z0-9_-]+/g, '-')
    .replace(/-*_-*/g, '_')
    .replace(/^[-_]+|[-_]+$/g, '');
  return plain.slice(0, MOST_CHARACTERS) || 'part';
}
