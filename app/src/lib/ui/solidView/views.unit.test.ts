import { describe, expect, it } from 'vitest';
import type { Box } from '@kelbrin/core/mesh';
import { hasOutgrown } from './views.ts';

const box = (width: number, depth: number, height: number, x = 0): Box => ({
  min: [x - width / 2, -depth / 2, 0],
  max: [x + width / 2, depth / 2, height],
});
const label = box(80, 28, 3);

describe('a view that was fitted to a part', () => {
  it.each([
    ['the same part', label],
    ['a little wider', box(95, 28, 3)],
    ['thicker', box(80, 28, 12)],
  ])('stays for %s', (_, now) => {
    expect(hasOutgrown(label, now)).toBe(false);
  });

  it.each([
    ['much wider', box(150, 28, 3)],
    ['much smaller', box(30, 28, 3)],
    ['much higher', box(80, 28, 120)],
    ['somewhere else', box(80, 28, 3, 60)],
  ])('does not stay for one that is %s', (_, now) => {
    expect(hasOutgrown(label, now)).toBe(true);
  });

  it('does not follow how a tiny part grows', () => {
    expect(hasOutgrown(box(2, 2, 2), box(6, 4, 2))).toBe(false);
  });
});
