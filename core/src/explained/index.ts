export { tradeWords, type TradeWord } from './tradeWords.ts';
export { tradeWordsIn } from './wordsIn.ts';
