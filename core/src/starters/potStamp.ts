import { at, on, onPlate, recipeOf } from './places.ts';

/** A stamp for clay pots: it is drawn as it is held, and set down on its top so that the letters print cleanly. */
export const potStamp = recipeOf([
  {
    id: 's1',
    kind: 'extrude',
    name: 'pad',
    effect: 'add',
    outline: { shape: 'roundedRectangle', widthMm: 40, depthMm: 24, cornerMm: 2 },
    facing: 'up',
    depth: { type: 'by', mm: 6 },
    taperDeg: 10,
    placement: onPlate({ z: at(2, 'low') }),
  },
  {
    id: 's2',
    kind: 'extrude',
    name: 'oval',
    effect: 'keep',
    outline: { shape: 'ellipse', widthMm: 40, depthMm: 26 },
    facing: 'up',
    depth: { type: 'through' },
    placement: onPlate(),
  },
  {
    id: 's3',
    kind: 'solid',
    name: 'handle',
    effect: 'add',
    solid: { type: 'cone', diameterMm: 16, topMm: 10, heightMm: 14 },
    placement: on('s1', { z: { relation: 'beside', edge: 'high', overlapMm: 0 } }),
  },
  {
    id: 's4',
    kind: 'solid',
    name: 'knob',
    effect: 'add',
    solid: { type: 'cylinder', diameterMm: 18, heightMm: 6 },
    placement: on('s3'),
  },
  {
    id: 's5',
    kind: 'letters',
    lettering: { words: 'KIT', font: 'stencil', size: { by: 'height', mm: 9 }, mirrored: true },
    effect: 'raised',
    byMm: 1.5,
    facing: 'down',
    placement: on('s1', { z: { relation: 'beside', edge: 'low', overlapMm: 0 } }),
  },
  { id: 's6', kind: 'setDown', face: { normal: [0, 0, 1] }, turnDeg: 90 },
]);
