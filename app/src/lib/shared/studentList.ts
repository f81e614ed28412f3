import { guessReading, linesOf, type ListColumn, type ListReading } from './listReading.ts';
import { say } from '@kelbrin/core/words';

/** A student as one line of a list has them; a PIN that is not given is made. */
export interface ListedStudent {
  /** Counts from 1, as people count lines. */
  readonly line: number;
  readonly name: string;
  readonly signInName: string;
  readonly pin?: string;
}

/** What is wrong with a line. */
export interface LineProblem {
  readonly line: number;
  readonly message: string;
}

/** A list as it was understood; nobody is added while there are problems. */
export interface StudentList {
  readonly students: readonly ListedStudent[];
  readonly problems: readonly LineProblem[];
}

/** The most students that one class takes. */
export const MOST_STUDENTS = 60;
export const LONGEST_NAME = 60;
/** The most characters of a list. */
export const LONGEST_LIST = 20_000;
const SIGN_IN_NAME = /^[\p{L}\p{N}](?:[\p{L}\p{N}._-]{0,18}[\p{L}\p{N}])?$/u;
const PIN = /^\d{6}$/;

/**
 * Reads a list of students that was pasted or comes from a file: a student a line. Without a `reading` it is read as it
 * most likely has to be.
 *
 * @param taken sign-in names that others in the class have already
 *
 * @example
 * readStudentList('Ada Okafor\nBen Lind, benl', new Set()).students[1].signInName // 'benl'
 */
export function readStudentList(
  words: string,
  taken: ReadonlySet<string>,
  reading: ListReading = guessReading(words),
): StudentList {
  const all = linesOf(words, reading.delimiter);
  const lines = reading.hasHeading ? all.slice(1) : all;
  const cellOf = (cells: readonly string[], of: ListColumn) => cells[reading.columns.indexOf(of)] ?? '';
  const students: ListedStudent[] = [];
  const problems: LineProblem[] = [];
  /** Who has a sign-in name, by the line. */
  const given = new Map<string, number>();
  // Names that were chosen go before names that are made.
  for (const { line, cells } of lines) {
    const signInName = cellOf(cells, 'signInName').toLowerCase();
    if (signInName !== '' && !given.has(signInName)) given.set(signInName, line);
  }
  const made = new Set<string>();
  for (const { line, cells } of lines) {
    const name = ['name', 'firstName', 'familyName']
      .map((each) => cellOf(cells, each as ListColumn))
      .join(' ')
      .replace(/\s+/g, ' ')
      .trim();
    const wished = cellOf(cells, 'signInName').toLowerCase();
    const pin = cellOf(cells, 'pin').replace(/\s/g, '');
    const complain = (message: string) => problems.push({ line, message });
    const before = problems.length;
    if (cells.length > Math.max(reading.columns.length, reading.hasHeading ? 0 : 1))
      complain(say('there is more here than a name, a sign-in name and a PIN'));
    if (name === '') complain(say('the name is missing'));
    else if (name.length > LONGEST_NAME)
      complain(say('the name is longer than {most} characters', { most: LONGEST_NAME }));
    if (wished !== '') {
      if (!SIGN_IN_NAME.test(wished))
        complain(
          say('“{wished}” cannot be a sign-in name: take up to 20 letters and digits', {
            wished: shown(wished),
          }),
        );
      else if (taken.has(wished))
        complain(
          say('the sign-in name “{wished}” is taken by someone in the class', { wished: shown(wished) }),
        );
      else if (given.get(wished) !== line)
        complain(
          say('the sign-in name “{wished}” is that of line {line} already', {
            wished,
            line: given.get(wished)!,
          }),
        );
    }
    if (pin !== '' && !PIN.test(pin))
      complain(say('“{pin}” is no PIN: that has six digits', { pin: shown(pin) }));
    if (problems.length > before) continue;
    const isTaken = (each: string) => taken.has(each) || given.has(each) || made.has(each);
    const signInName = wished || signInNameFor(name, isTaken);
    made.add(signInName);
    students.push({ line, name, signInName, ...(pin === '' ? {} : { pin }) });
  }
  const last = lines.at(-1);
  // A class may have more already, by students who were moved there.
  if (last && taken.size + students.length > MOST_STUDENTS) {
    problems.push({
      line: last.line,
      message: say('a class takes at most {most} students', { most: MOST_STUDENTS }),
    });
  }
  return { students, problems };
}

/** A cell as it can be said in a sentence. */
function shown(cell: string): string {
  const line = cell.replace(/\s+/g, ' ');
  return line.length > 40 ? `${line.slice(0, 39)}…` : line;
}

/** A sign-in name made from a name: the first word, with letters of the last or a number where that is taken. */
export function signInNameFor(name: string, isTaken: (signInName: string) => boolean): string {
  const words = name
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '');
  const first = (words[0] ?? 'student').slice(0, 14);
  const last = words.length > 1 ? words.at(-1)! : '';
  const wished = [first, ...(last ? [first + last.slice(0, 1), first + last.slice(0, 3)] : [])];
  const free = wished.find((each) => !isTaken(each));
  if (free !== undefined) return free;
  for (let n = 2; ; n++) if (!isTaken(`${first}${n}`)) return `${first}${n}`;
}
