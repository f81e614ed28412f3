import type { Vec3 } from '../mesh/index.ts';
import type { EdgePath, Piece } from './edgePaths.ts';
import { canFinish, reachOf, type EdgeFinishing } from './finish.ts';
import type { Surface } from './surface.ts';
import { awayAt } from './sweptTool.ts';
import { angleBetween, dot, lengthOf, minus, plus, times } from './vectors.ts';

/** A finish reaches no further into a face than this for each millimetre of its size; see `canFinish`. */
const MOST_REACH = 20;
/** A neighbour is opposite an edge when it lies so squarely away from it (cosine). */
const OPPOSITE = 0.97;

/**
 * The largest size of a finish that each path has room for, mm: no face is used up by the finishes at its sides, and no
 * piece of an edge by those at its ends. Nothing where a slope of the angle cannot be.
 */
export function roomsMm(surface: Surface, paths: readonly EdgePath[], finishing: EdgeFinishing): number[] {
  const chosen = chosenPieces(surface, paths);
  return paths.map((path) => {
    if (!path.pieces.every((piece) => piece.lengthMm > 0 && canFinish(finishing, piece))) return 0;
    let room = Infinity;
    for (const [i, piece] of path.pieces.entries()) {
      const reach = reachOf(finishing, piece);
      const used = endsOf(surface, path, i, chosen, reach);
      if (used > 0) room = Math.min(room, piece.lengthMm / used);
      for (const side of [0, 1] as const) {
        room = Math.min(room, faceRoomMm(surface, piece, side, reach[side], chosen, finishing, room));
      }
    }
    return room;
  });
}

/** The piece that an edge of a triangle lies in, for both of its triangles. */
function chosenPieces(surface: Surface, paths: readonly EdgePath[]): Map<number, Piece> {
  const pieces = paths.flatMap((path) => path.pieces);
  return new Map(
    pieces.flatMap((piece) => [[piece.edge, piece] as const, [surface.opposite(piece.edge), piece] as const]),
  );
}

/** How much of a piece the finishes at its two ends use up, for each millimetre of size. */
function endsOf(
  surface: Surface,
  path: EdgePath,
  i: number,
  chosen: ReadonlyMap<number, Piece>,
  reach: readonly [number, number],
): number {
  const { pieces, isClosed } = path;
  const piece = pieces[i];
  const ends = [
    { other: pieces[i - 1] ?? (isClosed ? pieces.at(-1) : undefined), sign: 1 },
    { other: pieces[i + 1] ?? (isClosed ? pieces[0] : undefined), sign: -1 },
  ];
  return ends.reduce((sum, { other, sign }) => {
    if (!other) return sum + cornerUse(surface, piece, sign, chosen, reach);
    const [before, after] = sign > 0 ? [other, piece] : [piece, other];
    const used = ([0, 1] as const).map(
      (side) => sign * reach[side] * dot(awayAt(before, after, side), piece.along),
    );
    return sum + Math.max(0, ...used);
  }, 0);
}

/** How much of a piece is used up where it ends at a corner with other finished edges. */
function cornerUse(
  surface: Surface,
  piece: Piece,
  sign: number,
  chosen: ReadonlyMap<number, Piece>,
  reach: readonly [number, number],
): number {
  const vertex = sign > 0 ? surface.start(piece.edge) : surface.end(piece.edge);
  const onwards = times(piece.along, sign);
  let most = 0;
  for (const triangle of surface.around(vertex)) {
    for (let edge = 3 * triangle; edge < 3 * triangle + 3; edge++) {
      const other = chosen.get(edge);
      if (!other || other === piece || surface.start(edge) !== vertex) continue;
      const way = minus(surface.place(surface.end(edge)), surface.place(vertex));
      for (const side of [0, 1] as const) {
        if (!other.faces.includes(piece.faces[side]) || dot(way, piece.away[side]) <= 0) continue;
        most = Math.max(most, reach[side] / Math.tan(angleBetween(onwards, way) / 2));
      }
    }
  }
  return most;
}

/** How large a finish can be until it meets the other side of a face, or the finish there half-way. */
function faceRoomMm(
  surface: Surface,
  piece: Piece,
  side: 0 | 1,
  reach: number,
  chosen: ReadonlyMap<number, Piece>,
  finishing: EdgeFinishing,
  lessThanMm: number,
): number {
  const face = piece.faces[side];
  const away = piece.away[side];
  let room = lessThanMm;
  for (const edge of bordersOf(surface, face)) {
    const other = chosen.get(edge);
    if (other === piece) continue;
    const [from, to] = [surface.place(surface.start(edge)), surface.place(surface.end(edge))];
    // What lies wholly behind the edge, or further away than is asked, is not looked at closely.
    const apart = lengthOf(minus(from, piece.from)) - lengthOf(minus(to, from)) - piece.lengthMm;
    if (apart > room * (reach + MOST_REACH)) continue;
    const ahead = Math.max(dot(minus(from, piece.from), away), dot(minus(to, piece.from), away));
    if (ahead <= 0) continue;
    const taken = reach + (other ? reachOf(finishing, other)[other.faces[0] === face ? 0 : 1] : 0);
    const gap = gapBetween(piece.from, piece.to, from, to);
    const mm = lengthOf(gap);
    if (mm / taken < room && mm > 0 && dot(gap, away) >= OPPOSITE * mm) room = mm / taken;
  }
  return room;
}

const known = new WeakMap<Surface, Map<number, number[]>>();

/** The sharp edges around a face, each of the triangle that belongs to it. */
function bordersOf(surface: Surface, face: number): readonly number[] {
  let borders = known.get(surface);
  if (!borders) {
    borders = new Map();
    for (let edge = 0; edge < surface.isSharp.length; edge++) {
      if (!surface.isSharp[edge]) continue;
      const of = surface.faceOf[Math.floor(edge / 3)];
      const list = borders.get(of);
      if (list) list.push(edge);
      else borders.set(of, [edge]);
    }
    known.set(surface, borders);
  }
  return borders.get(face) ?? [];
}

/** The shortest way from one straight line to another (C. Ericson, Real-Time Collision Detection, 2005, 5.1.9). */
function gapBetween(a: Vec3, b: Vec3, c: Vec3, d: Vec3): Vec3 {
  const [u, v, w] = [minus(b, a), minus(d, c), minus(a, c)];
  const [uu, uv, vv, uw, vw] = [dot(u, u), dot(u, v), dot(v, v), dot(u, w), dot(v, w)];
  const clamp = (share: number) => Math.min(1, Math.max(0, share));
  const denominator = uu * vv - uv * uv;
  let s = denominator > 1e-12 ? clamp((uv * vw - uw * vv) / denominator) : 0;
  let t = vv > 0 ? (uv * s + vw) / vv : 0;
  if (t < 0 || t > 1) {
    t = clamp(t);
    s = uu > 0 ? clamp((uv * t - uw) / uu) : 0;
  }
  return minus(plus(c, times(v, t)), plus(a, times(u, s)));
}
