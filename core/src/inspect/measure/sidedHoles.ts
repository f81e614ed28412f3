import { sectionAt, type SolidMesh, type Vec3 } from '../../mesh/index.ts';
import { largestCircleIn, signedAreaOf, type Outline, type Point } from '../../plane/index.ts';
import { AlongAxis, squareTo } from './aroundAxis.ts';
import { connectedIn } from './regions.ts';
import type { Hole, HoleShape } from './hole.ts';
import type { Subject } from './subject.ts';

/** Facets belong to one wall where they bend inwards by less than this: the corner of a triangle turns by 120°. */
const SHARPEST = Math.cos((130 * Math.PI) / 180);
/** Bends below this are level. */
const LEVEL = Math.cos((1.5 * Math.PI) / 180);
/** Corners of a wall run along its axis within this, and its facets are square to it within that. */
const SAME_AXIS = Math.cos((1 * Math.PI) / 180);
const SQUARE = Math.sin((1.5 * Math.PI) / 180);
/** Sides are equal, and corners lie on a circle, within this share. */
const EQUAL = 0.03;
/** The sine of a turn that is none. */
const STRAIGHT = Math.sin((3 * Math.PI) / 180);
/** A drop goes round its circle by at least so much, and its tip is no further out than so many times the radius. */
const LEAST_ARC = Math.PI;
const FURTHEST_TIP = 1.7;
/** The directions of a wall that goes around add up to no more than this share of their lengths. */
const LOPSIDED = 0.05;
/** Where a hole is cut, as a share of its depth: not just half-way, where there may be corners. */
const NEAR_MIDDLE = 0.47;
/** So many axes of one hollow are tried. */
const MOST_AXES = 3;

const shapeOf: Readonly<Record<number, HoleShape>> = { 3: 'three-sided', 4: 'square', 6: 'six-sided' };

/**
 * The holes of equal sides, and those like a drop, whose round part is closed by a roof. Each counts by the largest circle
 * that fits into it. Slots and pockets of other shapes are none.
 *
 * @param taken facets of round holes
 */
export function sidedHoles(subject: Subject, taken: ReadonlySet<number>): Hole[] {
  const holes: Hole[] = [];
  for (const hollow of hollows(subject, taken)) {
    for (const axis of axesOf(subject, hollow)) {
      for (const wall of connectedIn(
        subject.topology,
        squareTo(subject.faces.normals, hollow, axis, SQUARE),
      )) {
        const hole = wall.length >= 6 && isAround(subject, wall) ? holeOf(subject, wall, axis) : undefined;
        if (hole) holes.push(hole);
      }
    }
  }
  return holes;
}

/** How an edge bends: 1 inwards, 0 level, −1 outwards or too sharply. */
function bendAt(
  { mesh: { positions: p, triangles: t }, faces: { normals: n, areas } }: Subject,
  face: number,
  k: number,
  other: number,
): number {
  if (areas[face] === 0 || areas[other] === 0) return 0;
  const cosine =
    n[3 * face] * n[3 * other] + n[3 * face + 1] * n[3 * other + 1] + n[3 * face + 2] * n[3 * other + 2];
  if (cosine > LEVEL) return 0;
  if (cosine < SHARPEST) return -1;
  const from = 3 * t[3 * face + k];
  // The corner of the neighbour that is not on their edge has the greatest distance from the plane.
  let rise = 0;
  for (let corner = 0; corner < 3; corner++) {
    const to = 3 * t[3 * other + corner];
    const by =
      n[3 * face] * (p[to] - p[from]) +
      n[3 * face + 1] * (p[to + 1] - p[from + 1]) +
      n[3 * face + 2] * (p[to + 2] - p[from + 2]);
    if (Math.abs(by) > Math.abs(rise)) rise = by;
  }
  return Math.sign(rise);
}

/** Connected sets of facets that bend inwards, or not at all. */
function hollows(subject: Subject, taken: ReadonlySet<number>): number[][] {
  const { topology, faces } = subject;
  const seen = new Uint8Array(faces.areas.length);
  const found: number[][] = [];
  for (let seed = 0; seed < seen.length; seed++) {
    if (seen[seed] || taken.has(seed)) continue;
    seen[seed] = 1;
    const set = [seed];
    let isHollow = false;
    for (let i = 0; i < set.length; i++) {
      for (let k = 0; k < 3; k++) {
        const other = topology.neighbours[3 * set[i] + k];
        if (other < 0 || taken.has(other)) continue;
        const way = bendAt(subject, set[i], k, other);
        if (way < 0) continue;
        if (way > 0) isHollow = true;
        if (seen[other]) continue;
        seen[other] = 1;
        set.push(other);
      }
    }
    if (isHollow && set.length >= 6) found.push(set);
  }
  return found;
}

/** The directions of the inner edges of a hollow, those with the most length first. */
function axesOf(subject: Subject, hollow: readonly number[]): Vec3[] {
  const { mesh, topology } = subject;
  const { positions: p, triangles: t } = mesh;
  const axes: { way: Vec3; mm: number }[] = [];
  for (const face of hollow) {
    for (let k = 0; k < 3; k++) {
      const other = topology.neighbours[3 * face + k];
      if (other < face || bendAt(subject, face, k, other) <= 0) continue;
      const [a, b] = [3 * t[3 * face + k], 3 * t[3 * face + ((k + 1) % 3)]];
      const [x, y, z] = [p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]];
      const mm = Math.hypot(x, y, z);
      if (mm < 1e-3) continue;
      const way: Vec3 = [x / mm, y / mm, z / mm];
      const same = axes.find(
        ({ way: [ax, ay, az] }) => Math.abs(ax * way[0] + ay * way[1] + az * way[2]) > SAME_AXIS,
      );
      if (same) same.mm += mm;
      // Of a surface that bends everywhere there is no end of directions.
      else if (axes.length < 40) axes.push({ way, mm });
    }
  }
  return axes
    .sort((a, b) => b.mm - a.mm)
    .slice(0, MOST_AXES)
    .map(({ way }) => way);
}

/** Whether facets look to all sides alike, as those of a wall that goes all the way around do. */
function isAround({ faces: { normals: n, areas } }: Subject, wall: readonly number[]): boolean {
  const sum = [0, 0, 0];
  let all = 0;
  for (const f of wall) {
    all += areas[f];
    for (let axis = 0; axis < 3; axis++) sum[axis] += areas[f] * n[3 * f + axis];
  }
  return Math.hypot(...sum) < LOPSIDED * all;
}

function holeOf(subject: Subject, wall: readonly number[], axis: Vec3): Hole | undefined {
  const { positions: p, triangles: t } = subject.mesh;
  const along = new AlongAxis(axis);
  let [low, high] = [Infinity, -Infinity];
  for (const f of wall) {
    for (let k = 0; k < 3; k++) {
      const height = along.height(p, t[3 * f + k]);
      low = Math.min(low, height);
      high = Math.max(high, height);
    }
  }
  if (high - low < 0.05) return undefined;
  const own = new Set(wall);
  // An opening is walked clockwise, and all of it lies on the wall.
  const outline = sectionAt(seenAlong(subject.mesh, along), low + NEAR_MIDDLE * (high - low)).find(
    ({ points, faces }) => signedAreaOf(points) < 0 && faces.every((face) => own.has(face)),
  );
  const found = outline && (regular(outline.points) ?? drop(outline.points));
  if (!found) return undefined;
  const { shape, middle, radius } = found;
  const at = along.place(middle, (low + high) / 2);
  const through = along.isOpen(subject, at, radius, (high - low) / 2 + radius);
  return {
    shape,
    diameterMm: 2 * radius,
    depthMm: high - low,
    axis,
    middle: at,
    through,
    triangles: [...wall],
  };
}

/** A mesh as it is seen along an axis: its heights are those along it. */
function seenAlong({ positions: p, triangles }: SolidMesh, along: AlongAxis): SolidMesh {
  const positions = new Float32Array(p.length);
  for (let vertex = 0; vertex < p.length / 3; vertex++) {
    positions.set([...along.flat(p, vertex), along.height(p, vertex)], 3 * vertex);
  }
  return { positions, triangles };
}

interface Found {
  readonly shape: HoleShape;
  readonly middle: Point;
  /** Of the largest circle within. */
  readonly radius: number;
}

/** A polygon of three to seven equal sides, its corners on a circle. */
function regular(points: Outline): Found | undefined {
  const outline = points.filter((_, i) => isCorner(points, i));
  const count = outline.length;
  if (count < 3 || count > 7) return undefined;
  const middle: Point = [0, 1].map((axis) => outline.reduce((sum, at) => sum + at[axis], 0) / count) as [number, number]; // oxfmt-ignore
  const reach = outline.map(([x, y]) => Math.hypot(x - middle[0], y - middle[1]));
  const sides = outline.map(([x, y], i) => Math.hypot(x - outline.at(i - 1)![0], y - outline.at(i - 1)![1]));
  const isEqual = (all: readonly number[]) => Math.max(...all) <= (1 + EQUAL) * Math.min(...all);
  if (!isEqual(reach) || !isEqual(sides)) return undefined;
  const mean = reach.reduce((sum, mm) => sum + mm, 0) / count;
  return { shape: shapeOf[count] ?? 'many-sided', middle, radius: mean * Math.cos(Math.PI / count) };
}

/** Whether an outline turns at a point; where a side is cut up, it has points that are no corners. */
function isCorner(outline: Outline, i: number): boolean {
  const [[ax, ay], [bx, by], [cx, cy]] = [outline.at(i - 1)!, outline[i], outline[(i + 1) % outline.length]];
  const [ux, uy, vx, vy] = [bx - ax, by - ay, cx - bx, cy - by];
  return Math.abs(ux * vy - uy * vx) > STRAIGHT * Math.hypot(ux, uy) * Math.hypot(vx, vy);
}

/** A circle that is open at one side, where two straight sides run on to a tip or to a narrow flat. */
function drop(outline: Outline): Found | undefined {
  if (outline.length < 8) return undefined;
  const { at, diameterMm } = largestCircleIn(outline.toReversed());
  const radius = diameterMm / 2;
  const beyond = outline.filter(([x, y]) => Math.hypot(x - at[0], y - at[1]) > (1 + 2 * EQUAL) * radius);
  const isTip = beyond.every(([x, y]) => Math.hypot(x - at[0], y - at[1]) < FURTHEST_TIP * radius);
  if (beyond.length === 0 || beyond.length > 2 || !isTip) return undefined;
  // The largest gap between the corners on the circle is where it is open.
  const angles = outline
    .filter((corner) => !beyond.includes(corner))
    .map(([x, y]) => Math.atan2(y - at[1], x - at[0]))
    .sort((a, b) => a - b);
  const gaps = angles.map((angle, i) =>
    i === 0 ? angle + 2 * Math.PI - angles.at(-1)! : angle - angles[i - 1],
  );
  return 2 * Math.PI - Math.max(...gaps) < LEAST_ARC
    ? undefined
    : { shape: 'like a drop', middle: at, radius };
}
