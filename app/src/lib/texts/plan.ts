import { said, say } from '@kelbrin/core/words';

/** What the plan says, and drawing on it. */
export const planTexts = said({
  plan: 'Plan',
  middleOfPlate: 'middle of the plate',
  middleOf: (step: string) => say('middle of {step}', { step }),
  edgeOf: (edge: 'left' | 'right' | 'front' | 'back', step: string) =>
    say('{edge} of {step}', { edge, step }),
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
