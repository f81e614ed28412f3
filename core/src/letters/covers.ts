import { coverage } from './coverage.ts';
import type { CutName } from './cuts.ts';

const rangesOf = new Map<CutName, readonly (readonly [number, number])[]>();

/** First and last code point of each stretch that a file has signs for. */
export function rangesOfCut(cut: CutName): readonly (readonly [number, number])[] {
  let ranges = rangesOf.get(cut);
  if (!ranges) {
    ranges = coverage[cut].split(',').map((range) => {
      const [first, last = first] = range.split('-').map((hex) => Number.parseInt(hex, 16));
      return [first, last] as const;
    });
    rangesOf.set(cut, ranges);
  }
  return ranges;
}

/** Whether a file has all signs of a letter with its marks. What is never drawn (joiners, selectors) is no sign. */
export function covers(cut: CutName, letter: string): boolean {
  return [...letter].every((sign) => {
    const code = sign.codePointAt(0)!;
    return NEVER_DRAWN.test(sign) || rangesOfCut(cut).some(([first, last]) => first <= code && code <= last);
  });
}

const NEVER_DRAWN = /\p{Default_Ignorable_Code_Point}/u;
