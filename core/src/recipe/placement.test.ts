import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Box } from '../mesh/index.ts';
import { centredOn, placement, shiftAlong, type Along } from './placement.ts';

const host: Box = { min: [-35, -12.5, 0], max: [35, 12.5, 2.4] };
const length = fc.integer({ min: -2000, max: 2000 }).map((tenth) => tenth / 10);
const extent = fc
  .tuple(length, fc.integer({ min: 0, max: 500 }))
  .map(([low, wide]) => ({ low, high: low + wide / 10 }));

describe('a position', () => {
  it('in from an edge puts the near edge that far inside, on either side and along either axis', () => {
    fc.assert(
      fc.property(extent, length, fc.constantFrom('x' as const, 'y' as const), (own, mm, axis) => {
        const i = axis === 'x' ? 0 : 1;
        const low = shiftAlong(axis, { relation: 'inFrom', edge: 'low', mm }, own, host);
        expect(own.low + low - host.min[i]).toBeCloseTo(mm, 9);
        const high = shiftAlong(axis, { relation: 'inFrom', edge: 'high', mm }, own, host);
        expect(host.max[i] - (own.high + high)).toBeCloseTo(mm, 9);
      }),
    );
  });

  it('centred leaves as much on one side as on the other', () => {
    fc.assert(
      fc.property(extent, (own) => {
        const shift = shiftAlong('x', { relation: 'centred' }, own, host);
        expect(own.low + shift - host.min[0]).toBeCloseTo(host.max[0] - (own.high + shift), 9);
      }),
    );
  });

  it('on the plate counts from its middle', () => {
    expect(shiftAlong('x', { relation: 'centred' }, { low: 4, high: 10 })).toBe(-7);
    expect(shiftAlong('y', { relation: 'inFrom', edge: 'low', mm: 3 }, { low: 0, high: 1 })).toBe(3);
  });

  it('below nothing sticks out beyond the edge', () => {
    const out: Along = { relation: 'inFrom', edge: 'low', mm: -4 };
    expect(shiftAlong('x', out, { low: -5, high: 5 }, host)).toBe(-34);
  });
});

it('is read only when it names a step or the plate, and an edge that there is', () => {
  expect(placement.safeParse(centredOn('s1')).success).toBe(true);
  expect(placement.safeParse(centredOn()).success).toBe(true);
  const centred = { relation: 'centred' };
  for (const wrong of [
    { on: { step: '' }, x: centred, y: centred },
    { on: { plate: false }, x: centred, y: centred },
    { on: { step: 's1', plate: true }, x: centred, y: centred },
    { on: { step: 's1' }, x: { relation: 'inFrom', edge: 'top', mm: 1 }, y: centred },
    { on: { step: 's1' }, x: { relation: 'inFrom', edge: 'low', mm: Infinity }, y: centred },
    { on: { step: 's1' }, x: centred },
  ]) {
    expect(placement.safeParse(wrong).success).toBe(false);
  }
});
