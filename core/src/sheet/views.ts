import { said } from '../words/index.ts';
import { cornersOf, type Box, type Vec3 } from '../mesh/index.ts';
import { cross, dot, unit } from '../mesh/vectors.ts';
import { extentOf, type Point } from '../plane/index.ts';

/** A direction in which a part is looked at, without perspective: what lies to the right, what upwards, what towards the eye. */
export interface View {
  readonly right: Vec3;
  readonly up: Vec3;
  readonly toward: Vec3;
}

function looking(right: Vec3, up: Vec3): View {
  return { right, up, toward: cross(right, up) };
}

/** The isometric view (ISO 5456-3), from the front, the right and above. */
const cornerRight = unit([1, 1, 0]);
const cornerToward = unit([1, -1, 1]);

export const views = {
  front: looking([1, 0, 0], [0, 0, 1]),
  top: looking([1, 0, 0], [0, 1, 0]),
  left: looking([0, -1, 0], [0, 0, 1]),
  right: looking([0, 1, 0], [0, 0, 1]),
  corner: looking(cornerRight, cross(cornerToward, cornerRight)),
} as const satisfies Record<string, View>;
export type ViewName = keyof typeof views;

/** What the views are called under their drawings. */
export const viewNames = said({
  front: 'From the front',
  top: 'From above',
  left: 'From the left',
  right: 'From the right',
  corner: 'From a corner',
} as const);

/** Where a point is seen, mm. */
export const seenAt = ({ right, up }: View, point: Vec3): Point => [dot(point, right), dot(point, up)];

/** Which axis of the part (0, 1, 2) a direction of a straight view follows, and whether the same way or the other. */
export function axisOf(direction: Vec3): { axis: 0 | 1 | 2; sign: 1 | -1 } {
  const axis = [0, 1, 2].find((i) => Math.abs(direction[i]) > 0.99) as 0 | 1 | 2;
  return { axis, sign: direction[axis] > 0 ? 1 : -1 };
}

/** What a box covers where it is seen: low and high to the right and upwards. */
export function seenBox(view: View, box: Box): { low: Point; high: Point } {
  const { x, y } = extentOf([cornersOf(box).map((corner) => seenAt(view, corner))]);
  return { low: [x.low, y.low], high: [x.high, y.high] };
}

/** How a view of a box is put onto paper at a scale: how large it is, and where a point of it lies from its lower left corner, mm. */
export function ontoPaper(
  view: View,
  box: Box,
  scale: number,
): { readonly size: Point; readonly onPaper: (point: Point) => Point } {
  const { low, high } = seenBox(view, box);
  return {
    size: [(high[0] - low[0]) * scale, (high[1] - low[1]) * scale],
    onPaper: ([x, y]) => [(x - low[0]) * scale, (y - low[1]) * scale],
  };
}

/** A plane across the direction of a view: what is nearer to the eye is cut away. */
export interface CutPlane {
  readonly view: View;
  /** How far towards the eye it lies. */
  readonly atMm: number;
}
