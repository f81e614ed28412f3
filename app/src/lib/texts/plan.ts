import { said, say } from '@kelbrin/core/words';

/** What the plan says, and drawing on it. */
export const planTexts = said({
  plan: 'Plan',
  middleOfPlate: 'middle of the plate',
  middleOf: (step: string) => say('middle of {step}', { step }),
  edgeOf: (edge: 'left' | 'right' | 'front' | 'back', step: string) =>
    say('{edge} of {step}', { edge, step }),
  axis: 'axis',
  fromAxis: 'distance from the axis',
  right: 'right',
  toRight: 'to the right',
  back: 'back',
  toBack: 'to the back',
  height: 'height',
  bendTitle: 'bend',
  bendOfEdge: 'bend of the edge after it',
  drawing: 'Drawing',
  outline: 'Outline',
  profile: 'Profile',
  smooth: 'Smooth',
  mirrored: 'Mirrored',
  freehand: 'Freehand',
  anew: 'Start again',
  done: 'Done',
  putIn: 'Double-click to put a point in',
  bend: 'Drag to bend the edge',
  how: 'Click to put points; click the first one again to close the outline.',
  points: 'Points',
  point: (number: number, words: string) => say('point {number}, {words}', { number, words }),
  addPoint: 'point',
  deletePoint: (number: number) => say('Delete point {number}', { number }),
} as const);
