import type { Manifold } from 'manifold-3d';
import type { Pose } from '../mesh/index.ts';
import { extentOf, type Outline, type Range } from '../plane/index.ts';
import { ContourMesh } from './contourMesh.ts';
import type { Kernel } from './kernel.ts';
import type { Scope } from './scope.ts';

/** What is known of an upright body with one section: its outlines, each with the surface that drew its wall. */
export interface Prism {
  readonly lowMm: number;
  readonly highMm: number;
  /** The kernel's number of the surface that its ends belong to. */
  readonly ends: number;
  /** The outer outline, counter-clockwise, and then those of openings, clockwise; all on the grid. */
  readonly outlines: readonly Wall[];
}

interface Wall {
  readonly outline: Outline;
  readonly original: number;
  readonly x: Range;
  readonly y: Range;
}

/** A prism without openings. The outline is counter-clockwise, on the grid, and does not cross itself. */
export function plainPrism(outline: Outline, lowMm: number, highMm: number, original: number): Prism {
  return { lowMm, highMm, ends: original, outlines: [{ outline, original, ...extentOf([outline]) }] };
}

/**
 * Remembers which of the kernel's bodies are prisms. Holes through a plate, which is what most panels are made of, are
 * then cut in the plane, where the kernel would look for crossings in space; the surface that comes out is the same.
 */
export class Prisms {
  readonly #known = new WeakMap<Manifold, Prism>();

  note(body: Manifold, prism: Prism): Manifold {
    this.#known.set(body, prism);
    return body;
  }

  /** Notes that a body is another one after a pose; turned ones are left to the kernel. */
  notePosed(body: Manifold, from: Manifold, pose: Pose): Manifold {
    const prism = this.#known.get(from);
    const isShift = [0, 5, 10].every((i) => pose[i] === 1) && [1, 2, 4, 6, 8, 9].every((i) => pose[i] === 0);
    if (!prism || !isShift) return body;
    const [dx, dy, dz] = [pose[12], pose[13], pose[14]];
    return this.note(body, {
      ...prism,
      lowMm: prism.lowMm + dz,
      highMm: prism.highMm + dz,
      outlines: prism.outlines.map(({ outline, original, x, y }) => ({
        original,
        outline: outline.map(([px, py]) => [px + dx, py + dy]),
        x: { low: x.low + dx, high: x.high + dx },
        y: { low: y.low + dy, high: y.high + dy },
      })),
    });
  }

  /**
   * The part without the cutters, if part and cutters are prisms, each cutter goes right through and none touches
   * another outline; undefined otherwise.
   */
  drilled(kernel: Kernel, scope: Scope, part: Manifold, cutters: readonly Manifold[]): Manifold | undefined {
    const prism = this.#known.get(part);
    if (!prism) return undefined;
    const walls = [...prism.outlines];
    for (const cutter of cutters) {
      const through = this.#known.get(cutter);
      if (!through || through.outlines.length > 1) return undefined;
      if (through.lowMm >= prism.lowMm || through.highMm <= prism.highMm) return undefined;
      const [{ outline, original, x, y }] = through.outlines;
      const touches = walls.slice(1).some((wall) => meet(wall.x, x) && meet(wall.y, y));
      if (touches || !isWellInside(x, y, walls[0].outline)) return undefined;
      walls.push({ outline: outline.toReversed(), original, x, y });
    }
    const cut = { ...prism, outlines: walls };
    return this.note(scope.keep(bodyOf(kernel, cut)), cut);
  }
}

function meet(a: Range, b: Range): boolean {
  return a.low <= b.high && b.low <= a.high;
}

/** Whether a box lies in an outline without touching it. */
function isWellInside(x: Range, y: Range, outline: Outline): boolean {
  const [px, py] = [x.low, y.low];
  let isInside = false;
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
    const [[ax, ay], [bx, by]] = [outline[j], outline[i]];
    // An edge is kept away by a box around it, or else by all corners of the box lying on one side of it.
    const isNear =
      meet(x, { low: Math.min(ax, bx), high: Math.max(ax, bx) }) &&
      meet(y, { low: Math.min(ay, by), high: Math.max(ay, by) });
    if (isNear) {
      const side = (cx: number, cy: number) => Math.sign((bx - ax) * (cy - ay) - (by - ay) * (cx - ax));
      const first = side(px, py);
      const others = [side(x.high, y.low), side(x.high, y.high), side(x.low, y.high)];
      if (first === 0 || others.some((other) => other !== first)) return false;
    }
    // One corner tells for all of them: counted are the edges that a ray to the right passes.
    if (ay > py !== by > py && px < ax + ((py - ay) / (by - ay)) * (bx - ax)) isInside = !isInside;
  }
  return isInside;
}

function bodyOf(kernel: Kernel, { lowMm, highMm, ends, outlines }: Prism): Manifold {
  const region = outlines.map(({ outline }) => outline);
  const mesh = new ContourMesh();
  const [below, above] = [mesh.add(region, lowMm), mesh.add(region, highMm)];
  mesh.caps(kernel, below, above);
  // Runs of triangles, each of one surface: first the ends, then the walls in the order in which they are added.
  const runIndex = [0];
  const runOriginalID = [ends];
  let at = mesh.triangles.length;
  for (const { outline, original } of outlines) {
    if (original !== runOriginalID.at(-1)) {
      runIndex.push(at);
      runOriginalID.push(original);
    }
    at += 6 * outline.length;
  }
  runIndex.push(at);
  mesh.walls(below, above);
  return new kernel.Manifold(
    new kernel.Mesh({
      numProp: 3,
      vertProperties: Float32Array.from(mesh.positions),
      triVerts: Uint32Array.from(mesh.triangles),
      runIndex: Uint32Array.from(runIndex),
      runOriginalID: Uint32Array.from(runOriginalID),
    }),
  );
}
