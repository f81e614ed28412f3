import { thinWalls, type ThinWall } from '../../plane/index.ts';
import { memoizePerPart } from './memoizePerPart.ts';
import { levelSections, type LevelSection } from './sections.ts';
import type { Subject } from './subject.ts';

/** Walls are looked for closely up to so many times a limit. */
export const LOOK_TO = 1.25;

/** The walls of a section, as its outlines have them. */
export interface SectionWalls {
  readonly section: LevelSection;
  readonly walls: readonly ThinWall[];
}

const byLimit = memoizePerPart(() => new Map<number, SectionWalls[]>());

/** The walls of each section half-way between levels that are under a limit or near it; worked out once for each part. */
export function wallsNearLimit(subject: Subject, limitMm: number): SectionWalls[] {
  const known = byLimit(subject);
  let found = known.get(limitMm);
  if (!found) {
    found = levelSections(subject).map((section) => ({
      section,
      walls: thinWalls(
        section.outlines.map(({ points }) => points),
        LOOK_TO * limitMm,
      ),
    }));
    known.set(limitMm, found);
  }
  return found;
}
