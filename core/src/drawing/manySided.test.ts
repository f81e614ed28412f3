import { describe, it } from 'vitest';
import { asks, expectToBecome, figure, type DrawnFigure } from '../../test/figures.ts';
import type { Point } from '../plane/index.ts';

const { apart, across, up, level, upright, angle, equal, symmetric, held, onAxis, touching } = asks;

const pentagon = figure('-10,0 9,1 16,17 1,31 -15,18');
const six = figure('0,0 30,1 29,9 11,11 9,31 1,29');

const drawings: readonly DrawnFigure[] = [
  {
    name: 'a corner bracket',
    drawn: six,
    asked: [
      held(0, 0, 0),
      ...[0, 2, 4].map((i) => level(i, i + 1)),
      ...[1, 3].map((i) => upright(i, i + 1)),
      upright(5, 0),
      apart(0, 1, 40),
      apart(5, 0, 30),
      apart(1, 2, 5),
      equal(1, 4),
    ],
    points: '0,0 40,0 40,5 5,5 5,30 0,30',
    open: 0,
  },
  {
    name: 'a step of two equal treads',
    drawn: six,
    asked: [
      held(0, 0, 0),
      level(0, 1),
      upright(1, 2),
      level(2, 3),
      upright(3, 4),
      level(4, 5),
      upright(5, 0),
      apart(0, 1, 30),
      equal(2, 4),
      equal(1, 3),
      up(0, 5, 16),
    ],
    points: '0,0 30,0 30,8 15,8 15,16 0,16',
    open: 0,
  },
  {
    name: 'two edges in one line',
    drawn: pentagon,
    asked: [held(0, -10, 0), held(1, 10, 0), held(3, 0, 30), touching(1, 2), up(1, 2, 15), symmetric(4, 2)],
    points: '-10,0 10,0 5,15 0,30 -5,15',
    open: 0,
  },
  {
    name: 'edges of others in one line',
    drawn: six,
    asked: [
      held(0, 0, 0),
      held(1, 30, 0),
      held(5, 0, 30),
      held(2, 30, 10),
      touching(0, 3),
      across(0, 3, 10),
      across(0, 4, 6),
    ],
    points: '0,0 30,0 30,10 10,0 6,0 0,30',
    open: 0,
  },
  {
    name: 'a house of five points',
    drawn: pentagon,
    asked: [
      symmetric(0, 1),
      symmetric(4, 2),
      onAxis(3),
      upright(1, 2),
      held(0, -12, 0),
      apart(1, 2, 16),
      up(2, 3, 9),
    ],
    points: '-12,0 12,0 12,16 0,25 -12,16',
    open: 0,
  },
  {
    name: 'a regular pentagon',
    drawn: pentagon,
    asked: [
      held(0, -10, 0),
      level(0, 1),
      apart(0, 1, 20),
      ...[0, 1, 2, 3].map((e) => equal(e, e + 1)),
      angle(0, 1, 2, 108),
      angle(1, 0, 4, 108),
    ],
    points: [0, 1, 2, 3, 4].map((k): Point => {
      const radius = 10 / Math.sin(Math.PI / 5);
      const turn = (-126 + 72 * k) * (Math.PI / 180);
      return [radius * Math.cos(turn), radius * Math.sin(turn) + radius * Math.cos(Math.PI / 5)];
    }),
    open: 0,
  },
];

describe('a figure of many straight edges', () => {
  it.each(drawings)('$name', (drawing) => expectToBecome(drawing));
});
