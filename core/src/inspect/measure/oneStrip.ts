import { sectionAt, type Vec3 } from '../../mesh/index.ts';
import { EdgeGrid, isInside, nearestOn, type Region } from '../../plane/index.ts';
import type { Subject } from './subject.ts';

/** A place half-way through a wall or a slit, and how wide it is there. */
export interface Halfway {
  readonly at: Vec3;
  readonly mm: number;
}

/** Places of one strip are as wide as each other, and lie as high, within these. */
const SAME_WIDTH = 1.1;
const SAME_HEIGHT_MM = 0.5;
/** The way between them is looked at in so many places; at each the sides are as near as at its ends, within this. */
const LOOKED_AT = 5;
const AS_NEAR = 1.3;

/**
 * Whether two places lie in one wall or one slit: all along the straight way between them its sides are as near as there.
 * A slit is found from either side of it, and a long wall at either end.
 */
export class Strips {
  readonly #subject: Subject;
  readonly #sections = new Map<number, { region: Region; grid: EdgeGrid }>();

  constructor(subject: Subject) {
    this.#subject = subject;
  }

  areOne(a: Halfway, b: Halfway): boolean {
    const wide = Math.max(a.mm, b.mm);
    if (wide > SAME_WIDTH * Math.min(a.mm, b.mm) || Math.abs(a.at[2] - b.at[2]) > SAME_HEIGHT_MM)
      return false;
    const { region, grid } = this.#sectionAt(a.at[2], wide);
    const isSolid = this.#isSolid(region, a.at);
    return Array.from({ length: LOOKED_AT }, (_, i) => (i + 1) / (LOOKED_AT + 1)).every((share) => {
      const [x, y] = [0, 1].map((axis) => a.at[axis] + share * (b.at[axis] - a.at[axis]));
      return (
        this.#isSolid(region, [x, y, 0]) === isSolid && nearestOn(grid, [x, y]).mm <= (AS_NEAR * wide) / 2
      );
    });
  }

  #isSolid(region: Region, [x, y]: Vec3): boolean {
    return region.filter((outline) => isInside([x, y], outline)).length % 2 === 1;
  }

  #sectionAt(zMm: number, reachMm: number) {
    const known = this.#sections.get(zMm);
    if (known) return known;
    const region = sectionAt(this.#subject.mesh, zMm).map(({ points }) => points);
    const made = { region, grid: new EdgeGrid(region, reachMm) };
    this.#sections.set(zMm, made);
    return made;
  }
}
