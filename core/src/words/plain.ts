import { english, type Language } from './language.ts';
import { plainWords } from './plainWords.ts';

/** English in plain words, for young students: the same recipe and the same figures beneath. */
export const plainEnglish: Language = {
  tag: 'en-x-plain',
  locale: english.locale,
  translationOf: (message) => plainWords[message],
};

/** The plain words of a language, where it has any. */
export function inPlainWords(language: Language): Language {
  return language.tag === english.tag ? plainEnglish : language;
}
