import type { SolidMesh, Vec3 } from '../mesh/index.ts';
import type { EdgeChain } from './edgeChains.ts';
import { sharpEdgesFrom, type Surface } from './surface.ts';
import { BEYOND_MM, turnedOutwards } from './sweptTool.ts';
import {
  angleBetween,
  dot,
  lengthOf,
  minus,
  nearestSolution,
  plus,
  slerp,
  times,
  unit,
} from '../mesh/vectors.ts';

/**
 * What is left to do at the corners where three rounded edges meet: a ball of their radius that touches all three faces
 * rounds the corner. Each body reaches from the corner to that ball; what lies beside it, the edges' own tools take.
 */
export function ballCorners(
  surface: Surface,
  chains: readonly EdgeChain[],
  radiusMm: number,
  divisions: number,
): SolidMesh[] {
  const { start, end, opposite } = surface;
  const chosen = new Set(chains.flatMap(({ edges }) => edges.flatMap((edge) => [edge, opposite(edge)])));
  const corners = new Set(
    chains.flatMap(({ edges, isClosed }) => (isClosed ? [] : [start(edges[0]), end(edges.at(-1)!)])),
  );
  return [...corners].flatMap((vertex) => {
    const sharp = sharpEdgesFrom(surface, vertex);
    if (sharp.length !== 3 || sharp.some((edge) => !chosen.has(edge))) return [];
    const faces = facesAround(surface, sharp);
    return faces ? [ballCorner(surface.place(vertex), faces, chains[0].isOuter, radiusMm, divisions)] : [];
  });
}

type Three = readonly [Vec3, Vec3, Vec3];

/** How the three faces between three edges look, just beside them; undefined if there are not three. */
function facesAround({ faceOf, neighbours, normal }: Surface, edges: readonly number[]): Three | undefined {
  const sums = new Map<number, Vec3>();
  for (const triangle of edges.flatMap((edge) => [Math.floor(edge / 3), neighbours[edge]])) {
    sums.set(faceOf[triangle], plus(sums.get(faceOf[triangle]) ?? [0, 0, 0], normal(triangle)));
  }
  const [a, b, c] = [...sums.values()].map(unit);
  return sums.size === 3 ? [a, b, c] : undefined;
}

function ballCorner(
  at: Vec3,
  outward: Three,
  isOuter: boolean,
  radiusMm: number,
  divisions: number,
): SolidMesh {
  const looks = outward.map((way) => times(way, isOuter ? 1 : -1)) as unknown as Three;
  const middle = nearestSolution(looks.map((way) => [way, dot(way, at) - radiusMm]));
  const corner = minus(at, middle);
  const apex = plus(middle, times(corner, 1 + (2 * BEYOND_MM) / lengthOf(corner)));

  // Rows of points on the ball, from where it touches the first face to the arc between the other two.
  const points: Vec3[] = [];
  const indexOf = (row: number, i: number) => (row * (row + 1)) / 2 + i;
  for (let row = 0; row <= divisions; row++) {
    for (let i = 0; i <= row; i++) {
      points.push(plus(middle, times(onBall(looks, row, i, divisions), radiusMm)));
    }
  }
  const tip = points.length;
  points.push(apex);
  const triangles: number[] = [];
  for (let row = 0; row < divisions; row++) {
    for (let i = 0; i <= row; i++) {
      triangles.push(indexOf(row, i), indexOf(row + 1, i), indexOf(row + 1, i + 1));
      if (i < row) triangles.push(indexOf(row, i), indexOf(row + 1, i + 1), indexOf(row, i + 1));
    }
    triangles.push(tip, indexOf(row + 1, 0), indexOf(row, 0));
    triangles.push(tip, indexOf(row, row), indexOf(row + 1, row + 1));
    triangles.push(tip, indexOf(divisions, row + 1), indexOf(divisions, row));
  }
  return turnedOutwards({
    positions: Float32Array.from(points.flat()),
    triangles: Uint32Array.from(triangles),
  });
}

/** A direction between three: those along the sides are shared out evenly, as the edges' roundings have them. */
function onBall([a, b, c]: Three, row: number, i: number, divisions: number): Vec3 {
  const down = row / divisions;
  if (row === 0) return a;
  if (i === 0) return slerp(a, b, down);
  if (i === row) return slerp(a, c, down);
  const across = i / row;
  if (row === divisions) return slerp(b, c, across);
  const share = [1 - down, down * (1 - across), down * across];
  const wide = (angleBetween(a, b) + angleBetween(b, c) + angleBetween(c, a)) / 3;
  const weight = share.map((each) => Math.sin(each * wide));
  return unit(plus(plus(times(a, weight[0]), times(b, weight[1])), times(c, weight[2])));
}
