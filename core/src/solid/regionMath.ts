import type { CrossSection } from 'manifold-3d';
import type { Region } from '../plane/index.ts';
import type { Kernel } from './kernel.ts';
import { inScope, type Scope } from './scope.ts';

/** Sharp corners are kept sharp up to this many times the distance they are moved by; sharper ones are cut off. */
const MITER_LIMIT = 8;
/** The edges of the full circles that rounded corners are made of. */
const ROUND_SEGMENTS = 64;
/** Rounding a curve makes many corners that say nothing; those that stray less than this are left out, mm. */
const SAME_LINE_MM = 0.002;

/** How finely the size of the largest finish is searched for, mm. */
const SEARCH_MM = 0.004;

/** The arithmetic of regions, done by the kernel on plain data; nothing of it outlives a call. */
export class RegionMath {
  readonly #kernel: Kernel;

  constructor(kernel: Kernel) {
    this.#kernel = kernel;
  }

  /** What lies in any of the regions. Outlines may cross and turn either way: their winding must not be zero. */
  joined(regions: readonly Region[]): Region {
    return this.#plain((scope) => this.#section(scope, regions.flat()));
  }

  /** What outlines enclose by a rule: any winding but zero, or every other time that one is crossed. */
  filled(outlines: Region, rule: 'nonzero' | 'evenodd'): Region {
    if (outlines.length === 0) return [];
    return this.#plain((scope) =>
      scope.keep(this.#kernel.CrossSection.ofPolygons(outlines, rule === 'nonzero' ? 'NonZero' : 'EvenOdd')),
    );
  }

  /** What lies in the first region and not in the second. */
  without(region: Region, other: Region): Region {
    if (other.length === 0) return region;
    return this.#plain((scope) =>
      scope.keep(this.#section(scope, region).subtract(this.#section(scope, other))),
    );
  }

  /** What lies in both. */
  common(region: Region, other: Region): Region {
    return this.#plain((scope) =>
      scope.keep(this.#section(scope, region).intersect(this.#section(scope, other))),
    );
  }

  /** Grown by mm, or shrunk where it is negative. */
  grown(region: Region, mm: number, corners: 'sharp' | 'round'): Region {
    return this.#plain((scope) => {
      const grown = grownSection(scope, this.#section(scope, region), mm, corners);
      return corners === 'round' ? scope.keep(grown.simplify(SAME_LINE_MM)) : grown;
    });
  }

  /**
   * Whether a region can be grown by mm and keep its character: no part, opening or neck may vanish, which shows in the
   * number of its outlines.
   */
  canGrow(region: Region, mm: number): boolean {
    return inScope((scope) => {
      const section = this.#section(scope, region);
      return hasRoom(scope, section, section.numContour(), mm);
    });
  }

  /** The most that it can be grown (1) or shrunk (−1) in that sense, up to a bound. */
  mostGrowth(region: Region, way: 1 | -1, upToMm: number): number {
    return inScope((scope) => {
      const section = this.#section(scope, region);
      const contours = section.numContour();
      if (hasRoom(scope, section, contours, way * upToMm)) return upToMm;
      let [fits, tooMuch] = [0, upToMm];
      while (tooMuch - fits > SEARCH_MM) {
        const middle = (fits + tooMuch) / 2;
        if (hasRoom(scope, section, contours, way * middle)) fits = middle;
        else tooMuch = middle;
      }
      return fits;
    });
  }

  /**
   * Where the middle of an upright rectangle can lie so that all of it is in the region: what is left of the region
   * when each of its edges is thickened by half the rectangle to either side (its erosion by the rectangle).
   */
  roomFor(region: Region, widthMm: number, depthMm: number): Region {
    if (region.length === 0) return [];
    const { CrossSection } = this.#kernel;
    const [x, y] = [widthMm / 2, depthMm / 2];
    const cornersAt = ([px, py]: readonly [number, number]): [number, number][] => [
      [px - x, py - y],
      [px + x, py - y],
      [px + x, py + y],
      [px - x, py + y],
    ];
    return this.#plain((scope) => {
      const whole = this.#section(scope, region);
      const simple = scope.keep(whole.simplify(0.03)).toPolygons();
      const edges = simple.flatMap((outline) =>
        outline.map((point, i) => {
          const next = outline[(i + 1) % outline.length];
          return scope.keep(CrossSection.hull([[cornersAt(point)], [cornersAt(next)]]));
        }),
      );
      return scope.keep(whole.subtract(scope.keep(CrossSection.union(edges))));
    });
  }

  #section(scope: Scope, region: Region): CrossSection {
    const { CrossSection } = this.#kernel;
    // The kernel takes no list without outlines; a square of no size has none either.
    return scope.keep(
      region.length === 0 ? CrossSection.square(0) : CrossSection.ofPolygons(region, 'NonZero'),
    );
  }

  /** Works in a scope of its own; what is handed back must be kept by it. */
  #plain(work: (scope: Scope) => CrossSection): Region {
    return inScope((scope) => work(scope).toPolygons() as Region);
  }
}

function grownSection(
  scope: Scope,
  section: CrossSection,
  mm: number,
  corners: 'sharp' | 'round',
): CrossSection {
  return scope.keep(section.offset(mm, corners === 'sharp' ? 'Miter' : 'Round', MITER_LIMIT, ROUND_SEGMENTS));
}

function hasRoom(scope: Scope, section: CrossSection, contours: number, mm: number): boolean {
  return grownSection(scope, section, mm, 'sharp').numContour() === contours;
}
