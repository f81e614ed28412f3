/** A stretch of a line: as it stands, or worked out. */
export type CodePiece = { readonly text: string } | { readonly formula: string };

/** A word of a command: a letter, and what stands behind it. */
export interface CodeWord {
  readonly letter: string;
  readonly value: readonly CodePiece[];
}

/** A line of G-code with named values in curly brackets. */
export interface CodeLine {
  /** Counted from 1. */
  readonly number: number;
  /**
   * A letter and a number, such as G1; undefined in a line that is empty or only a remark. A change of filament may be worked
   * out: it is called T, and which filament it is stands in its only word.
   */
  readonly command?: string;
  /** The words behind the command; none behind one that takes any text. */
  readonly words: readonly CodeWord[];
  /** The whole line, to be written as it is but for what is worked out. */
  readonly pieces: readonly CodePiece[];
}

/** A line that cannot be read, and why. */
export interface UnreadLine {
  readonly number: number;
  readonly why: 'bracket' | 'word';
  /** What of it cannot be read. */
  readonly what: string;
}

/** The command whose words are for people: they are shown on a display. */
const SHOWS_WORDS = 'M117';

/** Reads G-code line by line; what cannot be read is handed out beside it. */
export function codeLines(code: string): { readonly lines: CodeLine[]; readonly unread: UnreadLine[] } {
  const lines: CodeLine[] = [];
  const unread: UnreadLine[] = [];
  code.split(/\r?\n/).forEach((text, i) => {
    const read = readLine(text, i + 1);
    if ('why' in read) unread.push(read);
    else lines.push(read);
  });
  return { lines, unread };
}

function readLine(text: string, number: number): CodeLine | UnreadLine {
  const pieces = piecesOf(text);
  if (!pieces) return { number, why: 'bracket', what: text.trim() };
  const before = beforeRemark(pieces);
  const [first, ...others] = wordsOf(before);
  if (first === undefined) return { number, words: [], pieces };
  const tool = wordOf(first);
  if (tool?.letter === 'T' && others.length === 0 && tool.value.some((piece) => 'formula' in piece))
    return { number, command: 'T', words: [tool], pieces };
  const command = commandOf(first);
  if (command === undefined) return { number, why: 'word', what: writtenAs(first) };
  if (command === SHOWS_WORDS) return { number, command, words: [], pieces };
  const words: CodeWord[] = [];
  for (const other of others) {
    const word = wordOf(other);
    if (!word) return { number, why: 'word', what: writtenAs(other) };
    words.push(word);
  }
  return { number, command, words, pieces };
}

/** The line cut at its curly brackets; undefined where one is open or closed twice. */
function piecesOf(line: string): CodePiece[] | undefined {
  const pieces: CodePiece[] = [];
  let rest = line;
  while (rest !== '') {
    const open = rest.indexOf('{');
    const text = open < 0 ? rest : rest.slice(0, open);
    if (text.includes('}')) return undefined;
    if (text !== '') pieces.push({ text });
    if (open < 0) break;
    const close = rest.indexOf('}', open);
    const formula = rest.slice(open + 1, close);
    if (close < 0 || formula.includes('{')) return undefined;
    pieces.push({ formula: formula.trim() });
    rest = rest.slice(close + 1);
  }
  return pieces;
}

/** What stands before a remark; a semicolon within brackets is one of a formula. */
function beforeRemark(pieces: readonly CodePiece[]): CodePiece[] {
  const before: CodePiece[] = [];
  for (const piece of pieces) {
    if ('text' in piece && piece.text.includes(';')) {
      before.push({ text: piece.text.slice(0, piece.text.indexOf(';')) });
      break;
    }
    before.push(piece);
  }
  return before;
}

/**
 * The words of a line, each in its pieces: spaces divide them, and so does a letter behind a number. Letters behind each
 * other are no words of a command, and stay together to be told of.
 */
function wordsOf(pieces: readonly CodePiece[]): CodePiece[][] {
  const words: CodePiece[][] = [];
  let isOpen = false;
  const add = (piece: CodePiece) => {
    if (isOpen) words.at(-1)!.push(piece);
    else words.push([piece]);
    isOpen = true;
  };
  for (const piece of pieces) {
    if ('formula' in piece) {
      add(piece);
      continue;
    }
    for (const [text] of piece.text.matchAll(/\s+|[A-Za-z]{2,}\S*|[A-Za-z][^A-Za-z\s]*|[^A-Za-z\s]+/g)) {
      if (/^\s/.test(text)) isOpen = false;
      else {
        if (/^[A-Za-z]/.test(text)) isOpen = false;
        add({ text });
      }
    }
  }
  return words;
}

function commandOf(word: readonly CodePiece[]): string | undefined {
  const [first] = word;
  if (word.length !== 1 || !first || !('text' in first)) return undefined;
  const found = /^([GMT])0*(\d+(?:\.\d+)?)$/.exec(first.text.toUpperCase());
  return found ? `${found[1]}${found[2]}` : undefined;
}

function wordOf(word: readonly CodePiece[]): CodeWord | undefined {
  const [first, ...others] = word;
  if (!first || !('text' in first)) return undefined;
  const found = /^([A-Za-z])([-+]?\d*\.?\d*)$/.exec(first.text);
  if (!found) return undefined;
  const [, letter, number] = found;
  // A number and a formula behind each other would become another number.
  if (number !== '' && others.length > 0) return undefined;
  return { letter: letter.toUpperCase(), value: number === '' ? others : [{ text: number }] };
}

function writtenAs(pieces: readonly CodePiece[]): string {
  return pieces.map((piece) => ('text' in piece ? piece.text : `{${piece.formula}}`)).join('');
}
