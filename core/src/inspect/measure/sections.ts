import { sectionAt, type SectionOutline } from '../../mesh/index.ts';
import { memoizePerPart } from './memoizePerPart.ts';
import type { Subject } from './subject.ts';

/** Heights closer than this are one, mm. */
const SAME_MM = 0.02;
/** The most sections that are looked at: enough for every level of a recipe, and a fair sample of what curves. */
const MOST = 16;

/** A section between two levels of a part, like all others between them if its walls are upright. */
export interface LevelSection {
  readonly zMm: number;
  /** Where what it shows begins: at the level below, unless another section has shown that. */
  readonly bottomMm: number;
  /** The level above. */
  readonly topMm: number;
  /** How far it is from the level below to the one above. */
  readonly heightMm: number;
  readonly outlines: readonly SectionOutline[];
}

/** How far from a level a section is taken that shows what begins or ends there, mm, and at most as a share of the way. */
const BESIDE_MM = 0.02;
const BESIDE_SHARE = 0.1;

/** Sections of a part half-way between the heights at which it has corners. */
export const levelSections = memoizePerPart('sections between levels', (subject) =>
  levelsOf(subject).map((level) => sectionIn(subject, level, level.zMm, true)),
);

/**
 * Sections just above and just below each height at which the part has corners, from the bottom up; between the two of
 * one level its walls are straight.
 */
export const sectionsBesideLevels = memoizePerPart('sections beside levels', (subject) =>
  levelsOf(subject).flatMap((level) => {
    const reachMm = level.heightMm / 2 - Math.min(BESIDE_MM, BESIDE_SHARE * level.heightMm);
    return [
      sectionIn(subject, level, level.zMm - reachMm, true),
      sectionIn(subject, level, level.zMm + reachMm, false),
    ];
  }),
);

interface Level {
  /** Half-way up. */
  readonly zMm: number;
  readonly heightMm: number;
}

function sectionIn({ mesh }: Subject, level: Level, zMm: number, isFirst: boolean): LevelSection {
  const [bottomMm, topMm] = [level.zMm - level.heightMm / 2, level.zMm + level.heightMm / 2];
  return {
    zMm,
    bottomMm: isFirst ? bottomMm : zMm,
    topMm,
    heightMm: level.heightMm,
    outlines: sectionAt(mesh, zMm),
  };
}

const levelsOf = memoizePerPart('levels', ({ mesh: { positions } }): Level[] => {
  const heights = new Float32Array(positions.length / 3);
  for (let i = 0; i < heights.length; i++) heights[i] = positions[3 * i + 2];
  heights.sort();
  const between: Level[] = [];
  let last = heights[0];
  for (const height of heights) {
    if (height - last < SAME_MM) continue;
    between.push({ zMm: (last + height) / 2, heightMm: height - last });
    last = height;
  }
  if (between.length <= MOST) return between;
  return Array.from({ length: MOST }, (_, i) => between[Math.round((i * (between.length - 1)) / (MOST - 1))]);
});
