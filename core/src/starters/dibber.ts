import { at, onPlate, recipeOf } from './places.ts';

/** A dibber, turned: it stands on its handle, and rings mark how deep a seed goes. */
export const dibber = recipeOf([
  {
    id: 's1',
    kind: 'revolve',
    name: 'body',
    effect: 'add',
    profile: {
      shape: 'points',
      nodes: [
        { xMm: 0, yMm: 0 },
        { xMm: 14, yMm: 0, bend: 40 },
        { xMm: 14, yMm: 14 },
        { xMm: 9, yMm: 24 },
        { xMm: 9, yMm: 70 },
        { xMm: 2, yMm: 92 },
        { xMm: 0, yMm: 92 },
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
    kind: 'revolve',
    name: 'mark',
    effect: 'cut',
    profile: {
      shape: 'points',
      nodes: [
        { xMm: 8, yMm: 0 },
        { xMm: 9.5, yMm: -0.4 },
        { xMm: 9.5, yMm: 1.6 },
      ],
      closed: true,
      smooth: false,
      mirrored: false,
    },
    deg: 360,
    facing: 'up',
    placement: onPlate({ z: at(30) }),
  },
  {
    id: 's3',
    kind: 'repeat',
    of: [{ step: 's2' }],
    pattern: { type: 'row', axis: 'z', count: 4, stepMm: 10 },
  },
  {
    id: 's4',
    kind: 'solid',
    name: 'tip',
    effect: 'add',
    solid: { type: 'ball', diameterMm: 4 },
    placement: onPlate({ z: at(92) }),
  },
]);
