import {
  besideLeft,
  downFromTop,
  fromBottom,
  fromPlate,
  offMiddle,
  on,
  onPlate,
  recipeOf,
} from './places.ts';

/** A leaf badge from a drawing, with a border left around a sunk field. */
export const leafBadge = recipeOf([
  {
    id: 's1',
    kind: 'extrude',
    name: 'leaf',
    effect: 'add',
    outline: {
      shape: 'svg',
      name: 'leaf.svg',
      widthMm: 50,
      outlines: [
        [
          -10, 0, -8.5, 2.2, -6.2, 4.1, -3.2, 5.2, 0, 5.4, 3.2, 4.8, 6.2, 3.4, 8.6, 1.6, 10, 0, 8.6, -1.6,
          6.2, -3.4, 3.2, -4.8, 0, -5.4, -3.2, -5.2, -6.2, -4.1, -8.5, -2.2,
        ],
      ],
    },
    corners: [
      { which: 'outer', finish: 'round', mm: 1 },
      { which: 'inner', finish: 'round', mm: 1 },
    ],
    facing: 'up',
    depth: { type: 'by', mm: 3 },
    placement: onPlate(),
  },
  {
    id: 's2',
    kind: 'extrude',
    name: 'field',
    effect: 'cut',
    outline: { shape: 'ofStep', of: { step: 's1' }, growMm: -2 },
    facing: 'up',
    depth: { type: 'by', mm: 1 },
    placement: on('s1', { z: downFromTop }),
  },
  {
    id: 's3',
    kind: 'eyelet',
    holeMm: 4,
    wallMm: 2.5,
    thickMm: 3,
    facing: 'up',
    placement: on('s1', { x: besideLeft(4), z: fromPlate }),
  },
  {
    id: 's4',
    kind: 'extrude',
    name: 'heart',
    effect: 'add',
    outline: { shape: 'heart', widthMm: 8 },
    facing: 'up',
    depth: { type: 'by', mm: 0.6 },
    placement: on('s2', { x: offMiddle(9), z: fromBottom }),
  },
  {
    id: 's5',
    kind: 'solid',
    name: 'drop of dew',
    effect: 'add',
    solid: { type: 'dome', diameterMm: 4 },
    placement: on('s2', { y: offMiddle(3), z: fromBottom }),
  },
]);
