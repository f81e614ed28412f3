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
          circle('p2', 24, -20, 8),
          circle('p3', 32, -2, 12),
          circle('p4', 24, 17, 9),
          circle('p5', 20, 24, 2),
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
      kind: 'eyelet',
      name: 'loop',
      holeMm: 5,
      wallMm: 2.5,
      thickMm: 2.6,
      facing: 'up',
      placement: on('s1', { x: besideLeft(3.5), y: { relation: 'centred', mm: -8 }, z: at(0, 'low') }),
    },
    {
      id: 's3',
      kind: 'letters',
      name: 'words',
      effect: 'raised',
      lettering: { words: 'Rain\nДождь', font: 'sturdy', size: { by: 'room', marginMm: 2 } },
      byMm: 1,
      facing: 'up',
      placement: on('s1'),
    },
    {
      id: 's4',
      kind: 'colours',
      name: 'colours',
      first: 'inkBlue',
      changes: [{ from: { by: 'step', of: { step: 's3' }, edge: 'low' }, colour: 'chalkWhite' }],
    },
  ]),
  teaches: [
    'A shape that is hard to draw is four circles and a bar, put together in one sentence.',
    'The corners where the circles meet turn inwards; rounded, they do not break or catch.',
    'Words in two lines and two scripts stay one step; as large as fits, they keep clear of the edge by themselves.',
    'A second colour begins where the letters do: the printer stops once and the roll is changed.',
  ],
};
