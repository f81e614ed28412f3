import Papa from 'papaparse';
import * as z from 'zod';

/** What a column of a list holds. */
export const LIST_COLUMNS = ['name', 'familyName', 'firstName', 'signInName', 'pin', 'none'] as const;
export type ListColumn = (typeof LIST_COLUMNS)[number];

export const LIST_DELIMITERS = [',', ';', '\t'] as const;

/** How a list is read: what parts its columns, whether its first line is a heading, and what the columns hold. */
export const listReading = z.object({
  delimiter: z.enum(LIST_DELIMITERS),
  hasHeading: z.boolean(),
  columns: z.array(z.enum(LIST_COLUMNS)).max(40),
});
export type ListReading = z.infer<typeof listReading>;

/** What columns may be called in a heading, in languages of schools that are near. */
const HEADINGS: Partial<Record<ListColumn, readonly string[]>> = {
  name: ['name', 'student', 'full name', 'pupil', 'schüler', 'élève', 'alumno'],
  familyName: ['family name', 'surname', 'last name', 'lastname', 'nachname', 'familienname', 'nom', 'apellidos', 'cognome', 'nazwisko'], // oxfmt-ignore
  firstName: ['first name', 'firstname', 'given name', 'forename', 'vorname', 'prénom', 'prenom', 'nombre', 'nome', 'imię'], // oxfmt-ignore
  signInName: ['sign-in name', 'sign in name', 'user name', 'username', 'login'],
  pin: ['pin', 'password'],
};
const PLAIN: readonly ListColumn[] = ['name', 'signInName', 'pin'];

/** A line that has something on it, cut into cells; lines count from 1. */
export interface ListLine {
  readonly line: number;
  readonly cells: readonly string[];
}

/** The lines of a list that have something on them. */
export function linesOf(words: string, delimiter: ListReading['delimiter']): ListLine[] {
  const { data } = Papa.parse<string[]>(words.replace(/^\uFEFF/, ''), {
    delimiter,
    transform: (cell) => cell.trim(),
  });
  return data
    .map((cells, i) => ({
      line: i + 1,
      cells: cells.slice(0, cells.findLastIndex((cell) => cell !== '') + 1),
    }))
    .filter(({ cells }) => cells.length > 0);
}

/** How a list is most likely to be read, by the whole of it. Whoever gave it is shown this and can say otherwise. */
export function guessReading(words: string): ListReading {
  const delimiter = guessDelimiter(words);
  const lines = linesOf(words, delimiter);
  const heading = (lines[0]?.cells ?? []).map(
    (cell) => LIST_COLUMNS.find((column) => HEADINGS[column]?.includes(cell.toLowerCase())) ?? 'none',
  );
  if (heading.includes('name') || heading.includes('familyName') || heading.includes('firstName'))
    return { delimiter, hasHeading: true, columns: heading };
  const width = Math.max(1, ...lines.map(({ cells }) => cells.length));
  const columns: ListColumn[] = areTwoNames(lines)
    ? ['familyName', 'firstName']
    : PLAIN.slice(0, Math.min(width, PLAIN.length));
  return { delimiter, hasHeading: false, columns };
}

/** What cuts the most lines into several cells. */
function guessDelimiter(words: string): ListReading['delimiter'] {
  const [best] = (['\t', ';', ','] as const)
    .map((delimiter) => ({
      delimiter,
      cut: linesOf(words, delimiter).filter(({ cells }) => cells.length > 1).length,
    }))
    .sort((a, b) => b.cut - a.cut);
  return best.cut > 0 ? best.delimiter : ',';
}

/** Whether two columns are a family name and a first name, "Müller, Anna", rather than a name and a sign-in name. */
function areTwoNames(lines: readonly ListLine[]): boolean {
  const isCapital = (word: string) => /^\p{Lu}\p{Ll}*(?:[ -]\p{Lu}\p{Ll}*)*$/u.test(word);
  const single = lines.filter(({ cells }) => !cells[0].includes(' ')).length;
  return (
    lines.length > 0 &&
    lines.every(({ cells }) => cells.length === 2 && isCapital(cells[1])) &&
    2 * single > lines.length
  );
}

/** The encodings in which lists come, by the names that browsers have for them. */
export const ENCODINGS = ['utf-8', 'windows-1252', 'windows-1250', 'utf-16le', 'macintosh'] as const;
export type Encoding = (typeof ENCODINGS)[number];

/** The words of a file, and how they were encoded, unless that is said: a mark at the start, UTF-8, or else the old one of the West. */
export function decodedList(bytes: Uint8Array, said?: Encoding): { words: string; encoding: Encoding } {
  const encoding = said ?? guessEncoding(bytes);
  return { words: new TextDecoder(encoding).decode(bytes), encoding };
}

function guessEncoding(bytes: Uint8Array): Encoding {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return 'utf-8';
  } catch {
    return 'windows-1252';
  }
}
