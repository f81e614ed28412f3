import { workOut } from '../recipe/index.ts';
import { say } from '../words/index.ts';
import { codeLines, type CodePiece } from './codeLines.ts';
import { codeValues, type CodeValues } from './codeValues.ts';

/** What a stretch of code comes to, or in a sentence why it comes to nothing. */
export type WrittenPiece =
  | { readonly ok: true; readonly text: string }
  | { readonly ok: false; readonly message: string };

/** Works out a stretch of code: a name, or arithmetic with names, in the formulas of recipes. */
export function writtenPiece(piece: CodePiece, values: CodeValues): WrittenPiece {
  if ('text' in piece) return { ok: true, text: piece.text };
  const { formula } = piece;
  const own = values[formula];
  if (typeof own === 'string') return { ok: true, text: inPlainAscii(own).replace(/[{}]/g, ',') };
  const numbers = new Map(
    Object.entries(values).filter((entry): entry is [string, number] => typeof entry[1] === 'number'),
  );
  const worked = workOut(formula, numbers);
  if (worked.ok) return { ok: true, text: String(rounded(worked.value)) };
  const names = codeValues.map(({ name }) => name);
  const isName = /^[\p{L}\p{N}]+$/u.test(formula);
  return {
    ok: false,
    message:
      isName && !names.includes(formula)
        ? say('nothing is called “{name}” here', { name: formula })
        : say('“{formula}” cannot be worked out: {why}', { formula, why: worked.message }),
  };
}

/**
 * G-code with all that it names put in. Code is checked before it is kept, so what cannot be worked out is a fault of the
 * program and throws.
 */
export function writtenCode(code: string, values: CodeValues): string[] {
  const { lines, unread } = codeLines(code);
  if (unread.length > 0) throw new Error(`Line ${unread[0].number} of the code cannot be read.`);
  return lines
    .map(({ pieces }) =>
      pieces
        .map((piece) => {
          const written = writtenPiece(piece, values);
          if (!written.ok) throw new Error(written.message);
          return written.text;
        })
        .join('')
        .trimEnd(),
    )
    .filter((line) => line !== '');
}

/** As fine as printers count. */
function rounded(value: number): number {
  return Math.round(value * 1e5) / 1e5;
}

/** Latin letters that are no letter with a mark, and so do not fall apart into one. */
const LATIN: Readonly<Record<string, string>> = {
  ł: 'l',
  Ł: 'L',
  ø: 'o',
  Ø: 'O',
  đ: 'd',
  Đ: 'D',
  ð: 'd',
  þ: 'th',
  ß: 'ss',
  æ: 'ae',
  Æ: 'AE',
  œ: 'oe',
  Œ: 'OE',
  ı: 'i',
};

/** What people write must not end its line, begin a remark or leave ASCII, or a printer might read the rest as a command. */
export function inPlainAscii(words: string): string {
  return words
    .replace(/[łŁøØđĐðþßæÆœŒı]/g, (letter) => LATIN[letter])
    .normalize('NFKD')
    .replace(/[^\x20-\x7e]/g, '')
    .replace(/;/g, ',');
}
