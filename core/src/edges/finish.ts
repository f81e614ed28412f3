import type { Piece } from './edgePaths.ts';
import { angleBetween, dot, minus, plus, slerp, times } from '../mesh/vectors.ts';
import type { Vec3 } from '../mesh/index.ts';

/** What is done to an edge. */
export type EdgeFinishing =
  | { readonly finish: 'round'; readonly mm: number }
  /** `deg` is the angle between the slope and the flatter of the two faces; the same on both if it is left out. */
  | { readonly finish: 'slope'; readonly mm: number; readonly deg?: number };

/** An edge that turns by more is that of a blade without thickness, radians. */
const MOST_TURN = (170 * Math.PI) / 180;
/** What turns by less is no edge, and no slope beside the steeper face, radians. */
const LEAST_TURN = 0.05;

/**
 * How far a finish reaches into the two faces of an edge, for each millimetre of its size. A rounding of radius r that
 * touches two faces with a turn of φ between them does so r · tan(φ / 2) from their edge.
 */
export function reachOf(finishing: EdgeFinishing, piece: Piece): readonly [number, number] {
  if (finishing.finish === 'round') {
    const reach = Math.tan(piece.turn / 2);
    return [reach, reach];
  }
  if (finishing.deg === undefined) return [1, 1];
  // The law of sines in the triangle between the edge and where the slope meets the two faces.
  const [slope, inside] = [(finishing.deg * Math.PI) / 180, Math.PI - piece.turn];
  const other = Math.sin(slope) / Math.sin(slope + inside);
  return isLeftFlatter(piece) ? [1, other] : [other, 1];
}

/** Whether an edge can be finished so at all: a slope has to meet the steeper face as well. */
export function canFinish(finishing: EdgeFinishing, { turn }: Piece): boolean {
  if (!(turn > LEAST_TURN && turn < MOST_TURN)) return false;
  if (finishing.finish === 'round' || finishing.deg === undefined) return true;
  return (finishing.deg * Math.PI) / 180 < turn - LEAST_TURN;
}

function isLeftFlatter({ looks }: Piece): boolean {
  return Math.abs(looks[0][2]) >= Math.abs(looks[1][2]);
}

/** A place of the new surface, as so many times the ways into the two faces of its edge. */
export type Share = readonly [number, number];

/** The new surface across an edge, from its left face to its right one; `divisions` straight pieces make a rounding. */
export function profileOf(finishing: EdgeFinishing, piece: Piece, divisions: number): Share[] {
  const [left, right] = reachOf(finishing, piece).map((reach) => reach * finishing.mm);
  if (finishing.finish === 'slope') return [[left, 0], [0, right]]; // oxfmt-ignore
  const { looks, away } = piece;
  const touch = times(away[0], left);
  return Array.from({ length: divisions + 1 }, (_, k) => {
    const way = slerp(looks[0], looks[1], k / divisions);
    return shareOf(plus(touch, times(minus(way, looks[0]), finishing.mm)), away);
  });
}

/** A vector in the plane of two others as so many times each. */
function shareOf(vector: Vec3, [a, b]: readonly [Vec3, Vec3]): Share {
  const cosine = Math.cos(angleBetween(a, b));
  const [alongA, alongB] = [dot(vector, a), dot(vector, b)];
  const square = 1 - cosine * cosine;
  return [(alongA - cosine * alongB) / square, (alongB - cosine * alongA) / square];
}
