import type { Vec3 } from '../mesh/index.ts';
import type { EdgePath, Piece } from './edgePaths.ts';
import { canFinish, reachOf, type EdgeFinishing } from './finish.ts';
import { sharpEdgesFrom, type Surface } from './surface.ts';
import { awayAt } from './sweptTool.ts';
import { angleBetween, dot, lengthOf, minus, plus, times } from '../mesh/vectors.ts';

/** Cells of a grid are no smaller, so that an edge runs through few of them, mm. */
const LEAST_CELL_MM = 1;
/** A neighbour is opposite an edge when it lies so squarely away from it (cosine). */
const OPPOSITE = 0.97;

/** What the room of a piece is measured in. */
interface Neighbourhood {
  readonly surface: Surface;
  readonly chosen: ReadonlyMap<number, Piece>;
  readonly finishing: EdgeFinishing;
  readonly borders: Borders;
}

/**
 * The largest size of a finish that each path has room for, mm, where that is less than the size that is wanted; more than
 * that otherwise. No face is used up by the finishes at its sides, and no piece of an edge by those at its ends. Nothing
 * where a slope of the angle cannot be.
 */
export function roomsMm(surface: Surface, paths: readonly EdgePath[], finishing: EdgeFinishing): number[] {
  const chosen = chosenPieces(surface, paths);
  const canBe = ({ pieces }: EdgePath) =>
    pieces.every((piece) => piece.lengthMm > 0 && canFinish(finishing, piece));
  const mostReach = paths
    .filter(canBe)
    .flatMap(({ pieces }) => pieces.map((piece) => Math.max(...reachOf(finishing, piece))))
    .reduce((most, reach) => Math.max(most, reach), 0);
  const borders = new Borders(surface, 2 * mostReach * finishing.mm);
  const around = { surface, chosen, finishing, borders };
  return paths.map((path) => {
    if (!canBe(path)) return 0;
    let room = Infinity;
    for (const [i, piece] of path.pieces.entries()) {
      const reach = reachOf(finishing, piece);
      const used = endsOf(surface, path, i, chosen, reach);
      if (used > 0) room = Math.min(room, piece.lengthMm / used);
      for (const side of [0, 1] as const) {
        room = Math.min(room, faceRoomMm(piece, side, reach[side], around));
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
  for (const edge of sharpEdgesFrom(surface, vertex)) {
    const other = chosen.get(edge);
    if (!other || other === piece) continue;
    const way = minus(surface.place(surface.end(edge)), surface.place(vertex));
    for (const side of [0, 1] as const) {
      if (!other.faces.includes(piece.faces[side]) || dot(way, piece.away[side]) <= 0) continue;
      most = Math.max(most, reach[side] / Math.tan(angleBetween(onwards, way) / 2));
    }
  }
  return most;
}

/** How large a finish can be until it meets the other side of a face, or the finish there half-way. */
function faceRoomMm(piece: Piece, side: 0 | 1, reach: number, around: Neighbourhood): number {
  const { surface, chosen, finishing, borders } = around;
  const away = piece.away[side];
  let room = Infinity;
  borders.near(piece, side, (edge) => {
    const other = chosen.get(edge);
    if (other === piece) return;
    const [from, to] = [surface.place(surface.start(edge)), surface.place(surface.end(edge))];
    // What lies wholly behind the edge is not looked at closely.
    if (dot(minus(from, piece.from), away) <= 0 && dot(minus(to, piece.from), away) <= 0) return;
    const taken =
      reach + (other ? reachOf(finishing, other)[other.faces[0] === piece.faces[side] ? 0 : 1] : 0);
    const gap = gapBetween(piece.from, piece.to, from, to);
    const mm = lengthOf(gap);
    if (mm > 0 && mm / taken < room && dot(gap, away) >= OPPOSITE * mm) room = mm / taken;
  });
  return room;
}

/** The sharp edges around faces, by the cells of a grid through which they run. */
class Borders {
  readonly #reachMm: number;
  readonly #cells = new Map<string, number[]>();

  /** @param reachMm how far from a piece they are looked for */
  constructor(surface: Surface, reachMm: number) {
    this.#reachMm = reachMm;
    for (let edge = 0; edge < surface.isSharp.length; edge++) {
      if (!surface.isSharp[edge]) continue;
      const face = surface.faceOf[Math.floor(edge / 3)];
      const [from, to] = [surface.place(surface.start(edge)), surface.place(surface.end(edge))];
      this.#each(face, from, to, 0, (cell) => {
        const list = this.#cells.get(cell);
        if (list) list.push(edge);
        else this.#cells.set(cell, [edge]);
      });
    }
  }

  /** Hands out the edges around one of the faces of a piece that may be as near as is looked, some of them twice. */
  near({ from, to, faces }: Piece, side: 0 | 1, take: (edge: number) => void): void {
    this.#each(faces[side], from, to, this.#reachMm, (cell) => this.#cells.get(cell)?.forEach(take));
  }

  /** The cells that the box around a straight line touches, grown by mm. */
  #each(face: number, from: Vec3, to: Vec3, growMm: number, take: (cell: string) => void): void {
    const cellMm = Math.max(this.#reachMm, LEAST_CELL_MM);
    const [low, high] = [Math.min, Math.max].map((pick, way) =>
      [0, 1, 2].map((i) => Math.floor((pick(from[i], to[i]) + (way === 0 ? -growMm : growMm)) / cellMm)),
    );
    for (let x = low[0]; x <= high[0]; x++) {
      for (let y = low[1]; y <= high[1]; y++) {
        for (let z = low[2]; z <= high[2]; z++) take(`${face} ${x} ${y} ${z}`);
      }
    }
  }
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
