import { at, centredAlong, fromFront, fromRight, on, onPlate, recipeOf, share } from './places.ts';

/** A hook for the hose, which two countersunk screws hold to the shed. */
export const hoseHook = recipeOf([
  {
    id: 's1',
    kind: 'extrude',
    name: 'back plate',
    effect: 'add',
    outline: { shape: 'roundedRectangle', widthMm: 60, depthMm: 30, cornerMm: 3 },
    facing: 'up',
    depth: { type: 'by', mm: 4 },
    top: { finish: 'fillet', mm: 1 },
    placement: onPlate(),
  },
  {
    id: 's2',
    kind: 'solid',
    name: 'arm',
    effect: 'add',
    solid: { type: 'box', widthMm: 6, depthMm: 20, heightMm: 30 },
    placement: on('s1', { x: centredAlong, z: { relation: 'beside', edge: 'high', overlapMm: 1 } }),
  },
  {
    id: 's3',
    kind: 'solid',
    name: 'gusset',
    effect: 'add',
    solid: { type: 'wedge', widthMm: 12, depthMm: 4, heightMm: 16 },
    placement: on('s2', {
      x: { relation: 'beside', edge: 'high', overlapMm: 0.5 },
      y: centredAlong,
      z: at(3.5, 'low'),
    }),
  },
  {
    id: 's4',
    kind: 'hole',
    name: 'screw hole',
    size: { by: 'screw', screw: 'M4', play: 'normal' },
    depth: { type: 'through' },
    rim: { type: 'countersink', acrossMm: 8.4 },
    facing: 'up',
    placement: on('s1', { x: share(12), y: centredAlong, z: { relation: 'inFrom', edge: 'high', mm: 0 } }),
  },
  {
    id: 's5',
    kind: 'repeat',
    name: 'second screw hole',
    of: [{ step: 's4' }],
    pattern: { type: 'mirror', axis: 'x', about: { step: 's1' } },
  },
  {
    id: 's6',
    kind: 'extrude',
    name: 'lip',
    effect: 'add',
    outline: {
      shape: 'points',
      // Its underside leans out by 39°, which prints with nothing under it.
      nodes: [
        { xMm: 9, yMm: 0 },
        { xMm: 9, yMm: 14 },
        { xMm: 0, yMm: 14 },
        { xMm: 0, yMm: 11 },
      ],
      closed: true,
      smooth: false,
      mirrored: false,
    },
    facing: 'front',
    depth: { type: 'by', mm: 20 },
    placement: on('s2', {
      x: { relation: 'beside', edge: 'low', overlapMm: 1 },
      y: fromFront(0),
      z: fromRight(0),
    }),
  },
  {
    id: 's7',
    kind: 'edges',
    name: 'strong corner',
    finish: 'round',
    which: { between: { step: 's2' } },
    of: { step: 's1' },
    mm: 2,
  },
]);
