import { extentOf, pointsOf, reversed, type Range, type Region } from '../plane/index.ts';
import type { Kernel } from './kernel.ts';

/** How far a frame stands off what it is around, mm. It lies on the grid. */
const FRAME_MM = 0.25;
/** With fewer points a feature is triangulated together with the face around it sooner than it is framed. */
const FEW_POINTS = 48;

/** Three corners of a triangle, by their places in the outlines that were triangulated. */
type Corners = [number, number, number];

/**
 * The outlines of something that stands on a flat face or is sunk into it, and the triangles of its ends: they are the same
 * wherever it lies. Letters have hundreds of points, so while a plate under them becomes wider, or they are moved, their
 * triangles are found once: those of their tops, and those between them and a rectangle around them, the frame.
 */
export class FeatureShape {
  /** Whether it has so many points that it is framed where there is room. */
  readonly isIntricate: boolean;
  readonly #region: Region;
  #within: Corners[] | undefined;
  #around: Corners[] | undefined;

  /** The region is on the grid, material to the left of its outlines. */
  constructor(region: Region) {
    this.#region = region;
    this.isIntricate = pointsOf(region) >= FEW_POINTS;
  }

  /** The triangles of the region, wherever it lies. */
  within(kernel: Kernel): readonly Corners[] {
    return (this.#within ??= kernel.triangulate(this.#region));
  }

  /** The triangles between the frame, whose corners come first, and the outlines, which turn the other way. */
  around(kernel: Kernel): readonly Corners[] {
    const { x, y } = extentOf(this.#region);
    return (this.#around ??= kernel.triangulate([...frameOf(x, y), ...reversed(this.#region)]));
  }
}

/** The frame around what reaches from low to high: a rectangle, its corners counter-clockwise. */
export function frameOf(x: Range, y: Range): Region {
  const [left, right] = [x.low - FRAME_MM, x.high + FRAME_MM];
  const [front, back] = [y.low - FRAME_MM, y.high + FRAME_MM];
  return [[[left, front], [right, front], [right, back], [left, back]]]; // oxfmt-ignore
}
