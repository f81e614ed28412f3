import fc from 'fast-check';

/** One change of words or bytes. Places are shares of the length, so that a change means much the same at any length. */
type Change =
  | { readonly kind: 'cut'; readonly at: number; readonly share: number }
  | { readonly kind: 'repeat'; readonly at: number; readonly share: number; readonly times: number }
  | { readonly kind: 'insert'; readonly at: number; readonly word: string; readonly times: number }
  | { readonly kind: 'number'; readonly nth: number; readonly to: string }
  | { readonly kind: 'move'; readonly at: number; readonly share: number; readonly to: number };

/** Numbers that are no ordinary ones. */
const NUMBERS = ['0', '-0', '1e309', '-1e308', '1e-320', 'NaN', '99999999999999999999', '-1', '0.1', '1,5', '٣', '0x10', '4294967296', '']; // oxfmt-ignore

const place = fc.double({ min: 0, max: 1, noNaN: true });
const times = fc.oneof(
  { weight: 6, arbitrary: fc.integer({ min: 1, max: 6 }) },
  { weight: 2, arbitrary: fc.integer({ min: 100, max: 3000 }) },
  { weight: 1, arbitrary: fc.integer({ min: 20_000, max: 300_000 }) },
);

const changeOf = (words: readonly string[]): fc.Arbitrary<Change> =>
  fc.oneof(
    fc.record({ kind: fc.constant('cut' as const), at: place, share: place }),
    fc.record({ kind: fc.constant('repeat' as const), at: place, share: place, times }),
    fc.record({
      kind: fc.constant('insert' as const),
      at: place,
      word: fc.oneof(
        { weight: 4, arbitrary: fc.constantFrom(...words) },
        { weight: 1, arbitrary: fc.string({ unit: 'binary', maxLength: 12 }) },
      ),
      times,
    }),
    fc.record({ kind: fc.constant('number' as const), nth: fc.nat(200), to: fc.constantFrom(...NUMBERS) }),
    fc.record({ kind: fc.constant('move' as const), at: place, share: place, to: place }),
  );

/**
 * Words made from good ones by a few changes that keep most of their structure: pieces cut out, said again many times or
 * moved, words of the format put where they do not belong, numbers that no one writes. No longer than `most` letters.
 */
export function changedWords(
  good: readonly string[],
  words: readonly string[],
  most: number,
): fc.Arbitrary<string> {
  return fc
    .tuple(fc.constantFrom(...good), fc.array(changeOf(words), { minLength: 1, maxLength: 6 }))
    .map(([base, changes]) => changes.reduce((now, change) => changed(now, change, most), base));
}

function changed(words: string, change: Change, most: number): string {
  const spot = (share: number) => Math.floor(share * words.length);
  switch (change.kind) {
    case 'cut':
      return words.slice(0, spot(change.at)) + words.slice(spot(change.at) + lengthOf(change.share, words));
    case 'repeat': {
      const piece = words.slice(spot(change.at), spot(change.at) + lengthOf(change.share, words));
      return words.slice(0, spot(change.at)) + repeated(piece, change.times, most - words.length) + words.slice(spot(change.at)); // oxfmt-ignore
    }
    case 'insert':
      return words.slice(0, spot(change.at)) + repeated(change.word, change.times, most - words.length) + words.slice(spot(change.at)); // oxfmt-ignore
    case 'number': {
      const numbers = [...words.slice(0, 20_000).matchAll(/-?\d+(?:\.\d+)?/g)];
      if (numbers.length === 0) return words;
      const { index, 0: number } = numbers[change.nth % numbers.length];
      return words.slice(0, index) + change.to + words.slice(index + number.length);
    }
    case 'move': {
      const piece = words.slice(spot(change.at), spot(change.at) + lengthOf(change.share, words));
      const rest = words.slice(0, spot(change.at)) + words.slice(spot(change.at) + piece.length);
      const to = Math.floor(change.to * rest.length);
      return rest.slice(0, to) + piece + rest.slice(to);
    }
  }
}

/** Short pieces more often than long ones. */
function lengthOf(share: number, { length }: string): number {
  return Math.ceil(share ** 3 * length);
}

function repeated(piece: string, count: number, room: number): string {
  if (piece === '') return '';
  return piece.repeat(Math.max(0, Math.min(count, Math.floor(room / piece.length))));
}

/** Bytes made from good ones by changes of single bytes, pieces that are cut, and pieces that are put in. */
export function changedBytes(good: fc.Arbitrary<Uint8Array>): fc.Arbitrary<Uint8Array> {
  const edit = fc.record({
    at: place,
    to: fc.oneof(fc.nat(255), fc.constantFrom(0, 255, 128)),
    length: fc.nat(8),
  });
  return fc.tuple(good, fc.array(edit, { maxLength: 8 }), place).map(([base, edits, end]) => {
    const bytes = base.slice();
    for (const { at, to, length } of edits) {
      const from = Math.floor(at * bytes.length);
      bytes.fill(to, from, from + length);
    }
    return end < 0.2 ? bytes.slice(0, Math.floor((end / 0.2) * bytes.length)) : bytes;
  });
}
