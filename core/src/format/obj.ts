import { triangleCount, weld, type SolidMesh } from '../mesh/index.ts';
import { FormatError } from './formatError.ts';

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

/** Whether a file's beginning is that of an OBJ file: comments, names and then corners. */
export function looksLikeObj(start: string): boolean {
  return /^(\s*(#.*|mtllib .*|o .*|g .*|s .*|usemtl .*)?\r?\n)*\s*v\s+[-+\d.]/.test(start);
}

/**
 * Reads the faces of an OBJ file; polygons are split into fans of triangles. Colours, normals, lines and curves are passed
 * over. Throws a {@link FormatError} for files without faces or with faces that name corners which are not there.
 */
export function readObj(content: string): SolidMesh {
  const vertices: number[] = [];
  const corners: number[] = [];
  content.split(/\r?\n/).forEach((line, number) => {
    const [word, ...rest] = line.trim().split(/\s+/);
    if (word === 'v') {
      const [x, y, z] = rest.map(Number);
      if (![x, y, z].every(Number.isFinite)) {
        throw new FormatError(`line ${number + 1} of the file has a corner that is not a number`);
      }
      vertices.push(x, y, z);
    } else if (word === 'f') {
      // Corners count from 1; below nothing they count back from the last one.
      const face = rest.map((part) => {
        const index = Number.parseInt(part, 10);
        return index < 0 ? vertices.length / 3 + index : index - 1;
      });
      if (face.length < 3 || face.some((index) => !(index >= 0 && index < vertices.length / 3))) {
        throw new FormatError(
          `line ${number + 1} of the file has a face that names corners which are not there`,
        );
      }
      for (let i = 2; i < face.length; i++) {
        for (const index of [face[0], face[i - 1], face[i]])
          corners.push(...vertices.slice(3 * index, 3 * index + 3));
      }
    }
  });
  if (corners.length === 0) throw new FormatError('the file holds no faces');
  return weld(Float32Array.from(corners));
}
