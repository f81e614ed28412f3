import { IntlMessageFormat } from 'intl-messageformat';
import { english, type Language } from './language.ts';

/** What stands in the places of a message. */
export type Values = Readonly<Record<string, string | number>>;

/*
 * The language is that of the process, as its locale and its time zone are: it is set once, before anything is said. A
 * school has one language, and what was said to one person is kept and read by others.
 */
let spoken: Language = english;
let formats = new Map<string, IntlMessageFormat>();

/** Chooses the language of all that is said from now on in this process, page or worker. */
export function speak(language: Language): void {
  spoken = language;
  formats = new Map();
}

/** The tag of the language that is spoken, for a worker that is to speak it too. */
export const languageTag = (): string => spoken.tag;

/** The locale of what is said, for numbers, dates and lists. */
export const locale = (): string => spoken.locale;

/**
 * A message for people, in the language that is spoken. The English message is its own key in the catalogue, which is
 * collected from the calls of this function: it has to stand in the call as a literal.
 *
 * @param message in the ICU message syntax. Without `values` it is taken as it stands, braces and all.
 * @param values what `{name}` stands for; a count that decides between words is a number.
 * @throws Error when a place of the message has no value.
 * @example
 * say('{count, plural, one {One part waits.} other {# parts wait.}}', { count: 3 }) // "3 parts wait."
 */
export function say(message: string, values?: Values): string {
  if (values === undefined) {
    const translation = spoken.translationOf(message);
    return typeof translation === 'object' ? written(message, {}) : (translation ?? message);
  }
  return written(message, values);
}

function written(message: string, values: Values): string {
  let format = formats.get(message);
  if (!format) {
    format = new IntlMessageFormat(spoken.translationOf(message) ?? message, spoken.locale, undefined, {
      ignoreTag: true,
    });
    formats.set(message, format);
  }
  return format.format(values) as string;
}

/** "a", "a and b", "a, b and c". */
export function sayList(words: readonly string[]): string {
  if (words.length < 2) return words.join('');
  return say('{list} and {last}', { list: words.slice(0, -1).join(', '), last: words.at(-1)! });
}

/**
 * Data whose words are said each time that they are read, so that it can stand in a module that is loaded before the
 * language is known. Functions, numbers and all other values stay as they are.
 *
 * @param data plain objects and lists
 * @param keys the keys whose strings are messages, at any depth; every string is one where none are named
 */
export function said<Data extends object>(data: Data, keys?: readonly string[]): Data {
  const speaking = (Array.isArray(data) ? [] : {}) as Data;
  for (const [key, value] of Object.entries(data) as [string & keyof Data, unknown][]) {
    const isMessage = typeof value === 'string' && (keys === undefined || keys.includes(key));
    const isPlain = typeof value === 'object' && value !== null;
    const property = isMessage ? { get: () => say(value) } : { value: isPlain ? said(value, keys) : value };
    Object.defineProperty(speaking, key, { enumerable: true, ...property });
  }
  return speaking;
}
