import { downFromTop, on, onPlate, recipeOf } from './places.ts';

/** A token to mark a row, like a coin: a recess on each face, a star in one and a number in the other. */
export const rowToken = recipeOf([
  {
    id: 's1',
    kind: 'extrude',
    name: 'coin',
    effect: 'add',
    outline: { shape: 'circle', diameterMm: 32 },
    facing: 'up',
    depth: { type: 'by', mm: 4 },
    top: { finish: 'fillet', mm: 0.8 },
    bottom: { finish: 'chamfer', mm: 0.5 },
    placement: onPlate(),
  },
  {
    id: 's2',
    kind: 'extrude',
    name: 'upper recess',
    effect: 'cut',
    outline: { shape: 'circle', diameterMm: 26 },
    facing: 'up',
    depth: { type: 'by', mm: 1 },
    top: { finish: 'chamfer', mm: 0.4 },
    placement: on('s1', { z: downFromTop }),
  },
  {
    id: 's3',
    kind: 'extrude',
    name: 'star',
    effect: 'add',
    outline: { shape: 'star', points: 5, outerMm: 20, innerMm: 9 },
    facing: 'up',
    depth: { type: 'by', mm: 1 },
    placement: on('s2', { z: { relation: 'inFrom', edge: 'low', mm: 0 } }),
  },
  {
    id: 's4',
    kind: 'letters',
    name: 'number',
    lettering: { words: '7', font: 'rounded', size: { by: 'height', mm: 14 } },
    effect: 'sunk',
    byMm: 0.8,
    facing: 'down',
    placement: on('s1'),
  },
]);
