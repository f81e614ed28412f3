import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { centredOn, fromPlate, onTop, placement, shiftAlong, type Along } from './placement.ts';
import type { Resolved } from './amount.ts';

const host = { low: -35, high: 35 };
const plate = { low: 0, high: 0 };
const length = fc.integer({ min: -2000, max: 2000 }).map((tenth) => tenth / 10);
const extent = fc
  .tuple(length, fc.integer({ min: 0, max: 500 }))
  .map(([low, wide]) => ({ low, high: low + wide / 10 }));

describe('a position', () => {
  it('in from an edge puts the near edge that far inside, on either side', () => {
    fc.assert(
      fc.property(extent, length, (own, mm) => {
        const low = shiftAlong({ relation: 'inFrom', edge: 'low', mm }, own, host);
        expect(own.low + low - host.low).toBeCloseTo(mm, 9);
        const high = shiftAlong({ relation: 'inFrom', edge: 'high', mm }, own, host);
        expect(host.high - (own.high + high)).toBeCloseTo(mm, 9);
      }),
    );
  });

  it('centred leaves as much on one side as on the other, or as much more as it says', () => {
    fc.assert(
      fc.property(extent, length, (own, mm) => {
        const shift = shiftAlong({ relation: 'centred' }, own, host);
        expect(own.low + shift - host.low).toBeCloseTo(host.high - (own.high + shift), 9);
        expect(shiftAlong({ relation: 'centred', mm }, own, host)).toBeCloseTo(shift + mm, 9);
      }),
    );
  });

  it('beside puts it outside, reaching in by the overlap', () => {
    fc.assert(
      fc.property(extent, length, (own, overlapMm) => {
        const low = shiftAlong({ relation: 'beside', edge: 'low', overlapMm }, own, host);
        expect(own.high + low - host.low).toBeCloseTo(overlapMm, 9);
        const high = shiftAlong({ relation: 'beside', edge: 'high', overlapMm }, own, host);
        expect(host.high - (own.low + high)).toBeCloseTo(overlapMm, 9);
      }),
    );
  });

  it('part of the way puts its middle there', () => {
    expect(shiftAlong({ relation: 'share', percent: 25 }, { low: 0, high: 4 }, host)).toBe(-19.5);
  });

  it('from the plate counts from its middle, whatever the host', () => {
    const rule = (own: 'low' | 'middle' | 'high'): Resolved<Along> => ({ relation: 'at', own, mm: 3 });
    for (const on of [host, plate]) {
      expect(shiftAlong(rule('low'), { low: 1, high: 5 }, on)).toBe(2);
      expect(shiftAlong(rule('middle'), { low: 1, high: 5 }, on)).toBe(0);
      expect(shiftAlong(rule('high'), { low: 1, high: 5 }, on)).toBe(-2);
    }
  });

  it('below nothing sticks out beyond the edge', () => {
    expect(shiftAlong({ relation: 'inFrom', edge: 'low', mm: -4 }, { low: -5, high: 5 }, host)).toBe(-34);
  });
});

it('is read only when it names a step or the plate, and an edge that there is', () => {
  expect(placement.safeParse(centredOn('s1', onTop)).success).toBe(true);
  expect(placement.safeParse(centredOn(undefined, fromPlate)).success).toBe(true);
  const centred = { relation: 'centred' };
  const rest = { y: centred, z: centred };
  for (const wrong of [
    { on: { step: '' }, x: centred, ...rest },
    { on: { plate: false }, x: centred, ...rest },
    { on: { step: 's1', plate: true }, x: centred, ...rest },
    { on: { step: 's1' }, x: { relation: 'inFrom', edge: 'top', mm: 1 }, ...rest },
    { on: { step: 's1' }, x: { relation: 'inFrom', edge: 'low', mm: Infinity }, ...rest },
    { on: { step: 's1' }, x: { relation: 'share', percent: 101 }, ...rest },
    { on: { step: 's1' }, ...rest },
  ]) {
    expect(placement.safeParse(wrong).success).toBe(false);
  }
});
