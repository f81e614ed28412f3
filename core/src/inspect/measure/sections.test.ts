import { describe, expect, it } from 'vitest';
import { boxMesh, togetherOf } from '../../../test/meshes.ts';
import { regionAreaOf } from '../../plane/index.ts';
import { levelSections, sectionsAt, sectionsBesideLevels, type LevelSection } from './sections.ts';
import { subjectOf } from './subject.ts';

/** A step of 4 mm beside one of 10 mm, each 5 × 5 mm. */
const steps = subjectOf(togetherOf(boxMesh([5, 5, 4]), boxMesh([5, 5, 10], [8, 0, 0])));
const told = (sections: readonly LevelSection[]) =>
  sections.map(({ bottomMm, zMm, topMm, outlines }) => [
    ...[bottomMm, zMm, topMm].map((mm) => Math.round(1000 * mm) / 1000),
    Math.round(regionAreaOf(outlines.map(({ points }) => points))),
  ]);

describe('sections of a part', () => {
  it('lie half-way between its levels, and show what is between them', () => {
    expect(told(levelSections(steps))).toEqual([[0, 2, 4, 50], [4, 7, 10, 25]]); // oxfmt-ignore
    expect(levelSections(steps).map(({ heightMm }) => heightMm)).toEqual([
      expect.closeTo(4, 5),
      expect.closeTo(6, 5),
    ]);
  });

  it('beside its levels are just above the lower and just below the upper, which shows only itself', () => {
    expect(told(sectionsBesideLevels(steps, 24))).toEqual([
      [0, 0.02, 4, 50],
      [3.98, 3.98, 4, 50],
      [4, 4.02, 10, 25],
      [9.98, 9.98, 10, 25],
    ]);
    // Of a thin step it is a tenth of it.
    const thin = subjectOf(togetherOf(boxMesh([5, 5, 0.1]), boxMesh([5, 5, 10], [8, 0, 0])));
    expect(told(sectionsBesideLevels(thin, 24))[0]).toEqual([0, 0.01, 0.1, 50]);
  });

  it('at heights of their own are each like those between the levels around them, and none beside the part', () => {
    expect(told(sectionsAt(steps, [1, 9, 12, -1], true))).toEqual([[0, 1, 4, 50], [4, 9, 10, 25]]); // oxfmt-ignore
    expect(told(sectionsAt(steps, [3], false))).toEqual([[3, 3, 3, 50]]); // oxfmt-ignore
  });
});
