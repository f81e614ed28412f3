import { boundsOf, onlyFaces, topologyOf, volumeOf, type Box, type SolidMesh } from '../mesh/index.ts';
import { FormatError } from './formatError.ts';
import { say } from '../words/index.ts';

/** A hole in a surface is closed if it has no more edges than this; a larger one is missing too much to guess. */
const LARGEST_HOLE = 12;
/** Nothing is closed where more than this share of all edges is open: that is a sheet, and no solid with a hole. */
const OPEN_SHARE = 0.2;

/** A surface that closes and faces outwards, with what had to be mended, a sentence each. */
export interface Mended {
  readonly mesh: SolidMesh;
  readonly mended: readonly string[];
}

/**
 * Mends what can be mended without guessing: triangles that are there twice, ones that face the other way than their
 * neighbours, small holes, and bodies that are inside out. Throws a {@link FormatError} that says where the surface is
 * still open.
 */
export function mend(given: SolidMesh): Mended {
  const mended: string[] = [];
  let mesh = given;
  const note = (count: number, words: (count: number) => string) => {
    if (count > 0) mended.push(words(count));
  };
  if (topologyOf(mesh).openEdges > 0) {
    const { mesh: single, dropped } = withoutDuplicates(mesh);
    note(dropped, (count) =>
      say(
        '{count, plural, one {A triangle that was there twice was left out.} other {# triangles that were there twice were left out.}}',
        { count },
      ),
    );
    const { mesh: facing, turned } = facingAlike(single);
    note(turned, (count) =>
      say(
        '{count, plural, one {A triangle that faced the wrong way was turned.} other {# triangles that faced the wrong way were turned.}}',
        { count },
      ),
    );
    const { mesh: closed, filled } = withHolesFilled(facing);
    note(filled, (count) =>
      say(
        '{count, plural, one {A small hole in the surface was closed.} other {# small holes in the surface were closed.}}',
        { count },
      ),
    );
    mesh = closed;
  }
  refuseOpen(mesh);
  const { mesh: outwards, bodies } = facingOutwards(mesh);
  note(bodies, (count) =>
    say(
      '{count, plural, one {The surface faced inwards and was turned about.} other {# bodies that faced inwards were turned about.}}',
      { count },
    ),
  );
  return { mesh: outwards, mended };
}

function refuseOpen({ positions, triangles, ...rest }: SolidMesh): void {
  const { openEdges, neighbours } = topologyOf({ positions, triangles, ...rest });
  if (openEdges === 0) return;
  const edge = neighbours.indexOf(-1);
  const from = 3 * triangles[edge];
  const at = [...positions.subarray(from, from + 3)].map((mm) => Math.round(100 * mm) / 100);
  throw new FormatError(
    say(
      'the surface in the file does not close: {openEdges} edges have a triangle on one side only, one of them at {at}',
      { openEdges, at: at.join(', ') },
    ),
  );
}

/** Triangles with the same corners in the same turn are kept once. */
function withoutDuplicates(mesh: SolidMesh): { mesh: SolidMesh; dropped: number } {
  const seen = new Set<string>();
  const kept: number[] = [];
  const { triangles: t } = mesh;
  for (let i = 0; i < t.length; i += 3) {
    const corners = [t[i], t[i + 1], t[i + 2]];
    const first = corners.indexOf(Math.min(...corners));
    const key = `${corners[first]} ${corners[(first + 1) % 3]} ${corners[(first + 2) % 3]}`;
    if (seen.has(key)) continue;
    seen.add(key);
    kept.push(...corners);
  }
  const dropped = (t.length - kept.length) / 3;
  return { mesh: dropped === 0 ? mesh : { ...mesh, triangles: Uint32Array.from(kept) }, dropped };
}

/**
 * Turns triangles so that neighbours face alike, beginning from one of each connected piece; the smaller part of a piece
 * is the one that is turned.
 */
function facingAlike(mesh: SolidMesh): { mesh: SolidMesh; turned: number } {
  const t = mesh.triangles.slice();
  const sides = edgeSides(t, mesh.positions.length / 3);
  const flip = new Int8Array(t.length / 3);
  const seen = new Uint8Array(flip.length);
  let turned = 0;
  for (let seed = 0; seed < seen.length; seed++) {
    if (seen[seed]) continue;
    seen[seed] = 1;
    const piece = [seed];
    for (let i = 0; i < piece.length; i++) {
      const face = piece[i];
      for (let k = 0; k < 3; k++) {
        const { from, to, faces } = sideOf(t, sides, face, k, mesh.positions.length / 3);
        // Where more than two meet, no pair of them is sure to be neighbours.
        if (faces.length !== 2) continue;
        const other = faces[0] === face ? faces[1] : faces[0];
        if (seen[other]) continue;
        seen[other] = 1;
        const runsAlike = hasDirected(t, other, from, to);
        flip[other] = runsAlike ? 1 - flip[face] : flip[face];
        piece.push(other);
      }
    }
    const against = piece.filter((face) => flip[face] === 1);
    const minority = against.length * 2 <= piece.length ? against : piece.filter((face) => flip[face] === 0);
    for (const face of minority) [t[3 * face + 1], t[3 * face + 2]] = [t[3 * face + 2], t[3 * face + 1]];
    turned += minority.length;
  }
  return { mesh: turned === 0 ? mesh : { ...mesh, triangles: t }, turned };
}

/** The triangles at each edge, whichever way they run along it. */
function edgeSides(t: Uint32Array, vertices: number): Map<number, number[]> {
  const sides = new Map<number, number[]>();
  for (let edge = 0; edge < t.length; edge++) {
    const key = keyOf(t[edge], t[edge % 3 === 2 ? edge - 2 : edge + 1], vertices);
    const list = sides.get(key);
    if (list) list.push(Math.floor(edge / 3));
    else sides.set(key, [Math.floor(edge / 3)]);
  }
  return sides;
}

const keyOf = (a: number, b: number, vertices: number) => Math.min(a, b) * vertices + Math.max(a, b);

function sideOf(t: Uint32Array, sides: Map<number, number[]>, face: number, k: number, vertices: number) {
  const [from, to] = [t[3 * face + k], t[3 * face + ((k + 1) % 3)]];
  return { from, to, faces: sides.get(keyOf(from, to, vertices))! };
}

function hasDirected(t: Uint32Array, face: number, from: number, to: number): boolean {
  return [0, 1, 2].some((k) => t[3 * face + k] === from && t[3 * face + ((k + 1) % 3)] === to);
}

/** Closes small holes by triangles from one of their corners to the others. */
function withHolesFilled(mesh: SolidMesh): { mesh: SolidMesh; filled: number } {
  const { triangles: t } = mesh;
  const { neighbours, openEdges } = topologyOf(mesh);
  if (openEdges > OPEN_SHARE * t.length) return { mesh, filled: 0 };
  // Along a hole the missing triangles run against those that are there.
  const next = new Map<number, number>();
  for (let edge = 0; edge < t.length; edge++) {
    if (neighbours[edge] < 0) next.set(t[edge % 3 === 2 ? edge - 2 : edge + 1], t[edge]);
  }
  const added: number[] = [];
  let filled = 0;
  while (next.size > 0) {
    const [start] = next.keys();
    const loop = [start];
    let at = next.get(start)!;
    next.delete(start);
    while (at !== start && next.has(at)) {
      loop.push(at);
      const following = next.get(at)!;
      next.delete(at);
      at = following;
    }
    if (at !== start || loop.length < 3 || loop.length > LARGEST_HOLE) continue;
    for (let i = 1; i + 1 < loop.length; i++) added.push(loop[0], loop[i], loop[i + 1]);
    filled++;
  }
  return { mesh: filled === 0 ? mesh : { ...mesh, triangles: Uint32Array.from([...t, ...added]) }, filled };
}

/** Turns bodies about whose volume is less than nothing, unless they are hollows of another. */
function facingOutwards(mesh: SolidMesh): { mesh: SolidMesh; bodies: number } {
  const { bodyOf, bodies } = topologyOf(mesh);
  const { triangles } = mesh;
  const faces: number[][] = Array.from({ length: bodies }, () => []);
  bodyOf.forEach((body, face) => faces[body].push(face));
  const pieces = faces.map((own) => {
    const piece = onlyFaces(mesh, own);
    return { volume: volumeOf(piece), box: boundsOf(piece) };
  });
  const isHollow = ({ box }: (typeof pieces)[number]) =>
    pieces.some((other) => other.volume > 0 && lies(box, other.box));
  const wrong = pieces.map((piece) => piece.volume < 0 && !isHollow(piece));
  if (!wrong.includes(true)) return { mesh, bodies: 0 };
  const turned = triangles.slice();
  bodyOf.forEach((body, face) => {
    if (!wrong[body]) return;
    [turned[3 * face + 1], turned[3 * face + 2]] = [triangles[3 * face + 2], triangles[3 * face + 1]];
  });
  return { mesh: { ...mesh, triangles: turned }, bodies: wrong.filter(Boolean).length };
}

/** Whether one box lies inside another. */
function lies(inner: Box, outer: Box): boolean {
  return [0, 1, 2].every((axis) => inner.min[axis] > outer.min[axis] && inner.max[axis] < outer.max[axis]);
}
