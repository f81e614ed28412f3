import { inPlainWords, languageOf, type Language } from '@kelbrin/core/words';

/** The words that the bench speaks in: those of the trade, or plain ones. */
export type WordsLevel = 'trade' | 'plain';

/** What was chosen on this computer stays; until then the brief says. */
const KEPT = 'kelbrin-words';

export function wordsLevel(isPlainBrief: boolean): WordsLevel {
  const kept = localStorage.getItem(KEPT);
  if (kept === 'trade' || kept === 'plain') return kept;
  return isPlainBrief ? 'plain' : 'trade';
}

export function keepWordsLevel(level: WordsLevel): void {
  localStorage.setItem(KEPT, level);
}

/** The language of the school, in the words of a level. */
export function languageIn(level: WordsLevel): Language {
  const language = languageOf(document.documentElement.lang);
  return level === 'plain' ? inPlainWords(language) : language;
}
