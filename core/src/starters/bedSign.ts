import { fromBack, on, onPlate, recipeOf } from './places.ts';

/** A sign for a bed whose letters rise from its foot and lean back. */
export const bedSign = recipeOf([
  {
    id: 's1',
    kind: 'extrude',
    name: 'foot',
    effect: 'add',
    outline: { shape: 'roundedRectangle', widthMm: 90, depthMm: 30, cornerMm: 6 },
    facing: 'up',
    depth: { type: 'by', mm: 3 },
    bottom: { finish: 'chamfer', mm: 0.4 },
    placement: onPlate(),
  },
  {
    id: 's2',
    kind: 'sweep',
    of: { type: 'letters', lettering: { words: 'HERBS', font: 'slab', size: { by: 'width', mm: 76 } } },
    heightMm: 14,
    leanDeg: 30,
    towards: 'back',
    placement: on('s1', { y: fromBack(9) }),
  },
  {
    id: 's3',
    kind: 'colours',
    first: 'leafGreen',
    changes: [{ from: { by: 'step', of: { step: 's2' }, edge: 'low' }, colour: 'chalkWhite' }],
  },
]);
