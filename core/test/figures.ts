import { expect } from 'vitest';
import { freedomOf, settled, type Figure, type Relation } from '../src/drawing/index.ts';
import type { Point } from '../src/plane/index.ts';

/** Points as tests write them, "0,0 30,0 30,20", or as they are worked out. */
export type Written = string | readonly Point[];

export function pointsOf(written: Written): readonly Point[] {
  if (typeof written !== 'string') return written;
  return written.split(' ').map((each): Point => {
    const [x, y] = each.split(',').map(Number);
    return [x, y];
  });
}

/** A drawn figure whose edges are straight where nothing else is said. */
export function figure(written: Written, bends: Readonly<Record<number, number>> = {}): Figure {
  const points = pointsOf(written);
  return { points, bends: points.map((_, edge) => bends[edge] ?? 0) };
}

/** Relations in few words: what tests ask of points and edges. */
export const asks = {
  apart: (a: number, b: number, lengthMm: number): Relation => ({
    kind: 'apart',
    points: [a, b],
    measured: 'straight',
    lengthMm,
  }),
  across: (a: number, b: number, lengthMm: number): Relation => ({
    kind: 'apart',
    points: [a, b],
    measured: 'across',
    lengthMm,
  }),
  up: (a: number, b: number, lengthMm: number): Relation => ({
    kind: 'apart',
    points: [a, b],
    measured: 'up',
    lengthMm,
  }),
  level: (a: number, b: number): Relation => ({ kind: 'level', points: [a, b] }),
  upright: (a: number, b: number): Relation => ({ kind: 'upright', points: [a, b] }),
  parallel: (e: number, f: number): Relation => ({ kind: 'parallel', edges: [e, f] }),
  square: (e: number, f: number): Relation => ({ kind: 'square', edges: [e, f] }),
  slant: (edge: number, degrees: number): Relation => ({ kind: 'slant', edge, degrees }),
  angle: (a: number, at: number, c: number, degrees: number): Relation => ({
    kind: 'angle',
    points: [a, at, c],
    degrees,
  }),
  equal: (e: number, f: number): Relation => ({ kind: 'equal', edges: [e, f] }),
  radius: (edge: number, radiusMm: number): Relation => ({ kind: 'radius', edge, radiusMm }),
  sameCentre: (e: number, f: number): Relation => ({ kind: 'sameCentre', edges: [e, f] }),
  touching: (e: number, f: number): Relation => ({ kind: 'touching', edges: [e, f] }),
  symmetric: (a: number, b: number, mirror?: number): Relation => ({
    kind: 'symmetric',
    points: [a, b],
    ...(mirror === undefined ? {} : { mirror }),
  }),
  held: (point: number, xMm: number, yMm: number): Relation => ({ kind: 'held', point, xMm, yMm }),
  onAxis: (point: number): Relation => ({ kind: 'onAxis', point }),
  inMiddle: (point: number, edge: number): Relation => ({ kind: 'inMiddle', point, edge }),
  beside: (point: number, edge: number, gapMm: number): Relation => ({ kind: 'beside', point, edge, gapMm }),
};

/** A figure drawn by hand, what it is asked, where its points have to lie then, and how many numbers are open. */
export interface DrawnFigure {
  readonly name: string;
  readonly drawn: Figure;
  readonly asked: readonly Relation[];
  readonly points: Written;
  readonly open: number;
}

/** Expects a drawn figure to become what it is asked to be. */
export function expectToBecome({ drawn, asked, points, open }: DrawnFigure): void {
  const { figure: made, unmet } = settled(drawn, asked);
  expect(unmet).toEqual([]);
  const meant = pointsOf(points);
  made.points.forEach(([x, y], i) => {
    expect(x, `x of point ${i}`).toBeCloseTo(meant[i][0], 5);
    expect(y, `y of point ${i}`).toBeCloseTo(meant[i][1], 5);
  });
  expect(freedomOf(made, asked).open).toBe(open);
}
