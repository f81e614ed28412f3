import { boundsOf, onlyFaces, topologyOf, volumeOf, type Box, type SolidMesh } from '../../mesh/index.ts';

/**
 * Turns triangles so that neighbours face alike, beginning from one of each connected piece; the smaller part of a piece
 * is the one that is turned.
 */
export function facingAlike(mesh: SolidMesh): { mesh: SolidMesh; turned: number } {
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

/** Turns bodies about whose volume is less than nothing, unless they are hollows of another. */
export function facingOutwards(mesh: SolidMesh): { mesh: SolidMesh; bodies: number } {
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
