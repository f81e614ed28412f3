import { said, say } from '@kelbrin/core/words';

/** A side of a step that what is dragged is caught by. */
type Side = 'left' | 'right' | 'front' | 'back' | 'lower' | 'upper';

const SIDES: Readonly<Record<Side, (step: string) => string>> = {
  left: (step) => say('left side of {step}', { step }),
  right: (step) => say('right side of {step}', { step }),
  front: (step) => say('front of {step}', { step }),
  back: (step) => say('back of {step}', { step }),
  lower: (step) => say('underside of {step}', { step }),
  upper: (step) => say('top of {step}', { step }),
};

/** What the plan says, and drawing on it. */
export const planTexts = said({
  plan: 'Plan',
  middleOfPlate: 'middle of the plate',
  middleOf: (step: string) => say('middle of {step}', { step }),
  topOfPlate: 'the plate',
  sideOf: (side: Side, step: string) => SIDES[side](step),
  corner: (number: number) => say('corner {number}', { number }),
  pieces: 'Pieces',
  piece: (letter: string) => say('piece {letter}', { letter }),
  whichPiece: 'Which piece',
  drawPiece: (letter: string) => say('draw {letter}', { letter }),
  middleOfOutline: 'middle of the outline',
  piecesSheet: 'Pieces of the outline',
  piecesHow: 'Drag the pieces. Arrow keys move the marked one.',
  done: 'Done',
} as const);
