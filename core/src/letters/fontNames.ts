import { said } from '../words/index.ts';

/** The fonts that ship with Kelbrin, each with strokes that print. */
export const fontNames = said({
  sturdy: 'Sturdy',
  rounded: 'Rounded',
  slab: 'Slab',
  narrow: 'Narrow',
  stencil: 'Stencil',
  script: 'Script',
  typewriter: 'Typewriter',
  hand: 'Hand',
} as const);
export type FontName = keyof typeof fontNames;
