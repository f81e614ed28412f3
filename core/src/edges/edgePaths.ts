import type { Vec3 } from '../mesh/index.ts';
import type { EdgeChain } from './edgeChains.ts';
import { turnAt, type Surface } from './surface.ts';
import { walks } from './walk.ts';
import { angleBetween, cross, dot, lengthOf, minus, plus, times, unit } from '../mesh/vectors.ts';

/** Shorter pieces of an edge come from rounding, and are made one with those before them, mm. */
const SHORTEST_MM = 0.01;

/** A straight piece of an edge that is finished. */
export interface Piece {
  /** The edge of the left triangle. */
  readonly edge: number;
  readonly from: Vec3;
  readonly to: Vec3;
  readonly along: Vec3;
  readonly lengthMm: number;
  /** The smooth faces to the left and to the right. */
  readonly faces: readonly [number, number];
  /** The directions that its two faces look in: outward where the part stands out, into the part where it goes in. */
  readonly looks: readonly [Vec3, Vec3];
  /** The directions in its two faces away from the edge. */
  readonly away: readonly [Vec3, Vec3];
  /** By how much the surface turns, radians above nothing. */
  readonly turn: number;
}

/** Pieces that follow each other, which are finished by one tool. */
export interface EdgePath {
  /** All its triangle edges, of one of their two triangles each. */
  readonly edges: readonly number[];
  readonly pieces: readonly Piece[];
  readonly isClosed: boolean;
  /** Whether the part stands out along it. */
  readonly isOuter: boolean;
}

/**
 * Edges that follow each other, as paths: where just two of them meet at a corner and share a face, the finish of one goes
 * over into that of the other in a mitre. All of them stand out, or all go in.
 */
export function edgePaths(surface: Surface, chains: readonly EdgeChain[]): EdgePath[] {
  const { start, end, opposite, faceOf, neighbours } = surface;
  const chosen = chains.flatMap(({ edges }) => edges);
  const from = new Map<number, number[]>();
  for (const edge of chosen.flatMap((each) => [each, opposite(each)])) {
    const list = from.get(start(edge));
    if (list) list.push(edge);
    else from.set(start(edge), [edge]);
  }
  const sides = (edge: number) => [faceOf[Math.floor(edge / 3)], faceOf[neighbours[edge]]];
  const next = (edge: number): number | undefined => {
    const there = from.get(end(edge))!;
    if (there.length !== 2) return undefined;
    const on = there.find((each) => each !== opposite(edge))!;
    const [one, other] = [sides(edge), sides(on)];
    if (one[0] !== other[0] && one[1] !== other[1]) return undefined;
    return isMitred(surface, edge, on) ? on : undefined;
  };

  const isOuter = chains[0]?.isOuter ?? true;
  return walks(surface, chosen, next).map(({ edges, isClosed }) => ({
    edges,
    pieces: piecesOf(surface, edges, isOuter),
    isClosed,
    isOuter,
  }));
}

/** A path may turn by this much, and then its faces by that, for its finish to go over in a mitre, radians. */
const SMOOTH = { turn: 0.5, ofFaces: 0.15 };

/** Whether the finish of an edge goes over into that of the next: where they meet sharply, they have to be alike. */
function isMitred(surface: Surface, edge: number, next: number): boolean {
  const along = (of: number) => minus(surface.place(surface.end(of)), surface.place(surface.start(of)));
  if (angleBetween(along(edge), along(next)) < SMOOTH.turn) return true;
  return Math.abs(turnAt(surface, edge) - turnAt(surface, next)) < SMOOTH.ofFaces;
}

function piecesOf(surface: Surface, edges: readonly number[], isOuter: boolean): Piece[] {
  const spans: { edge: number; from: Vec3; to: Vec3 }[] = [];
  for (const edge of edges) {
    const [from, to] = [surface.place(surface.start(edge)), surface.place(surface.end(edge))];
    const last = spans.at(-1);
    if (last && lengthOf(minus(to, from)) < SHORTEST_MM) last.to = to;
    else if (last && lengthOf(minus(last.to, last.from)) < SHORTEST_MM) {
      last.to = to;
      last.edge = edge;
    } else spans.push({ edge, from, to });
  }
  return spans.map(({ edge, from, to }) => {
    const along = unit(minus(to, from));
    const outward = [Math.floor(edge / 3), surface.neighbours[edge]].map((triangle) => {
      const normal = surface.normal(triangle);
      // Square to the piece, which may be one of several made one.
      return unit(minus(normal, times(along, dot(normal, along))));
    });
    const sign = isOuter ? 1 : -1;
    return {
      edge,
      from,
      to,
      along,
      lengthMm: lengthOf(minus(to, from)),
      faces: [surface.faceOf[Math.floor(edge / 3)], surface.faceOf[surface.neighbours[edge]]],
      looks: [times(outward[0], sign), times(outward[1], sign)],
      away: [cross(outward[0], along), cross(along, outward[1])],
      turn: angleBetween(outward[0], outward[1]),
    };
  });
}

/** A point of a path with the pieces before and behind it; one of them is missing at its ends. */
export interface Joint {
  readonly at: Vec3;
  readonly before?: Piece;
  readonly after?: Piece;
}

/** The points of a path in order; a closed one's first is not told again. */
export function jointsOf({ pieces, isClosed }: EdgePath): Joint[] {
  const inner = pieces.slice(1).map((after, i) => ({ at: after.from, before: pieces[i], after }));
  const [first, last] = [pieces[0], pieces.at(-1)!];
  if (isClosed) return [{ at: first.from, before: last, after: first }, ...inner];
  return [{ at: first.from, after: first }, ...inner, { at: last.to, before: last }];
}

/** The direction half-way between two. */
export function between(a: Vec3, b: Vec3): Vec3 {
  return unit(plus(a, b));
}
