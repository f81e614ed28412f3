import { tradeWords, type TradeWord } from './tradeWords.ts';

/** The words of the trade that some words for people use, in whatever form, each once. */
export function tradeWordsIn(sentence: string): TradeWord[] {
  const joined = `_${sentence
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .join('_')}_`;
  return tradeWords().filter(({ begins }) => begins.some((begin) => joined.includes(`_${begin}`)));
}
