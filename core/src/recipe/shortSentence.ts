import { plainSentence, text, type Token } from './sentence.ts';

/*
 * A sentence is read far more often than it is changed. What is as always, and what follows from the rest, is left out of
 * it until somebody works at the step; what is left stays a sentence, with the same fields in it.
 */

/** Tokens that the whole sentence alone says. */
export function aside(...tokens: readonly Token[]): Token[] {
  return tokens.map((token): Token => ({ ...token, said: 'asked' }));
}

/** Tokens that the whole sentence alone says if that is so. */
export function asideIf(isAsAlways: boolean, ...tokens: readonly Token[]): Token[] {
  return isAsAlways ? aside(...tokens) : [...tokens];
}

/** Words that stand in the short sentence alone, for what is left out there. */
export function inShort(words: string): Token {
  return { ...text(words), said: 'short' };
}

/** All that a step says. */
export function wholeSentence(tokens: readonly Token[]): Token[] {
  return tokens.filter(({ said }) => said !== 'short');
}

/** As many words as a short sentence has at most. */
const MOST_WORDS = 28;

/**
 * What a step says while nobody works at it, without the marks between what is left out and what drops a clause. What is
 * longer than a sentence that one reads at a glance ends with an ellipsis behind one of its clauses.
 */
export function shortSentence(tokens: readonly Token[]): Token[] {
  const left = tokens.filter(({ said, type }) => said !== 'asked' && type !== 'drop');
  const kept = left.filter((token, i) => {
    if (token.type !== 'text' || token.text !== ',') return true;
    const next = left.at(i + 1);
    return next !== undefined && !isMark(next);
  });
  return cutOff(kept);
}

const isMark = (token: Token) => token.type === 'text' && /^[.,;]/.test(token.text);

function cutOff(tokens: readonly Token[]): Token[] {
  let words = 0;
  let end = 0;
  for (const [i, token] of tokens.entries()) {
    if (isMark(token)) end = i;
    // A student's own words are read as one thing, however many they are.
    words += token.type === 'words' ? 1 : wordsIn(plainSentence([token]));
    if (words > MOST_WORDS && end > 0) return [...tokens.slice(0, end), text(', …')];
  }
  return [...tokens];
}

/** Words as they are counted by who reads: marks are none. */
function wordsIn(sentence: string): number {
  return sentence.split(/\s+/).filter((word) => /[\p{L}\p{N}]/u.test(word)).length;
}
