import { centredAlong, downFromTop, on, onPlate, recipeOf } from '../../starters/places.ts';
import type { LessonObject } from './lessonObject.ts';

export const seedBox: LessonObject = {
  title: 'A box for seeds',
  purpose: 'It keeps a spoonful of seeds dry on the shelf.',
  recipe: recipeOf([
    {
      id: 's1',
      kind: 'solid',
      name: 'box',
      effect: 'add',
      solid: {
        type: 'box',
        widthMm: 46,
        depthMm: 34,
        heightMm: 18,
        edges: { which: 'upright', finish: 'round', mm: 5 },
      },
      placement: onPlate(),
    },
    {
      id: 's2',
      kind: 'solid',
      name: 'pocket',
      effect: 'cut',
      solid: {
        type: 'box',
        widthMm: 41,
        depthMm: 29,
        heightMm: 15.6,
        edges: { which: 'upright', finish: 'round', mm: 3 },
      },
      placement: on('s1', { x: centredAlong, y: centredAlong, z: downFromTop }),
    },
    {
      id: 's3',
      kind: 'edges',
      name: 'soft rim',
      finish: 'round',
      which: 'upper',
      mm: 0.8,
    },
    {
      id: 's4',
      kind: 'edges',
      name: 'easy to empty',
      finish: 'round',
      which: 'all',
      of: { step: 's2' },
      mm: 2,
    },
  ]),
  teaches: [
    'A pocket begins flush with the face that it cuts.',
    'The rim is rounded on both sides at once, because both edges lie around the top.',
    'Edges that go in are filled: the floor meets its walls in a curve, and the last seed rolls out.',
  ],
};
