import { centredAlong, on, onPlate, recipeOf } from './places.ts';

/** A wind spinner of upright fins around an axis, trimmed to stand flat, with a loop to hang it by. */
export const windSpinner = recipeOf([
  {
    id: 's1',
    kind: 'extrude',
    name: 'fin',
    effect: 'add',
    outline: { shape: 'ellipse', widthMm: 60, depthMm: 50 },
    facing: 'front',
    depth: { type: 'by', mm: 1.6 },
    placement: onPlate({ z: { relation: 'at', own: 'low', mm: -10 } }),
  },
  {
    id: 's2',
    kind: 'repeat',
    of: [{ step: 's1' }],
    pattern: { type: 'around', axis: 'z', count: 3, deg: 120, about: { plate: true } },
  },
  { id: 's3', kind: 'trim', away: 'below', atMm: 0 },
  {
    id: 's4',
    kind: 'eyelet',
    holeMm: 4,
    wallMm: 2.5,
    thickMm: 2.4,
    facing: 'front',
    placement: on('s1', {
      x: centredAlong,
      y: centredAlong,
      z: { relation: 'beside', edge: 'high', overlapMm: 2.5 },
    }),
  },
]);
