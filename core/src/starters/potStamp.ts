import { at, centredAlong, on, onPlate, recipeOf } from './places.ts';

/**
 * A stamp for clay pots: it is drawn as it is held, mirrored so that it stamps what one reads, and set down on its knob, so
 * that its letters print cleanly. The handle widens to the pad by less than 45°, and so nothing hangs.
 */
export const potStamp = recipeOf([
  {
    id: 's1',
    kind: 'extrude',
    name: 'pad',
    effect: 'add',
    outline: { shape: 'roundedRectangle', widthMm: 40, depthMm: 26, cornerMm: 2 },
    facing: 'up',
    depth: { type: 'by', mm: 4 },
    taperDeg: 10,
    placement: onPlate({ z: at(2, 'low') }),
  },
  {
    id: 's3',
    kind: 'solid',
    name: 'handle',
    effect: 'add',
    solid: { type: 'cone', diameterMm: 40, topMm: 10, heightMm: 15.6 },
    placement: on('s1', { z: { relation: 'beside', edge: 'high', overlapMm: 0 } }),
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
    id: 's4',
    kind: 'solid',
    name: 'knob',
    effect: 'add',
    solid: { type: 'cylinder', diameterMm: 18, heightMm: 6 },
    placement: on('s3'),
  },
  {
    id: 's7',
    kind: 'solid',
    name: 'grip',
    effect: 'add',
    solid: { type: 'ring', outerMm: 19, rodMm: 2 },
    placement: on('s4', { z: centredAlong }),
  },
  {
    id: 's5',
    kind: 'letters',
    lettering: { words: 'KIT', font: 'stencil', size: { by: 'height', mm: 9 } },
    effect: 'raised',
    byMm: 1.5,
    facing: 'down',
    placement: on('s1', { z: { relation: 'beside', edge: 'low', overlapMm: 0 } }),
  },
  { id: 's8', kind: 'mirror', axis: 'x' },
  { id: 's6', kind: 'setDown', face: { normal: [0, 0, 1] }, turnDeg: 90 },
]);
