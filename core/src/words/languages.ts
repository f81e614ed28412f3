import { english, type Language } from './language.ts';
import { plainEnglish } from './plain.ts';
import { pseudo } from './pseudo.ts';

/** The languages that can be chosen, and the plain words of one. */
export const languages: readonly [Language, ...Language[]] = [english, plainEnglish, pseudo];

/** The language of a tag; English for a tag that is none, or none at all. */
export function languageOf(tag: string | undefined): Language {
  return languages.find((each) => each.tag === tag) ?? english;
}
