import type { Vec3 } from '../mesh/index.ts';
import { sharpEdgesFrom, turnAt, type Surface } from './surface.ts';
import { walks } from './walk.ts';
import { dot, lengthOf, minus, plus, times, unit } from '../mesh/vectors.ts';

/** The cosine of what is straight along a direction: within two degrees. */
const STRAIGHT = 0.9994;
/** Places that are no further apart are the same, mm. */
const SAME_PLACE_MM = 0.02;

/** An edge as people speak of one: all of it between the same two faces, from one of its corners to the next. */
export interface EdgeChain {
  /** Its triangle edges in order, each of the triangle to its left. */
  readonly edges: readonly number[];
  /** Whether it comes back to where it began. */
  readonly isClosed: boolean;
  /** Whether the part stands out there; otherwise it goes in. */
  readonly isOuter: boolean;
  /** The smooth faces to its left and to its right. */
  readonly faces: readonly [number, number];
  /** The steps whose surface lies to its left and to its right. */
  readonly steps: readonly [number, number];
  /** Where it runs, mm; the first point is the last as well where it is closed. */
  readonly points: readonly Vec3[];
}

/** The edges of a surface, each between two of its smooth faces and two steps. */
export function edgeChains(surface: Surface): EdgeChain[] {
  const { faceOf, isSharp, start, end, place, opposite, neighbours } = surface;
  const stepOf = surface.mesh.stepOf;
  const traits = (edge: number) => {
    const [left, right] = [Math.floor(edge / 3), neighbours[edge]];
    return {
      faces: [faceOf[left], faceOf[right]] as const,
      steps: [stepOf?.[left] ?? 0, stepOf?.[right] ?? 0] as const,
      isOuter: turnAt(surface, edge) > 0,
    };
  };
  const isSame = (a: number, b: number): boolean => {
    const [one, other] = [traits(a), traits(b)];
    return (
      one.isOuter === other.isOuter &&
      [0, 1].every((i) => one.faces[i] === other.faces[i] && one.steps[i] === other.steps[i])
    );
  };
  /** The edge that a chain goes on with, if it does. */
  const next = (edge: number): number | undefined => {
    const from = sharpEdgesFrom(surface, end(edge));
    if (from.length !== 2) return undefined;
    const on = from.find((each) => each !== opposite(edge));
    return on !== undefined && isSame(edge, on) ? on : undefined;
  };

  const sharp = [...isSharp.keys()].filter((edge) => isSharp[edge] && neighbours[edge] >= 0);
  return walks(surface, sharp, next).map(({ edges, isClosed }) => ({
    edges,
    isClosed,
    ...traits(edges[0]),
    points: [...edges.map((edge) => place(start(edge))), place(end(edges.at(-1)!))],
  }));
}

/** How long a chain is, mm. */
export function chainLengthMm({ points }: EdgeChain): number {
  return points.slice(1).reduce((sum, point, i) => sum + lengthOf(minus(point, points[i])), 0);
}

/** Where a chain lies, in its middle: half-way along it, or in the middle of what it goes around. */
export function middleOf(chain: EdgeChain): Vec3 {
  const { points, isClosed } = chain;
  if (isClosed) {
    const sum = points.slice(1).reduce(plus);
    return times(sum, 1 / (points.length - 1));
  }
  let left = chainLengthMm(chain) / 2;
  for (let i = 1; i < points.length; i++) {
    const [from, to] = [points[i - 1], points[i]];
    const mm = lengthOf(minus(to, from));
    if (mm >= left) return plus(from, times(unit(minus(to, from)), left));
    left -= mm;
  }
  return points.at(-1)!;
}

/** The way that a face beside a chain looks, along all of it; hardly any for one that goes around. */
export function facingOf(surface: Surface, { edges }: EdgeChain, side: 0 | 1): Vec3 {
  let sum: Vec3 = [0, 0, 0];
  let mm = 0;
  for (const edge of edges) {
    const triangle = side === 0 ? Math.floor(edge / 3) : surface.neighbours[edge];
    const long = lengthOf(minus(surface.place(surface.end(edge)), surface.place(surface.start(edge))));
    sum = plus(sum, times(surface.normal(triangle), long));
    mm += long;
  }
  return mm > 0 ? times(sum, 1 / mm) : sum;
}

/** Whether all of a chain runs along a direction, one way or the other. */
export function runsAlong({ points }: EdgeChain, way: Vec3): boolean {
  return points.slice(1).every((point, i) => Math.abs(dot(unit(minus(point, points[i])), way)) > STRAIGHT);
}

/** Whether a chain comes by a place. */
export function runsThrough({ points }: EdgeChain, place: Vec3): boolean {
  return points.slice(1).some((to, i) => {
    const [from, along] = [points[i], minus(to, points[i])];
    const square = dot(along, along);
    const share = square > 0 ? Math.min(1, Math.max(0, dot(minus(place, from), along) / square)) : 0;
    return lengthOf(minus(place, plus(from, times(along, share)))) < SAME_PLACE_MM;
  });
}

/**
 * The edges that stand out and end between two that go in, as the upright ones of a wall do on its plate. They have to be
 * rounded first, so that what is filled goes around them; where an edge goes in between two that stand out, it is filled
 * first.
 */
export function edgesBetweenInner(surface: Surface, chains: readonly EdgeChain[]): EdgeChain[] {
  const { start, end, opposite } = surface;
  const isOuter = new Map(
    chains.flatMap((chain) =>
      chain.edges.flatMap((edge) => [
        [edge, chain.isOuter] as const,
        [opposite(edge), chain.isOuter] as const,
      ]),
    ),
  );
  const isBetween = (vertex: number) => {
    const kinds = sharpEdgesFrom(surface, vertex).map((edge) => isOuter.get(edge));
    return kinds.length === 3 && kinds.filter((kind) => kind === false).length === 2;
  };
  return chains.filter(
    (chain) =>
      chain.isOuter &&
      !chain.isClosed &&
      (isBetween(start(chain.edges[0])) || isBetween(end(chain.edges.at(-1)!))),
  );
}
