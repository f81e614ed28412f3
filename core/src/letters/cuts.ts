import type { FontName } from './fontNames.ts';

/**
 * The files that letters come from. A font is written with its own file first and with companions of the same character
 * for the scripts that its makers left out. `core/assets/fonts/README.md` says where each file is from.
 */
export const cutNames = [
  'sturdy',
  'sturdy-greek',
  'sturdy-world',
  'rounded',
  'rounded-greek',
  'rounded-arabic',
  'slab',
  'slab-greek',
  'narrow',
  'narrow-greek',
  'stencil',
  'script',
  'typewriter',
  'typewriter-greek',
  'hand',
  'hand-greek',
  'signs',
  'signs-more',
  'drawing',
  'drawing-greek',
] as const;
export type CutName = (typeof cutNames)[number];

/** What drawing sheets are lettered in; it is too thin to print, so no recipe writes with it. */
export const DRAWING_FONT = 'drawing';
export type WrittenFont = FontName | typeof DRAWING_FONT;

/** The files of each font, in the order in which they are asked for a letter. */
export const cutsOfFont: Readonly<Record<WrittenFont, readonly CutName[]>> = {
  sturdy: ['sturdy', 'sturdy-greek', 'sturdy-world'],
  rounded: ['rounded', 'rounded-greek', 'rounded-arabic'],
  slab: ['slab', 'slab-greek'],
  narrow: ['narrow', 'narrow-greek'],
  stencil: ['stencil'],
  script: ['script'],
  typewriter: ['typewriter', 'typewriter-greek'],
  hand: ['hand', 'hand-greek'],
  drawing: ['drawing', 'drawing-greek'],
};

/** The font that lends letters to the others; it has the most scripts. */
export const LENDING_FONT: FontName = 'sturdy';

/** Hearts, stars, ticks and the like, which are of no font. */
export const signCuts: readonly CutName[] = ['signs', 'signs-more'];

/** Every file that a font may be written with: its own, the lent ones, the signs. */
export function everyCutFor(font: WrittenFont): readonly CutName[] {
  return [...new Set([...cutsOfFont[font], ...cutsOfFont[LENDING_FONT], ...signCuts])];
}

/**
 * The thinnest stroke of a file as a share of the height of a capital: among bare letters and figures, and among letters
 * with marks (å, ğ, ė). A test measures both. Signs have none: they are as thick as they are drawn; nor has what is not printed.
 */
export const thinnestStrokesOfCut: Readonly<Partial<Record<CutName, { bare: number; marked: number }>>> = {
  sturdy: { bare: 0.133, marked: 0.117 },
  'sturdy-greek': { bare: 0.144, marked: 0.148 },
  'sturdy-world': { bare: 0.079, marked: 0.068 },
  rounded: { bare: 0.117, marked: 0.102 },
  'rounded-greek': { bare: 0.11, marked: 0.099 },
  'rounded-arabic': { bare: 0.11, marked: 0.139 },
  slab: { bare: 0.074, marked: 0.074 },
  'slab-greek': { bare: 0.119, marked: 0.086 },
  narrow: { bare: 0.134, marked: 0.088 },
  'narrow-greek': { bare: 0.118, marked: 0.137 },
  stencil: { bare: 0.18, marked: 0.121 },
  script: { bare: 0.07, marked: 0.08 },
  typewriter: { bare: 0.101, marked: 0.094 },
  'typewriter-greek': { bare: 0.117, marked: 0.121 },
  hand: { bare: 0.101, marked: 0.077 },
  'hand-greek': { bare: 0.133, marked: 0.115 },
};

/** Bare letters and figures, whose strokes are as thick as the font's own. */
export const BARE_LETTER = /[0-9A-Za-zΑ-Ωα-ωА-Яа-яא-תء-ي]/u;

/**
 * The height of a capital in units of the file, for files whose own word for it is of no use: a heart is as tall as a
 * capital.
 */
export const capUnitsOfCut: Readonly<Partial<Record<CutName, number>>> = { signs: 720 };
