import {
  BARE_LETTER,
  cutsOfFont,
  LENDING_FONT,
  signCuts,
  thinnestStrokesOfCut,
  type CutName,
  type WrittenFont,
} from './cuts.ts';
import { fontNames, type FontName } from './fontNames.ts';
import { scriptNames, scriptOf } from './scripts.ts';
import { spelled, type Run } from './spelled.ts';
import { say } from '../words/index.ts';

/** What of some words is not of their font, as a sentence says it: "Greek letters from Sturdy"; undefined for nothing. */
export function lentWords(words: string, font: FontName): string | undefined {
  const runs = runsIn(words, font);
  const signs = new Set<string>();
  const lent = new Set<string>();
  for (const { text, cut } of runs) {
    if (cutsOfFont[font].includes(cut)) continue;
    const script = signCuts.includes(cut) ? undefined : scriptOf(text);
    if (script) lent.add(scriptNames[script]);
    else for (const sign of text) if (sign.trim() !== '') signs.add(sign);
  }
  const parts = [
    ...[...lent].map((what) => say('{what} from {font}', { what, font: fontNames[LENDING_FONT] })),
    ...(signs.size > 0
      ? [
          say('{count, plural, one {{signs} as a plain sign} other {{signs} as plain signs}}', {
            signs: [...signs].join(' '),
            count: signs.size,
          }),
        ]
      : []),
  ];
  return parts.length > 0 ? parts.join(', ') : undefined;
}

/** The thinnest stroke that some words can have in a font, as a share of the height of a capital. */
export function thinnestStroke(font: FontName, words: string): number {
  const strokes = runsIn(words, font).flatMap(({ text, cut }) => {
    const thinnest = thinnestStrokesOfCut[cut];
    if (!thinnest) return [];
    const isMarked = [...text].some((sign) => /\p{L}/u.test(sign) && !BARE_LETTER.test(sign));
    return isMarked ? [thinnest.bare, thinnest.marked] : [thinnest.bare];
  });
  return strokes.length > 0 ? Math.min(...strokes) : thinnestStrokesOfCut[cutsOfFont[font][0]]!.bare;
}

/** The files that some words are set from in a font. */
export function cutsFor(words: string, font: WrittenFont): CutName[] {
  return [...new Set(runsIn(words, font).map(({ cut }) => cut))];
}

function runsIn(words: string, font: WrittenFont): readonly Run[] {
  return spelled(words, font).lines.flat();
}
