import { describe, expect, it } from 'vitest';
import { fitted, fittedBeside, paperLines, toMillimetres, toPixels } from './sheet';

const sheet = fitted({ min: [-35, -12], max: [35, 12] }, 800, 600, 60);

describe('a sheet', () => {
  it('shows all of a range inside its margin', () => {
    for (const corner of [[-35, -12], [35, 12]] as const) {
      const [x, y] = toPixels(sheet, corner);
      expect(x).toBeGreaterThanOrEqual(59.9);
      expect(x).toBeLessThanOrEqual(740.1);
      expect(y).toBeGreaterThanOrEqual(59.9);
      expect(y).toBeLessThanOrEqual(540.1);
    }
  }); // oxfmt-ignore

  it.each([
    ['wide', [-42, -14], [42, 14]],
    ['tall', [-10, -40], [10, 40]],
    ['even', [-40, -38], [40, 38]],
    ['small', [3, 4], [5, 6]],
  ])('keeps what is %s clear of the inset at its lower left, and as large as that allows', (_, min, max) => {
    const inset = { widthPx: 244, heightPx: 170 };
    const beside = fittedBeside({ min, max }, 572, 668, 64, inset);
    const [left, bottom] = toPixels(beside, [min[0], min[1]]);
    const [right, top] = toPixels(beside, [max[0], max[1]]);
    expect(left > inset.widthPx || bottom < 668 - inset.heightPx).toBe(true);
    for (const px of [left, top, 572 - right, 668 - bottom]) expect(px).toBeGreaterThanOrEqual(63.9);
    const whole = fitted({ min, max }, 572, 668, 64);
    expect(beside.pixelsPerMm).toBeGreaterThanOrEqual(0.5 * whole.pixelsPerMm);
  });

  it('turns pixels back into the millimetres they came from, y upwards', () => {
    const [x, y] = toMillimetres(sheet, toPixels(sheet, [12.5, -7]));
    expect(x).toBeCloseTo(12.5, 9);
    expect(y).toBeCloseTo(-7, 9);
    expect(toPixels(sheet, [0, 5])[1]).toBeLessThan(toPixels(sheet, [0, 0])[1]);
  });

  it('is ruled by lines that can be told apart', () => {
    const { xs } = paperLines(sheet);
    expect(xs).toContain(0);
    expect((xs[1] - xs[0]) * sheet.pixelsPerMm).toBeGreaterThanOrEqual(14);
  });
});
