import { english, type Language } from './language.ts';
import { pseudo } from './pseudo.ts';

/** The languages that can be chosen. */
export const languages: readonly [Language, ...Language[]] = [english, pseudo];

/** The language of a tag; English for a tag that is none, or none at all. */
export function languageOf(tag: string | undefined): Language {
  return languages.find((each) => each.tag === tag) ?? english;
}
