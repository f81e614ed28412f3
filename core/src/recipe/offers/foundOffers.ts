import { say } from '../../words/index.ts';
import type { StepOffer, Variant } from './stepOffers.ts';

/**
 * The offers that somebody's words mean, those whose own name has the words first. Words that no offer knows are passed
 * over ("a hole for a ring"); of an offer that is known only by some of its variants, only those are left.
 */
export function foundOffers(offers: readonly StepOffer[], query: string): StepOffer[] {
  const known = offers.map((offer) => ({
    offer,
    own: [...wordsIn(offer.label), ...wordsIn(offer.words)],
    variants: offer.variants.map((variant) => ({
      variant,
      own: [...wordsIn(variant.label), ...wordsIn(variant.words)],
    })),
  }));
  const small = new Set(wordsIn(say('a an the for of to in into on with and or my it its')));
  const asked = wordsIn(query).filter((word) => !small.has(word));
  const all = known.flatMap(({ own, variants }) => [...own, ...variants.flatMap((each) => each.own)]);
  const meant = asked.filter((word) => has(all, word));
  if (asked.length === 0) return [...offers];
  if (meant.length === 0) return [];
  const found = known.flatMap(({ offer, own, variants }): { offer: StepOffer; rank: number }[] => {
    if (meant.every((word) => has(own, word))) return [{ offer, rank: rankOf(meant, offer.label, own) }];
    const left = variants
      .filter((each) => meant.every((word) => has(own, word) || has(each.own, word)))
      .map(({ variant }) => variant);
    if (left.length === 0) return [];
    const rank = Math.min(
      ...left.map(({ label, words }) => rankOf(meant, `${offer.label} ${label}`, wordsIn(words)) + 0.5),
    );
    return [{ offer: { ...offer, variants: left }, rank }];
  });
  return found.sort((a, b) => a.rank - b.rank).map(({ offer }) => offer);
}

/** What is taken of a list of offers at once: the only variant that is left of the first, or the first as it is. */
export function firstOf([first]: readonly StepOffer[]): { offer: StepOffer; variant?: Variant } | undefined {
  if (!first) return undefined;
  return first.variants.length === 1 ? { offer: first, variant: first.variants[0] } : { offer: first };
}

/** How far from its name words lead to an offer: 0 where all are words of the name, 3 where one only begins another word of it. */
function rankOf(meant: readonly string[], label: string, others: readonly string[]): number {
  const name = wordsIn(label);
  const rankOfWord = (word: string) =>
    name.includes(word) ? 0 : has(name, word) ? 1 : others.includes(word) ? 2 : 3;
  return Math.max(...meant.map(rankOfWord));
}

const has = (words: readonly string[], begin: string) => words.some((word) => word.startsWith(begin));

/** Words without marks and capitals, so that "cafe" finds "Café". */
function wordsIn(text: string): string[] {
  return text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '');
}
