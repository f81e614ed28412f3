import { sectionAt, type SectionOutline } from '../../mesh/index.ts';
import { levelsOf, type Level } from './levels.ts';
import { memoizePerPart } from './memoizePerPart.ts';
import type { Subject } from './subject.ts';

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

/** The most spaces between levels of which walls are looked for: enough for every level of a recipe. */
export const MOST_SPACES = 16;

/** Sections of a part half-way between the heights at which it has corners. */
export const levelSections = memoizePerPart('sections between levels', (subject) =>
  levelsOf(subject, MOST_SPACES).map((level) => sectionIn(subject, level, level.zMm, true)),
);

/**
 * Sections just above and just below each height at which the part has corners, from the bottom up; between the two of
 * one level its walls are straight.
 *
 * @param most so many spaces between levels at most
 */
export const sectionsBesideLevels = memoizePerPart(
  'sections beside levels',
  (subject, most: number) =>
    levelsOf(subject, most).flatMap((level) => {
      const reachMm = level.heightMm / 2 - Math.min(BESIDE_MM, BESIDE_SHARE * level.heightMm);
      return [
        sectionIn(subject, level, level.zMm - reachMm, true),
        sectionIn(subject, level, level.zMm + reachMm, false),
      ];
    }),
  (most) => `at most ${most}`,
);

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

/**
 * Sections at heights of their own, each like the one between the levels around it.
 *
 * @param isFirst whether they show what is between the level below and the one above, or only what is just there
 */
export function sectionsAt(subject: Subject, heights: readonly number[], isFirst: boolean): LevelSection[] {
  return heights.flatMap((zMm) => {
    const level = levelsOf(subject, MOST_SPACES).find(
      (each) => Math.abs(zMm - each.zMm) <= each.heightMm / 2,
    );
    if (!level) return [];
    const section = sectionIn(subject, level, zMm, isFirst);
    return [isFirst ? section : { ...section, topMm: zMm }];
  });
}
