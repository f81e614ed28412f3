import { by, onPlate, recipeOf } from '../../starters/places.ts';
import type { LessonObject } from './lessonObject.ts';

export const caneRings: LessonObject = {
  title: 'Five trial rings for canes',
  purpose: 'One of them slides over the cane and stays: that size is used for the clip.',
  recipe: recipeOf(
    [
      {
        id: 's1',
        kind: 'extrude',
        name: 'ring',
        effect: 'add',
        outline: { shape: 'ring', outerMm: by('cane + 5'), innerMm: by('cane') },
        facing: 'up',
        depth: { type: 'by', mm: 6 },
        placement: onPlate(),
      },
      {
        id: 's2',
        kind: 'edges',
        name: 'soft edges',
        finish: 'slope',
        which: 'upper',
        mm: 0.6,
      },
    ],
    [{ name: 'cane', value: 8 }],
  ),
  teaches: [
    'Five parts come from one sentence and a table of sizes.',
    'Plastic shrinks, and hands differ: trying is quicker than reckoning.',
  ],
  family: { measures: ['cane'], rows: [[8], [8.2], [8.4], [8.6], [8.8]] },
};
