import { at, besideLeft, joined, on, onPlate, recipeOf } from '../../starters/places.ts';
import type { LessonObject } from './lessonObject.ts';

const circle = (id: string, diameterMm: number, xMm: number, yMm: number) =>
  joined(id, { shape: 'circle', diameterMm }, xMm, yMm);

export const cloudTag: LessonObject = {
  title: 'A tag like a cloud',
  purpose: 'It hangs on the watering can and says whose it is.',
  recipe: recipeOf([
    {
      id: 's1',
      kind: 'extrude',
      name: 'cloud',
      effect: 'add',
      outline: {
        shape: 'combined',
        pieces: [
          joined('p1', { shape: 'roundedRectangle', widthMm: 64, depthMm: 22, cornerMm: 11 }),
          circle('p2', 24, -18, 8),
          circle('p3', 32, 0, 12),
          circle('p4', 22, 19, 8),
        ],
      },
      corners: [{ which: 'inner', finish: 'round', mm: 2 }],
      facing: 'up',
      depth: { type: 'by', mm: 2.6 },
      top: { finish: 'fillet', mm: 0.8 },
      placement: onPlate(),
    },
    {
      id: 's2',
      kind: 'letters',
      name: 'words',
      effect: 'raised',
      lettering: { words: 'Rain\nwater', font: 'rounded', size: { by: 'height', mm: 8 }, align: 'middle' },
      byMm: 1,
      facing: 'up',
      placement: on('s1', { y: { relation: 'centred', mm: -1 } }),
    },
    {
      id: 's3',
      kind: 'eyelet',
      name: 'loop',
      holeMm: 5,
      wallMm: 2.5,
      thickMm: 2.6,
      facing: 'up',
      placement: on('s1', { x: besideLeft(3.5), y: { relation: 'centred', mm: -8 }, z: at(0, 'low') }),
    },
  ]),
  teaches: [
    'A shape that is hard to draw is three circles and a bar, put together in one sentence.',
    'The corners where the circles meet turn inwards; rounded, they do not break or catch.',
    'Words in two lines stay one step, and so one height.',
  ],
};
