import {
  besideRight,
  by,
  centredAlong,
  downFromTop,
  fromRight,
  on,
  onPlate,
  recipeOf,
  joined,
  leftOut,
  share,
} from './places.ts';

/** A clip that snaps onto a garden cane, with a tab for a label. */
export const caneClip = recipeOf(
  [
    {
      id: 's1',
      kind: 'extrude',
      name: 'clip',
      effect: 'add',
      outline: {
        shape: 'combined',
        pieces: [
          joined('p1', { shape: 'circle', diameterMm: by('cane + play + 2 * wall') }),
          leftOut('p2', { shape: 'circle', diameterMm: by('cane + play') }),
          leftOut('p3', { shape: 'roundedRectangle', widthMm: 20, depthMm: by('mouth'), cornerMm: 0 }, -10),
        ],
      },
      facing: 'up',
      depth: { type: 'by', mm: 12 },
      placement: onPlate(),
    },
    {
      id: 's2',
      kind: 'extrude',
      name: 'tab',
      effect: 'add',
      outline: { shape: 'roundedRectangle', widthMm: 24, depthMm: 12, cornerMm: 0.6 },
      facing: 'front',
      depth: { type: 'by', mm: by('wall') },
      placement: on('s1', {
        x: besideRight(by('wall - 0.4')),
        y: centredAlong,
        z: { relation: 'at', own: 'low', mm: 0 },
      }),
    },
    {
      id: 's3',
      kind: 'hole',
      size: { by: 'fit', mm: 3, fit: 'loose' },
      depth: { type: 'through' },
      facing: 'front',
      placement: on('s2', { x: fromRight(6), y: downFromTop, z: centredAlong }),
    },
    {
      id: 's4',
      kind: 'letters',
      name: 'mark',
      lettering: { words: 'I', font: 'stencil', size: { by: 'height', mm: 5 } },
      effect: 'through',
      byMm: 1,
      facing: 'front',
      placement: on('s2', { x: share(42), z: centredAlong }),
    },
  ],
  [
    { name: 'cane', value: 8 },
    { name: 'play', value: 0.4 },
    { name: 'wall', value: 2.4 },
    { name: 'mouth', value: { formula: 'cane * 0.8' } },
  ],
);
