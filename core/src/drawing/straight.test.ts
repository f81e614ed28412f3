import { describe, it } from 'vitest';
import { asks, expectToBecome, figure, type DrawnFigure } from '../../test/figures.ts';

const { apart, across, up, level, upright, parallel, square, slant, angle, equal } = asks;
const { symmetric, held, onAxis, inMiddle, beside } = asks;

const quad = figure('0,0 29,1 31,19 -1,21');
const triangle = figure('0,0 38,3 4,27');
/** Level and upright sides of the four-sided figure, and its first point held. */
const box = [held(0, 0, 0), level(0, 1), upright(1, 2), level(2, 3), upright(3, 0)];
const base = [held(0, 0, 0), level(0, 1)];
const half = Math.sqrt(3) / 2;

const drawings: readonly DrawnFigure[] = [
  {
    name: 'a rectangle by two sides',
    drawn: quad,
    asked: [...box, apart(0, 1, 30), apart(1, 2, 20)],
    points: '0,0 30,0 30,20 0,20',
    open: 0,
  },
  {
    name: 'a square by one side and equal ones',
    drawn: quad,
    asked: [...box, apart(0, 1, 25), equal(0, 1)],
    points: '0,0 25,0 25,25 0,25',
    open: 0,
  },
  {
    name: 'a rectangle by three right angles',
    drawn: quad,
    asked: [...base, square(0, 1), square(1, 2), square(2, 3), apart(0, 1, 40), apart(1, 2, 10)],
    points: '0,0 40,0 40,10 0,10',
    open: 0,
  },
  {
    name: 'a rectangle by its diagonal and a side',
    drawn: quad,
    asked: [...box, apart(0, 1, 40), apart(0, 2, 50)],
    points: '0,0 40,0 40,30 0,30',
    open: 0,
  },
  {
    name: 'a rectangle about the axis',
    drawn: figure('-14,0 16,1 15,19 -16,21'),
    asked: [
      symmetric(0, 1),
      symmetric(3, 2),
      upright(1, 2),
      across(0, 1, 36),
      up(1, 2, 12),
      level(2, 3),
      held(0, -18, 0),
    ],
    points: '-18,0 18,0 18,12 -18,12',
    open: 0,
  },
  {
    name: 'a triangle of three, four and five',
    drawn: triangle,
    asked: [...base, apart(0, 1, 40), apart(1, 2, 50), apart(2, 0, 30)],
    points: '0,0 40,0 0,30',
    open: 0,
  },
  {
    name: 'a triangle of equal sides',
    drawn: triangle,
    asked: [...base, apart(0, 1, 40), equal(0, 1), equal(1, 2)],
    points: [
      [0, 0],
      [40, 0],
      [20, 40 * half],
    ],
    open: 0,
  },
  {
    name: 'a triangle by a side and the angles at it',
    drawn: triangle,
    asked: [...base, apart(0, 1, 40), angle(2, 0, 1, 60), angle(0, 1, 2, 60)],
    points: [
      [0, 0],
      [40, 0],
      [20, 40 * half],
    ],
    open: 0,
  },
  {
    name: 'a triangle by two sides and the angle between them',
    drawn: triangle,
    asked: [...base, apart(0, 1, 40), apart(0, 2, 20), angle(1, 0, 2, 90)],
    points: '0,0 40,0 0,20',
    open: 0,
  },
  {
    name: 'a triangle by its height',
    drawn: triangle,
    asked: [...base, apart(0, 1, 40), beside(2, 0, 15), across(0, 2, 10)],
    points: '0,0 40,0 10,15',
    open: 0,
  },
  {
    name: 'a gable by its axis',
    drawn: figure('-17,0 16,1 2,22'),
    asked: [symmetric(0, 1), onAxis(2), held(0, -20, 0), up(1, 2, 30)],
    points: '-20,0 20,0 0,30',
    open: 0,
  },
  {
    name: 'a roof by its slopes',
    drawn: figure('-17,0 16,1 2,14'),
    asked: [held(0, -20, 0), level(0, 1), apart(0, 1, 40), slant(2, 45), slant(1, -45)],
    points: '-20,0 20,0 0,20',
    open: 0,
  },
  {
    name: 'a lozenge',
    drawn: quad,
    asked: [...base, apart(0, 1, 20), equal(0, 1), equal(1, 2), equal(2, 3), angle(1, 0, 3, 60)],
    points: [
      [0, 0],
      [20, 0],
      [30, 20 * half],
      [10, 20 * half],
    ],
    open: 0,
  },
  {
    name: 'a slanted box by parallel sides',
    drawn: quad,
    asked: [...base, apart(0, 1, 30), parallel(0, 2), parallel(1, 3), slant(1, 60), apart(1, 2, 20)],
    points: [
      [0, 0],
      [30, 0],
      [40, 20 * half],
      [10, 20 * half],
    ],
    open: 0,
  },
  {
    name: 'a pot from the side',
    drawn: quad,
    asked: [
      held(0, 0, 0),
      level(0, 1),
      level(2, 3),
      apart(0, 1, 20),
      apart(3, 2, 40),
      equal(1, 3),
      up(0, 3, 30),
    ],
    points: '0,0 20,0 30,30 -10,30',
    open: 0,
  },
  {
    name: 'a kite in the line of its axis',
    drawn: figure('0,0 11,19 -1,41 -13,18'),
    asked: [held(0, 0, 0), onAxis(2), symmetric(1, 3), apart(0, 2, 40), up(0, 1, 15), across(3, 1, 24)],
    points: '0,0 12,15 0,40 -12,15',
    open: 0,
  },
  {
    name: 'an arrow tip by the middle of its back',
    drawn: figure('0,0 21,9 1,19 2,11'),
    asked: [
      held(0, 0, 0),
      upright(0, 2),
      up(0, 2, 20),
      across(0, 1, 30),
      up(0, 1, 10),
      across(0, 3, 5),
      level(1, 3),
    ],
    points: '0,0 30,10 0,20 5,10',
    open: 0,
  },
  {
    name: 'a point in the middle of an edge',
    drawn: figure('0,0 29,1 28,11 13,19'),
    asked: [held(0, 0, 0), held(1, 30, 0), held(2, 30, 10), inMiddle(3, 0)],
    points: '0,0 30,0 30,10 15,0',
    open: 0,
  },
  {
    name: 'a mirror image in an edge that leans',
    drawn: figure('0,0 20,21 3,12 14,1'),
    asked: [held(0, 0, 0), held(1, 20, 20), held(3, 12, 2), symmetric(2, 3, 0)],
    points: '0,0 20,20 2,12 12,2',
    open: 0,
  },
  {
    name: 'a wall of even thickness',
    drawn: quad,
    asked: [...base, apart(0, 1, 30), beside(3, 0, 4), beside(2, 0, 4), across(0, 3, 0), across(1, 2, 0)],
    points: '0,0 30,0 30,4 0,4',
    open: 0,
  },
  {
    name: 'a rectangle whose height is open stays as high as it was drawn',
    drawn: figure('0,0 29,0 29,20 0,20'),
    asked: [...box, apart(0, 1, 30)],
    points: '0,0 30,0 30,20 0,20',
    open: 1,
  },
  {
    name: 'a triangle of which nothing but a side is asked',
    drawn: figure('0,0 38,0 4,27'),
    asked: [apart(0, 1, 40)],
    points: '-1,0 39,0 4,27',
    open: 5,
  },
  {
    name: 'a figure of which nothing is asked',
    drawn: quad,
    asked: [],
    points: quad.points,
    open: 8,
  },
  {
    name: 'a side that grows to ten times its length',
    drawn: quad,
    asked: [...box, apart(0, 1, 300), apart(1, 2, 2)],
    points: '0,0 300,0 300,2 0,2',
    open: 0,
  },
];

describe('a figure of three or four straight edges', () => {
  it.each(drawings)('$name', (drawing) => expectToBecome(drawing));
});
