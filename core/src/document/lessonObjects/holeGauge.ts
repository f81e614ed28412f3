import { by, fromBack, fromFront, on, onPlate, recipeOf, centredAlong } from '../../starters/places.ts';
import type { LessonObject } from './lessonObject.ts';

export const holeGauge: LessonObject = {
  title: 'A gauge for holes',
  purpose: 'Five holes, each with its size beside it: a cane or a peg that fits says which size to draw.',
  recipe: recipeOf(
    [
      {
        id: 's1',
        kind: 'extrude',
        name: 'strip',
        effect: 'add',
        outline: { shape: 'roundedRectangle', widthMm: by('hole + 10'), depthMm: 28, cornerMm: 0 },
        facing: 'up',
        depth: { type: 'by', mm: 3 },
        placement: onPlate(),
      },
      {
        id: 's2',
        kind: 'hole',
        name: 'trial hole',
        size: { by: 'diameter', mm: by('hole') },
        depth: { type: 'through' },
        facing: 'up',
        placement: on('s1', { y: fromBack(9), z: { relation: 'inFrom', edge: 'high', mm: 0 } }),
      },
      {
        id: 's3',
        kind: 'letters',
        name: 'size',
        lettering: { words: '{hole}', font: 'sturdy', size: { by: 'height', mm: 8 } },
        effect: 'raised',
        byMm: 0.8,
        facing: 'up',
        placement: on('s1', { x: centredAlong, y: fromFront(3) }),
      },
      {
        id: 's4',
        kind: 'sizes',
        name: 'other sizes',
        of: { measure: 'hole' },
        values: { by: 'growth', count: 5, more: 0.5 },
        axis: 'x',
        apartMm: 0,
      },
    ],
    [{ name: 'hole', value: 8 }],
  ),
  teaches: [
    'One sentence makes a row of sizes, and `hole` between braces writes each size beside its hole.',
    'What is drawn and what is printed differ: a gauge tells by how much.',
  ],
};
