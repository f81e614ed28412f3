import type { EdgeName } from '../edges/index.ts';
import type { Amount, Unit } from './amount.ts';
import { amountWords, saidAmount } from './amountWords.ts';
import type { Measure } from './measures.ts';
import type { PrinterTraits } from './printer.ts';
import { say, sayList } from '../words/index.ts';

/** The keys that lead from a step to one of its fields. */
export type FieldPath = readonly (string | number)[];

/** The field that a path leads to; undefined where it leads nowhere. */
export function fieldAt(data: unknown, path: FieldPath): unknown {
  return path.reduce<unknown>(
    (inner, key) => (inner as Record<string | number, unknown> | undefined)?.[key],
    data,
  );
}

/** One of several values that a word of a sentence can stand for. */
export interface Option {
  readonly label: string;
  /** What the field becomes when this option is chosen; undefined leaves the field out. */
  readonly value: unknown;
  /** What it looks like, for colours: #rrggbb. */
  readonly hex?: string;
  /** Other words by which people look for it, with spaces between them. */
  readonly words?: string;
}

/**
 * A piece of a step's sentence. Everything but plain text is a field that can be changed where it stands; a screen
 * draws the tokens without knowing any kind of step.
 */
export type Token = Piece & {
  /** Where it stands, if not always: in the whole sentence alone, or in the short one alone. */
  readonly said?: 'asked' | 'short';
};

type Piece =
  | { readonly type: 'text'; readonly text: string }
  | {
      readonly type: 'number';
      readonly path: FieldPath;
      readonly value: Amount;
      /** What the number is, for people who cannot see where it stands: "width". */
      readonly label: string;
      /** Shown before the number: "Ø". */
      readonly sign?: string;
      readonly unit: Unit;
      readonly min: number;
      readonly max: number;
      /** What one press of an arrow key adds. */
      readonly nudge: number;
      /** Whether it is said with the other sign, since the words after it say which way: "16 mm in front of the middle". */
      readonly isTurned?: boolean;
    }
  | {
      readonly type: 'choice';
      readonly path: FieldPath;
      readonly label: string;
      readonly options: readonly Option[];
      readonly chosen: number;
      /** Fonts are offered each in itself, and colours with a patch of them. */
      readonly shows?: 'font' | 'colour';
    }
  | {
      readonly type: 'words';
      readonly path: FieldPath;
      readonly value: string;
      readonly label: string;
      readonly maxLength: number;
      readonly lines: boolean;
    }
  /** Earlier steps, of which several can be chosen. */
  | {
      readonly type: 'steps';
      readonly path: FieldPath;
      readonly label: string;
      readonly chosen: readonly string[];
      readonly offered: readonly { readonly id: string; readonly label: string }[];
    }
  /** Corners of the step's outline, by their numbers along it; they are chosen on the plan too. */
  | {
      readonly type: 'corners';
      readonly path: FieldPath;
      readonly label: string;
      readonly chosen: readonly number[];
    }
  /** Edges of the part, by what is remembered of them; they are chosen on the solid too. */
  | {
      readonly type: 'edges';
      readonly path: FieldPath;
      readonly label: string;
      readonly chosen: readonly EdgeName[];
    }
  /** An outline that is drawn on the plan rather than written, or put together there. */
  | {
      readonly type: 'drawing';
      readonly path: FieldPath;
      readonly label: string;
      readonly kind: 'points' | 'svg' | 'combined';
    }
  /** What part of a sentence is called, and what can be done with that part. */
  | {
      readonly type: 'menu';
      readonly path: FieldPath;
      readonly word: string;
      readonly label: string;
      readonly offers: readonly Addition[];
    }
  /** A file that is read into the project. */
  | { readonly type: 'file'; readonly path: FieldPath; readonly label: string; readonly words: string }
  /** A face of the part, picked in the view or from a list. */
  | { readonly type: 'face'; readonly path: FieldPath; readonly label: string; readonly words: string }
  /** A clause that can be left out again. */
  | {
      readonly type: 'drop';
      readonly label: string;
      readonly path: FieldPath;
    };

/** A field that is also changed elsewhere than in the sentence: on the plan, on the solid, or by a file. */
export type OpenedToken = Extract<Token, { type: 'drawing' | 'face' | 'file' | 'corners' | 'edges' }>;

/** A clause that a sentence does not have and could have: "chamfer the top edge". */
export interface Addition {
  readonly label: string;
  readonly path: FieldPath;
  readonly value: unknown;
}

/** The little that a sentence has to know of other steps. */
export interface NamedStep {
  readonly id: string;
  readonly name?: string;
}

/** What a sentence needs to know of its surroundings. */
export interface SentenceContext {
  readonly recipe: { readonly steps: readonly NamedStep[]; readonly measures: readonly Measure[] };
  /** The index of the step that is being put into words. */
  readonly index: number;
  /** The printer that the part is for, where a sentence says what is added because of it. */
  readonly printer?: PrinterTraits;
}

/** Plain words, said in the language of the catalogue where they are in it. */
export function text(words: string): Token {
  return { type: 'text', text: say(words) };
}

interface NumberOptions {
  readonly isTurned?: boolean;
  readonly sign?: string;
  readonly min?: number;
  readonly max?: number;
  readonly nudge?: number;
}

/** A length in millimetres. */
export function millimetres(
  path: FieldPath,
  value: Amount,
  label: string,
  options: NumberOptions = {},
): Token {
  return {
    type: 'number',
    path,
    value,
    label: say(label),
    unit: 'mm',
    min: 0.1,
    max: 1000,
    nudge: 0.1,
    ...options,
  };
}

/** An angle in degrees. */
export function degrees(path: FieldPath, value: Amount, label: string, options: NumberOptions = {}): Token {
  return {
    type: 'number',
    path,
    value,
    label: say(label),
    unit: '°',
    min: -360,
    max: 360,
    nudge: 1,
    ...options,
  };
}

/** A number of things. */
export function many(path: FieldPath, value: Amount, label: string, options: NumberOptions): Token {
  return { type: 'number', path, value, label: say(label), unit: '', min: 1, max: 100, nudge: 1, ...options };
}

/** A share of a whole. */
export function share(path: FieldPath, value: Amount, label: string, options: NumberOptions = {}): Token {
  return {
    type: 'number',
    path,
    value,
    label: say(label),
    unit: '%',
    min: 0,
    max: 100,
    nudge: 1,
    ...options,
  };
}

/**
 * A choice among fixed options; the chosen one is the first for which `isChosen` holds.
 * A value that none of them stands for shows as the first.
 */
export function choice(
  path: FieldPath,
  label: string,
  options: readonly Option[],
  isChosen: (option: Option) => boolean,
): Token {
  const chosen = Math.max(0, options.findIndex(isChosen));
  const shown = options.map((option) => ({ ...option, label: say(option.label) }));
  return { type: 'choice', path, label: say(label), options: shown, chosen };
}

/** A choice among named values of one field. */
export function oneOf<Value extends string>(
  path: FieldPath,
  label: string,
  value: Value,
  words: Record<Value, string>,
): Token {
  const options = Object.entries<string>(words).map(([key, shown]) => ({ label: shown, value: key }));
  return choice(path, label, options, (option) => option.value === value);
}

/** A clause that can be left out again, with its tokens. */
export function clause(tokens: readonly Token[], path: FieldPath, label: string): Token[] {
  return [...tokens, { type: 'drop', path, label: say(label) }];
}

/** What an earlier step is called in other sentences: its name, or "step 3". */
export function stepWords(steps: readonly NamedStep[], index: number): string {
  const { name } = steps[index];
  return name === undefined ? say('step {index}', { index: index + 1 }) : `“${name}”`;
}

/** A step that cannot be named where it is, since it is gone or comes later. */
export function missingStepWords(steps: readonly NamedStep[], id: string): string {
  const at = steps.findIndex((step) => step.id === id);
  return at < 0
    ? say('a step that is gone')
    : say('{step}, which comes later', { step: stepWords(steps, at) });
}

/** A sentence as plain text, for files, lists and people who read rather than edit. */
export function plainSentence(tokens: readonly Token[]): string {
  const words = tokens.map((token) => {
    switch (token.type) {
      case 'text':
        return token.text;
      case 'number':
        return `${token.sign ? `${token.sign} ` : ''}${amountWords(saidAmount(token), token.unit)}`;
      case 'choice':
        return token.options[token.chosen]?.label ?? '';
      case 'words':
        return `“${token.value.replaceAll('\n', ' / ')}”`;
      case 'steps':
        return sayList(token.chosen.map((id) => token.offered.find((step) => step.id === id)?.label ?? ''));
      case 'corners':
        return token.chosen.length === 0 ? '…' : sayList(token.chosen.map(String));
      case 'edges':
        return token.chosen.length === 0 ? '…' : `(${token.chosen.length})`;
      case 'menu':
        return token.word;
      case 'face':
      case 'file':
        return token.words;
      case 'drawing':
      case 'drop':
        return '';
    }
  });
  return words
    .filter((word) => word !== '')
    .join(' ')
    .replace(/ ([.,;])/g, '$1');
}
