import { sectionAt, type SectionOutline } from '../mesh/index.ts';
import type { Subject } from './subject.ts';

/** Heights closer than this are one, mm. */
const SAME_MM = 0.02;
/** The most sections that are looked at: enough for every level of a recipe, and a fair sample of what curves. */
const MOST = 20;

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

const halfWay = new WeakMap<Subject, LevelSection[]>();
const beside = new WeakMap<Subject, LevelSection[]>();

/** Sections of a part half-way between the heights at which it has corners; worked out once for each inspection. */
export function levelSections(subject: Subject): LevelSection[] {
  return once(halfWay, subject, ({ zMm }) => [zMm]);
}

/**
 * Sections just above and just below each height at which the part has corners, from the bottom up; between the two of
 * one level its walls are straight.
 */
export function sectionsBesideLevels(subject: Subject): LevelSection[] {
  return once(beside, subject, ({ zMm, heightMm }) => {
    const reachMm = heightMm / 2 - Math.min(BESIDE_MM, BESIDE_SHARE * heightMm);
    return [zMm - reachMm, zMm + reachMm];
  });
}

function once(
  known: WeakMap<Subject, LevelSection[]>,
  subject: Subject,
  heightsIn: (level: { zMm: number; heightMm: number }) => number[],
): LevelSection[] {
  let sections = known.get(subject);
  if (!sections) {
    sections = levelsOf(subject).flatMap((level) =>
      heightsIn(level).map((zMm, i) => ({
        zMm,
        bottomMm: i === 0 ? level.zMm - level.heightMm / 2 : zMm,
        topMm: level.zMm + level.heightMm / 2,
        heightMm: level.heightMm,
        outlines: sectionAt(subject.mesh, zMm),
      })),
    );
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
