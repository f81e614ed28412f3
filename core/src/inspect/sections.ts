import { sectionAt, type SectionOutline } from '../mesh/index.ts';
import type { Subject } from './subject.ts';

/** Heights closer than this are one, mm. */
const SAME_MM = 0.02;
/** The most sections that are looked at: enough for every level of a recipe, and a fair sample of what curves. */
const MOST = 20;

/** A section half-way between two levels of a part, where it is like all others between them if its walls are upright. */
export interface LevelSection {
  readonly zMm: number;
  /** How far it is from the level below to the one above. */
  readonly heightMm: number;
  readonly outlines: readonly SectionOutline[];
}

const known = new WeakMap<Subject, LevelSection[]>();

/** Sections of a part between the heights at which it has corners; worked out once for each inspection. */
export function levelSections(subject: Subject): LevelSection[] {
  let sections = known.get(subject);
  if (!sections) {
    sections = levelsOf(subject).map((level) => ({ ...level, outlines: sectionAt(subject.mesh, level.zMm) }));
    known.set(subject, sections);
  }
  return sections;
}

function levelsOf({ mesh: { positions } }: Subject): { zMm: number; heightMm: number }[] {
  const levels: number[] = [];
  for (let i = 2; i < positions.length; i += 3) levels.push(positions[i]);
  levels.sort((a, b) => a - b);
  const between: { zMm: number; heightMm: number }[] = [];
  let last = levels[0];
  for (const level of levels) {
    if (level - last < SAME_MM) continue;
    between.push({ zMm: (last + level) / 2, heightMm: level - last });
    last = level;
  }
  if (between.length <= MOST) return between;
  return Array.from({ length: MOST }, (_, i) => between[Math.round((i * (between.length - 1)) / (MOST - 1))]);
}
