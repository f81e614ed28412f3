import { at, downFromTop, on, onPlate, recipeOf } from './places.ts';

/** A foot that a pot stands on, with notches around its rim for the water to run off. */
export const potFoot = recipeOf([
  {
    id: 's1',
    kind: 'revolve',
    name: 'foot',
    effect: 'add',
    profile: {
      shape: 'points',
      nodes: [
        { xMm: 0, yMm: 0 },
        { xMm: 20, yMm: 0 },
        { xMm: 20, yMm: 6 },
        { xMm: 16, yMm: 12 },
        { xMm: 0, yMm: 12 },
      ],
      closed: true,
      smooth: false,
      mirrored: false,
    },
    deg: 360,
    facing: 'up',
    placement: onPlate(),
  },
  {
    id: 's2',
    kind: 'extrude',
    name: 'notch',
    effect: 'cut',
    outline: { shape: 'circle', diameterMm: 6 },
    facing: 'up',
    depth: { type: 'through' },
    placement: onPlate({ x: at(20) }),
  },
  {
    id: 's3',
    kind: 'repeat',
    of: [{ step: 's2' }],
    pattern: { type: 'around', axis: 'z', count: 6, deg: 360, about: { step: 's1' } },
  },
  {
    id: 's4',
    kind: 'hole',
    name: 'screw hole',
    size: { by: 'screw', screw: 'M5', play: 'normal' },
    depth: { type: 'through' },
    rim: { type: 'counterbore', acrossMm: 11, deepMm: 4 },
    facing: 'up',
    placement: on('s1', { z: downFromTop }),
  },
]);
