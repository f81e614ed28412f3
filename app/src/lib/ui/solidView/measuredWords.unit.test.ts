import { expect, it } from 'vitest';
import type { MeasuredEnd, SolidMesh, Vec3 } from '@kelbrin/core/mesh';
import { measuredWords, restOf } from './measuredWords';

const mesh: SolidMesh = { positions: new Float32Array(0), triangles: new Uint32Array(0) };
const straight = (from: Vec3, to: Vec3): MeasuredEnd => ({
  point: from,
  normal: [0, 0, 1],
  edge: { kind: 'straight', from, to },
});
const round = (middle: Vec3, radiusMm: number, isWhole: boolean): MeasuredEnd => ({
  point: middle,
  normal: [0, 0, 1],
  edge: { kind: 'round', middle, radiusMm, points: [], isWhole },
});
const said = (...ends: MeasuredEnd[]) => {
  const { figure, more } = measuredWords(ends, mesh);
  return [figure, ...more].join('; ');
};

it('says how long an edge is, and of a round one what one would drill or round with', () => {
  expect(said(straight([0, 0, 0], [3, 4, 0]))).toBe('5 mm; the edge is so long');
  expect(said(round([0, 0, 0], 2.25, true))).toBe('Ø 4.5 mm; radius 2.25 mm');
  expect(said(round([0, 0, 0], 5, false))).toBe('radius 5 mm; Ø 10 mm');
});

it('says the angle between edges before how far they are apart', () => {
  const first = straight([0, 0, 0], [10, 0, 0]);
  expect(said(first, straight([10, 0, 0], [10, 8, 0]))).toBe('90°; the angle between the edges');
  expect(said(first, straight([4, 0, 3], [4, 8, 3]))).toBe(
    '90°; the angle between the edges; 3 mm apart where they are nearest',
  );
  expect(said(first, straight([0, 6, 8], [10, 6, 8]))).toContain('10 mm');
});

it('says from where it counted when a round edge was pressed', () => {
  const hole = round([7, 14, 2], 2, true);
  expect(said(hole, round([27, 14, 2], 2, true))).toMatch(/^20 mm; .*; from middle to middle$/);
  expect(said(hole, straight([0, 0, 2], [0, 28, 2]))).toMatch(
    /^7 mm; .*; from the middle of the round edge$/,
  );
});

it('says what to do next after what there is to say', () => {
  const rest = (...ends: MeasuredEnd[]) => restOf(measuredWords(ends, mesh));
  expect(rest()).toMatch(/^Press two places/);
  expect(rest(straight([0, 0, 0], [3, 4, 0]))).toBe(
    '; the edge is so long. Press the other place, corner or edge.',
  );
  expect(rest(round([0, 0, 0], 2, true), round([9, 0, 0], 2, true))).toMatch(
    /^; 9 mm across.*from middle to middle\.$/,
  );
});
