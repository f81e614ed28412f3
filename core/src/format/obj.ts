import { triangleCount, weld, type SolidMesh } from '../mesh/index.ts';
import { demandCorners, demandTriangles, ownFile } from './fileLimits.ts';
import { FloatList } from './floatList.ts';
import { FormatError } from './formatError.ts';
import { cutUp } from './polygon.ts';
import { Tokens } from './tokens.ts';
import { say } from '../words/index.ts';

/** Writes a Wavefront OBJ file; its numbers are millimetres, which its head says, since the format has no units. */
export function writeObj(mesh: SolidMesh, title: string): string {
  const { positions: p, triangles: t } = mesh;
  const lines = [`# ${title.replace(/[\r\n]+/g, ' ')}`, '# Kelbrin part, millimetres', 'o part'];
  for (let i = 0; i < p.length; i += 3) lines.push(`v ${p[i]} ${p[i + 1]} ${p[i + 2]}`);
  for (let f = 0; f < triangleCount(mesh); f++) {
    lines.push(`f ${t[3 * f] + 1} ${t[3 * f + 1] + 1} ${t[3 * f + 2] + 1}`);
  }
  return `${lines.join('\n')}\n`;
}

/** What may stand in an OBJ file before its first corner: comments, names, and normals and places in a picture. */
const BEFORE_CORNERS = new Set(['mtllib', 'usemtl', 'o', 'g', 's', 'vn', 'vt']);

/** Whether a file's beginning is that of an OBJ file. */
export function looksLikeObj(start: string): boolean {
  const tokens = new Tokens(start, true);
  for (let word = tokens.next(); word !== undefined; word = tokens.next()) {
    if (word === 'v') return /^[-+\d.]/.test(tokens.nextOnLine() ?? '');
    if (!word.startsWith('#') && !BEFORE_CORNERS.has(word)) return false;
    tokens.skipLine();
  }
  return false;
}

/**
 * Reads the faces of an OBJ file; polygons are cut into triangles, also those with hollow corners. Colours, normals, lines
 * and curves are passed over. Throws a {@link FormatError} for files without faces, with faces that name corners which
 * are not there, or with more than they may hold.
 */
export function readObj(content: string, limits = ownFile): SolidMesh {
  const tokens = new Tokens(content, true);
  const vertices = new FloatList();
  const corners = new FloatList();
  for (let word = tokens.next(); word !== undefined; word = tokens.next()) {
    if (word === 'v') {
      for (let axis = 0; axis < 3; axis++) {
        const value = Math.fround(Number(tokens.nextOnLine()));
        if (!Number.isFinite(value))
          throw new FormatError(
            say('line {line} of the file has a corner that is not a number', { line: tokens.line }),
          );
        vertices.push(value);
      }
      demandCorners(vertices.length / 3, limits);
    } else if (word === 'f') {
      readFace(tokens, vertices, corners);
      demandTriangles(corners.length / 9, limits);
    }
    tokens.skipLine();
  }
  if (corners.length === 0) throw new FormatError(say('the file holds no faces'));
  return weld(corners.toArray());
}

/** Adds a face to the corners of triangles. */
function readFace(tokens: Tokens, vertices: FloatList, corners: FloatList): void {
  const count = vertices.length / 3;
  const face: number[] = [];
  for (let word = tokens.nextOnLine(); word !== undefined; word = tokens.nextOnLine()) {
    const counted = Number.parseInt(word, 10);
    // Corners count from 1; below nothing they count back from the last one.
    const index = counted < 0 ? count + counted : counted - 1;
    if (!(index >= 0 && index < count)) throw notThere(tokens);
    face.push(index);
  }
  if (face.length < 3) throw notThere(tokens);
  for (const corner of face.length === 3
    ? face
    : cutUp(face, (corner, axis) => vertices.at(3 * corner + axis)))
    for (let axis = 0; axis < 3; axis++) corners.push(vertices.at(3 * corner + axis));
}

const notThere = ({ line }: Tokens) =>
  new FormatError(say('line {line} of the file has a face that names corners which are not there', { line }));
