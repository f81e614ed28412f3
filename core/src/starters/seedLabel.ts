import { downFromTop, fromLeft, on, onPlate, recipeOf } from './places.ts';

/** A seed-tray label: a plate, a hole for the string, and the plant's name in what is free of it. */
export const seedLabel = recipeOf([
  {
    id: 's1',
    kind: 'extrude',
    name: 'plate',
    effect: 'add',
    outline: { shape: 'roundedRectangle', widthMm: 84, depthMm: 28, cornerMm: 5 },
    facing: 'up',
    depth: { type: 'by', mm: 2.6 },
    top: { finish: 'chamfer', mm: 0.6 },
    placement: onPlate(),
  },
  {
    id: 's2',
    kind: 'hole',
    size: { by: 'diameter', mm: 4.5 },
    depth: { type: 'through' },
    facing: 'up',
    placement: on('s1', { x: fromLeft(7), z: downFromTop }),
  },
  {
    id: 's3',
    kind: 'letters',
    lettering: { words: 'Basil', font: 'sturdy', size: { by: 'height', mm: 12 } },
    effect: 'raised',
    byMm: 1.2,
    facing: 'up',
    placement: on('s1'),
    free: { marginMm: 1.5 },
  },
]);
