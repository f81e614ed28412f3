import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checks, classroomLimits, judge, parseLimits, WARN_BAND, worst, type Verdict } from '../index.ts';

describe('a limits card', () => {
  it('takes the classroom’s values for what it leaves out', () => {
    expect(parseLimits({})).toEqual({ ok: true, limits: classroomLimits });
    expect(parseLimits({ minHoleMm: 3 })).toEqual({ ok: true, limits: { ...classroomLimits, minHoleMm: 3 } });
  });

  it('has every number that a check says it holds a part against', () => {
    const named = checks.flatMap(({ notes }) =>
      [...`${notes.measures} ${notes.limit}`.matchAll(/`(\w+)`/g)].map(([, name]) => name),
    );
    expect(named.length).toBeGreaterThan(10);
    expect(Object.keys(classroomLimits)).toEqual(expect.arrayContaining(named));
  });

  it('that allowed the heights of before allows those of today, and any others stay', () => {
    expect(parseLimits({ layerHeightsMm: [0.12, 0.2, 0.28] })).toEqual({ ok: true, limits: classroomLimits });
    expect(parseLimits({ layerHeightsMm: [0.12, 0.2] })).toMatchObject({
      limits: { layerHeightsMm: [0.12, 0.2] },
    });
  });

  it('lists the layer heights that it allows from the finest, each once', () => {
    const parsed = parseLimits({ layerHeightsMm: [0.3, 0.1, 0.3] });
    expect(parsed).toMatchObject({ ok: true, limits: { layerHeightsMm: [0.1, 0.3] } });
  });

  it.each([
    ['no layer height', { layerHeightsMm: [] }, 'layerHeightsMm'],
    ['an unknown field', { minHoles: 2 }, 'minHoles'],
    ['a negative length', { minHoleMm: -1 }, 'minHoleMm'],
    ['words for a number', { layerMm: '0.2' }, 'layerMm'],
    ['two of three lengths', { buildVolumeMm: [200, 200] }, 'buildVolumeMm'],
    ['an angle past a ceiling', { maxOverhangDeg: 91 }, 'maxOverhangDeg'],
    ['a price of plastic that nobody pays', { filamentPricePerKg: 10_001 }, 'filamentPricePerKg'],
    ['a list', [], 'another kind'],
    ['nothing', null, 'another kind'],
  ])('is refused with %s, which is named', (_, data, words) => {
    expect(parseLimits(data)).toMatchObject({ ok: false, message: expect.stringContaining(words) as string });
  });
});

describe('a verdict', () => {
  it.each([
    [1.3, 'atLeast', 2, 'fail'],
    [2, 'atLeast', 2, 'warn'],
    [1.9999, 'atLeast', 2, 'warn'],
    [2.2, 'atLeast', 2, 'pass'],
    [45, 'atMost', 45, 'warn'],
    [45.1, 'atMost', 45, 'fail'],
    [40, 'atMost', 45, 'pass'],
  ] as const)('on %f, %s %f, is %s', (measured, rule, limit, verdict) => {
    expect(judge(measured, rule, limit)).toBe(verdict);
  });

  it('never gets worse as there is more room', () => {
    const rank: Verdict[] = ['fail', 'warn', 'pass'];
    const value = fc.double({ min: 0.1, max: 100, noNaN: true });
    fc.assert(
      fc.property(value, value, value, (a, b, limit) => {
        const [low, high] = [Math.min(a, b), Math.max(a, b)];
        expect(rank.indexOf(judge(high, 'atLeast', limit))).toBeGreaterThanOrEqual(
          rank.indexOf(judge(low, 'atLeast', limit)),
        );
        expect(rank.indexOf(judge(low, 'atMost', limit))).toBeGreaterThanOrEqual(
          rank.indexOf(judge(high, 'atMost', limit)),
        );
      }),
    );
  });

  it('warns in one band inside the limit, whatever the check', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 1000, noNaN: true }), (limit) => {
        expect(judge(limit * (1 + 0.5 * WARN_BAND), 'atLeast', limit)).toBe('warn');
        expect(judge(limit * (1 - 0.5 * WARN_BAND), 'atMost', limit)).toBe('warn');
        expect(judge(limit * (1 + 1.5 * WARN_BAND), 'atLeast', limit)).toBe('pass');
        expect(judge(limit * (1 - 1.5 * WARN_BAND), 'atMost', limit)).toBe('pass');
      }),
    );
  });

  it('on several is the gravest, and on none a pass', () => {
    expect(worst([])).toBe('pass');
    expect(worst(['pass', 'warn', 'pass'])).toBe('warn');
    expect(worst(['warn', 'fail', 'pass'])).toBe('fail');
  });
});
