import type { Anchor } from '../shared/remark.ts';

/** A remark as the server tells it. */
export interface Remark {
  readonly id: string;
  readonly words: string;
  readonly anchor: Anchor;
}

/** A place's name: A, B, C … and after Z, A again with a number. */
export function letterOf(index: number): string {
  const round = Math.floor(index / 26);
  return String.fromCharCode(65 + (index % 26)) + (round === 0 ? '' : String(round + 1));
}

/** The remarks at places, each with the letter under which it stands on the solid. */
export function placesOf(remarks: readonly Remark[]) {
  return remarks
    .flatMap(({ id, words, anchor }) => ('at' in anchor ? [{ id, words, at: anchor.at }] : []))
    .map((place, index) => ({ ...place, letter: letterOf(index) }));
}

/** The remarks at sentences. */
export function sentencesOf(remarks: readonly Remark[]) {
  return remarks.flatMap(({ id, words, anchor }) =>
    'step' in anchor ? [{ id, words, step: anchor.step }] : [],
  );
}
