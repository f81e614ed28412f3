import { describe, expect, it } from 'vitest';
import { lathe } from '../../../test/wildMeshes.ts';
import { boxMesh, togetherOf } from '../../../test/meshes.ts';
import { areAllLevels, levelsOf } from './levels.ts';
import { subjectOf } from './subject.ts';

describe('the levels of a part', () => {
  /** Boxes that reach from the plate to so high each. */
  const stairs = (...tops: number[]) =>
    subjectOf(togetherOf(...tops.map((top, i) => boxMesh([4, 4, top], [6 * i, 0, 0]))));

  it('lie between the heights of its corners, from the bottom up', () => {
    expect(levelsOf(stairs(7, 2, 3), 16)).toEqual([
      { zMm: expect.closeTo(1, 5), heightMm: expect.closeTo(2, 5) },
      { zMm: expect.closeTo(2.5, 5), heightMm: expect.closeTo(1, 5) },
      { zMm: expect.closeTo(5, 5), heightMm: expect.closeTo(4, 5) },
    ]);
    expect(areAllLevels(stairs(7, 2, 3), 3)).toBe(true);
    expect(areAllLevels(stairs(7, 2, 3), 2)).toBe(false);
  });

  it('are one where corners are as high but for rounding', () => {
    expect(levelsOf(stairs(5, 5.01), 16)).toHaveLength(1);
    expect(levelsOf(stairs(5, 5.03), 16)).toHaveLength(2);
  });

  it('of very many are those with level faces, and others spread evenly over the rest', () => {
    // A cone of forty rings that bend by nothing, with a ledge at 6 mm.
    const rings = Array.from({ length: 41 }, (_, i): [number, number] => [20 - i / 4, i / 2]);
    const ledge = rings.flatMap(([r, z]): [number, number][] => (z === 6 ? [[r, z], [r - 4, z]] : [[z > 6 ? r - 4 : r, z]])); // oxfmt-ignore
    const subject = subjectOf(lathe(ledge, 24));
    expect(areAllLevels(subject, 10)).toBe(false);
    const levels = levelsOf(subject, 10);
    expect(levels).toHaveLength(10);
    const edges = [...levels.map(({ zMm, heightMm }) => zMm - heightMm / 2), 20];
    expect(edges[0]).toBeCloseTo(0, 5);
    expect(edges.some((z) => Math.abs(z - 6) < 1e-5)).toBe(true);
    // They follow each other without a gap, and none is more than twice as high as another.
    levels.forEach(({ zMm, heightMm }, i) => expect(zMm + heightMm / 2).toBeCloseTo(edges[i + 1], 5));
    const heights = levels.map(({ heightMm }) => heightMm);
    expect(Math.max(...heights)).toBeLessThan(2.1 * Math.min(...heights));
  });

  it('are those with the largest level faces where there are too many of these, too', () => {
    // Nine steps; those at 4 and 12 mm are far wider than the others.
    const steps = [2, 4, 6, 8, 10, 12, 14, 16, 18].map((z) => [z, z === 4 || z === 12 ? 9 : 0.5] as const);
    const subject = subjectOf(
      togetherOf(
        ...steps.map(([z, wide], i) => boxMesh([wide, 10, z], [12 * i, 0, 0])),
        boxMesh([1, 1, 20], [-5, 0, 0]),
      ),
    );
    const edges = levelsOf(subject, 6).map(({ zMm, heightMm }) => zMm - heightMm / 2);
    for (const z of [4, 12]) expect(edges.some((edge) => Math.abs(edge - z) < 1e-5)).toBe(true);
  });
});
