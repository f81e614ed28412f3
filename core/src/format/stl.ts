import { facesOf, triangleCount, weld, type SolidMesh } from '../mesh/index.ts';
import { FormatError } from './formatError.ts';

const HEADER_BYTES = 80;
const FACET_BYTES = 50;

/**
 * Reads an STL file, binary or ASCII; its numbers are taken as millimetres, since the format has no units.
 * Throws a {@link FormatError} when the file is empty, cut short, longer than it says, or no STL file at all.
 */
export function readStl(bytes: Uint8Array): SolidMesh {
  if (bytes.length === 0) throw new FormatError('the file is empty');
  // Many binary files begin with the word of the ASCII form, so the length decides before the words do.
  if (declaredLength(bytes) === bytes.length) return solidFrom(binaryCorners(bytes));
  if (looksLikeText(bytes)) return solidFrom(asciiCorners(new TextDecoder().decode(bytes)));
  if (bytes.length < HEADER_BYTES + 4) throw new FormatError('the file is too short to be an STL file');
  const facets = new DataView(bytes.buffer, bytes.byteOffset).getUint32(HEADER_BYTES, true);
  throw new FormatError(
    `the file says it holds ${facets} triangles, which would take ${declaredLength(bytes)} bytes, but it has ${bytes.length}`,
  );
}

/** Writes a binary STL file in millimetres, each triangle with its normal. */
export function writeStl(mesh: SolidMesh, title = 'Kelbrin part, millimetres'): Uint8Array {
  const count = triangleCount(mesh);
  const bytes = new Uint8Array(HEADER_BYTES + 4 + FACET_BYTES * count);
  // A header that began with "solid" would be taken for the ASCII form by some readers.
  bytes.set(new TextEncoder().encode(title.replace(/^solid/i, 'part')).subarray(0, HEADER_BYTES));
  const view = new DataView(bytes.buffer);
  view.setUint32(HEADER_BYTES, count, true);
  const { normals } = facesOf(mesh);
  for (let f = 0; f < count; f++) {
    let at = HEADER_BYTES + 4 + FACET_BYTES * f;
    for (let k = 0; k < 3; k++, at += 4) view.setFloat32(at, normals[3 * f + k], true);
    for (let corner = 0; corner < 3; corner++) {
      const vertex = mesh.triangles[3 * f + corner];
      for (let k = 0; k < 3; k++, at += 4) view.setFloat32(at, mesh.positions[3 * vertex + k], true);
    }
  }
  return bytes;
}

/** Writes an ASCII STL file in millimetres. */
export function writeAsciiStl(mesh: SolidMesh, title = 'Kelbrin part, millimetres'): string {
  const name = title.replace(/\s+/g, ' ').trim();
  const { normals } = facesOf(mesh);
  const { positions: p, triangles: t } = mesh;
  const lines = [`solid ${name}`];
  for (let f = 0; f < triangleCount(mesh); f++) {
    lines.push(` facet normal ${normals[3 * f]} ${normals[3 * f + 1]} ${normals[3 * f + 2]}`, '  outer loop');
    for (let corner = 0; corner < 3; corner++) {
      const at = 3 * t[3 * f + corner];
      lines.push(`   vertex ${p[at]} ${p[at + 1]} ${p[at + 2]}`);
    }
    lines.push('  endloop', ' endfacet');
  }
  lines.push(`endsolid ${name}`, '');
  return lines.join('\n');
}

function declaredLength(bytes: Uint8Array): number {
  if (bytes.length < HEADER_BYTES + 4) return -1;
  const facets = new DataView(bytes.buffer, bytes.byteOffset).getUint32(HEADER_BYTES, true);
  return HEADER_BYTES + 4 + FACET_BYTES * facets;
}

function looksLikeText(bytes: Uint8Array): boolean {
  const start = new TextDecoder().decode(bytes.subarray(0, 512)).trimStart();
  return /^solid\b/i.test(start) && !start.includes('\0');
}

function binaryCorners(bytes: Uint8Array): Float32Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset);
  const count = view.getUint32(HEADER_BYTES, true);
  const corners = new Float32Array(9 * count);
  let at = HEADER_BYTES + 4;
  for (let i = 0; i < corners.length; at += FACET_BYTES) {
    // The twelve bytes of the normal are skipped: it follows from the corners, and many writers leave it 0.
    for (let k = 12; k < 48; k += 4) corners[i++] = view.getFloat32(at + k, true);
  }
  return corners;
}

function asciiCorners(content: string): Float32Array {
  if (!/\bendsolid\b/i.test(content))
    throw new FormatError('the file is cut short: its closing “endsolid” is missing');
  const found = content.matchAll(/\bvertex\s+(\S+)\s+(\S+)\s+(\S+)/gi);
  const corners: number[] = [];
  for (const [, x, y, z] of found) corners.push(Number(x), Number(y), Number(z));
  const facets = content.match(/\bendfacet\b/gi)?.length ?? 0;
  if (corners.length !== 9 * facets)
    throw new FormatError('the file has a facet that does not have three corners');
  return Float32Array.from(corners);
}

function solidFrom(corners: Float32Array): SolidMesh {
  if (corners.length === 0) throw new FormatError('the file holds no triangles');
  if (!areFinite(corners)) throw new FormatError('the file has a corner that is not a number');
  return weld(corners);
}

function areFinite(numbers: Float32Array): boolean {
  for (let i = 0; i < numbers.length; i++) if (!Number.isFinite(numbers[i])) return false;
  return true;
}
