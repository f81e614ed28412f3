import Papa from 'papaparse';

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
const SIGN_IN_NAME = /^[\p{L}\p{N}](?:[\p{L}\p{N}._-]{0,18}[\p{L}\p{N}])?$/u;
const PIN = /^\d{6}$/;

/** What the columns of a list with a heading may be called. */
const HEADINGS = {
  name: ['name', 'student', 'full name'],
  signInName: ['sign-in name', 'sign in name', 'user name', 'username', 'login'],
  pin: ['pin', 'password'],
} as const;
type Column = keyof typeof HEADINGS;

/**
 * Reads a list of students that was pasted or comes from a CSV file: a student a line, with name, sign-in name and PIN,
 * of which the last two may be left out. Columns may be in another order if a heading names them.
 *
 * @param taken sign-in names that others in the class have already
 *
 * @example
 * readStudentList('Ada Okafor\nBen Lind, benl', new Set()).students[1].signInName // 'benl'
 */
export function readStudentList(words: string, taken: ReadonlySet<string>): StudentList {
  const lines = linesOf(words);
  const columns = lines.length > 0 ? headingOf(lines[0].cells) : undefined;
  const students: ListedStudent[] = [];
  const problems: LineProblem[] = [];
  /** Who has a sign-in name, by the line. */
  const given = new Map<string, number>();
  // Names that were chosen go before names that are made.
  for (const { line, cells } of columns ? lines.slice(1) : lines) {
    const signInName = cellOf(cells, columns, 'signInName').toLowerCase();
    if (signInName !== '' && !given.has(signInName)) given.set(signInName, line);
  }
  const made = new Set<string>();
  for (const { line, cells } of columns ? lines.slice(1) : lines) {
    const name = cellOf(cells, columns, 'name').replace(/\s+/g, ' ');
    const wished = cellOf(cells, columns, 'signInName').toLowerCase();
    const pin = cellOf(cells, columns, 'pin');
    const say = (message: string) => problems.push({ line, message });
    const before = problems.length;
    if (cells.length > (columns?.length ?? 3))
      say('there is more here than a name, a sign-in name and a PIN');
    if (name === '') say('the name is missing');
    else if (name.length > LONGEST_NAME) say(`the name is longer than ${LONGEST_NAME} letters`);
    if (wished !== '') {
      if (!SIGN_IN_NAME.test(wished))
        say(`“${wished}” cannot be a sign-in name: take up to 20 letters and digits`);
      else if (taken.has(wished)) say(`the sign-in name “${wished}” is taken by someone in the class`);
      else if (given.get(wished) !== line)
        say(`the sign-in name “${wished}” is that of line ${given.get(wished)} already`);
    }
    if (pin !== '' && !PIN.test(pin)) say(`“${pin}” is no PIN: that has six digits`);
    if (problems.length > before) continue;
    const isTaken = (each: string) => taken.has(each) || given.has(each) || made.has(each);
    const signInName = wished || signInNameFor(name, isTaken);
    made.add(signInName);
    students.push({ line, name, signInName, ...(pin === '' ? {} : { pin }) });
  }
  if (taken.size + students.length > MOST_STUDENTS) {
    problems.push({ line: lines.at(-1)!.line, message: `a class takes at most ${MOST_STUDENTS} students` });
  }
  return { students, problems };
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

/** The lines that have something on them, cut into cells. */
function linesOf(words: string): { line: number; cells: string[] }[] {
  const { data } = Papa.parse<string[]>(words.replace(/^\uFEFF/, ''), {
    // Where most lines have a name alone, there is nothing to guess by.
    delimiter: ['\t', ';'].find((each) => words.includes(each)) ?? ',',
    transform: (cell) => cell.trim(),
  });
  return data
    .map((cells, i) => ({ line: i + 1, cells: withoutEmptyEnd(cells) }))
    .filter(({ cells }) => cells.length > 0);
}

function withoutEmptyEnd(cells: string[]): string[] {
  return cells.slice(0, cells.findLastIndex((cell) => cell !== '') + 1);
}

/** Which column is which, if the first line is a heading. */
function headingOf(cells: readonly string[]): (Column | undefined)[] | undefined {
  const columns = cells.map((cell) =>
    (Object.keys(HEADINGS) as Column[]).find((column) =>
      (HEADINGS[column] as readonly string[]).includes(cell.toLowerCase()),
    ),
  );
  return columns.includes('name') ? columns : undefined;
}

function cellOf(
  cells: readonly string[],
  columns: readonly (Column | undefined)[] | undefined,
  of: Column,
): string {
  const at = columns ? columns.indexOf(of) : ['name', 'signInName', 'pin'].indexOf(of);
  return (at < 0 ? undefined : cells[at]) ?? '';
}
