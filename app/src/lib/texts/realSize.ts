import { said } from '@kelbrin/core/words';

/** The part as large as it will be in the hand. */
export const realSizeTexts = said({
  title: 'Real size',
  sides: { above: 'from above', front: 'from the front' },
  measureScreen: 'Measure this screen with a bank card',
  holdCard: 'Hold a bank card against the screen. Make the frame just as large.',
} as const);
