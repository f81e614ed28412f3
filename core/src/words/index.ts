export { english, type Language } from './language.ts';
export { languageOf, languages } from './languages.ts';
export { pseudo, PSEUDO_SIGNS } from './pseudo.ts';
export { inPlainWords, plainEnglish } from './plain.ts';
export { languageTag, locale, said, say, sayList, speak, type Values } from './say.ts';
