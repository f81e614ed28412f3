import { roundedRectangleOutline } from '../src/recipe/outlines/roundedRectangle.ts';
import type { OutlineKit } from '../src/recipe/outlines/outlineKind.ts';
import { RegionMath, type Kernel } from '../src/solid/index.ts';

/** An outline that was refused: the field that is to blame, and where on the outline. */
export class Refused extends Error {
  constructor(
    readonly path: readonly (string | number)[],
    message: string,
    readonly at?: readonly [number, number],
  ) {
    super(message);
  }
}

/** What outlines are made with, without a part: what was drawn before is always a rectangle of 40 by 20 mm. */
export function outlineKit(kernel: Kernel): OutlineKit {
  const math = new RegionMath(kernel);
  return {
    outlineOf: () => [roundedRectangleOutline(40, 20, 0)],
    grown: (region, mm, corners) => math.grown(region, mm, corners),
    joined: (regions) => math.joined(regions),
    without: (region, other) => math.without(region, other),
    common: (region, other) => math.common(region, other),
    drewPieces: () => {},
    fail: (path, message, at) => {
      throw new Refused(path, message, at);
    },
  };
}
