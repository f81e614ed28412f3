import { at, centredAlong, fromPlate, offMiddle, on, onPlate, recipeOf } from './places.ts';

/** A peg that holds a drip hose to the soil: a drop with a tapered stake, lying flat. */
export const dripPeg = recipeOf([
  {
    id: 's1',
    kind: 'extrude',
    name: 'head',
    effect: 'add',
    outline: { shape: 'drop', diameterMm: 22, lengthMm: 34 },
    turnDeg: 180,
    facing: 'up',
    depth: { type: 'by', mm: 5 },
    placement: onPlate(),
  },
  {
    id: 's2',
    kind: 'extrude',
    name: 'hose',
    effect: 'cut',
    outline: { shape: 'ellipse', widthMm: 9, depthMm: 8 },
    facing: 'up',
    depth: { type: 'through' },
    placement: on('s1', { y: offMiddle(6), z: fromPlate }),
  },
  {
    id: 's3',
    kind: 'solid',
    name: 'stake',
    effect: 'add',
    solid: { type: 'box', widthMm: 6, depthMm: 50, heightMm: 5 },
    placement: on('s1', {
      x: centredAlong,
      y: { relation: 'beside', edge: 'low', overlapMm: 12 },
      z: fromPlate,
    }),
  },
  { id: 's4', kind: 'trim', name: 'point, left', away: 'front', atMm: -40, tiltDeg: 0 },
  {
    id: 's5',
    kind: 'extrude',
    name: 'mouth',
    effect: 'cut',
    outline: { shape: 'sector', diameterMm: 30, deg: 40 },
    facing: 'up',
    depth: { type: 'by', mm: 2 },
    placement: onPlate({ y: at(9, 'low'), z: { relation: 'at', own: 'low', mm: 3 } }),
  },
]);
