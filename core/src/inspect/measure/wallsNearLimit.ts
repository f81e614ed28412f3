import { thinWalls, type ThinWall } from '../../plane/index.ts';
import { memoizePerPart } from './memoizePerPart.ts';
import { levelSections, type LevelSection } from './sections.ts';

/** Walls are looked for closely up to so many times a limit. */
export const LOOK_TO = 1.25;

/** The walls of a section, as its outlines have them. */
export interface SectionWalls {
  readonly section: LevelSection;
  readonly walls: readonly ThinWall[];
}

/** The walls of each section half-way between levels that are under a limit, mm, or near it. */
export const wallsNearLimit = memoizePerPart(
  'walls near',
  (subject, limitMm: number): SectionWalls[] =>
    levelSections(subject).map((section) => ({
      section,
      walls: thinWalls(
        section.outlines.map(({ points }) => points),
        LOOK_TO * limitMm,
      ),
    })),
  (limitMm) => `${limitMm} mm`,
);
