import { facesOf, triangleCount, weld, type SolidMesh } from '../mesh/index.ts';
import { demandTriangles, ownFile, type FileLimits } from './fileLimits.ts';
import { FloatList } from './floatList.ts';
import { FormatError, type Note } from './formatError.ts';
import { Tokens } from './tokens.ts';
import { say } from '../words/index.ts';

const HEADER_BYTES = 80;
const FACET_BYTES = 50;

/**
 * Reads an STL file, binary or ASCII; its numbers are taken as millimetres, since the format has no units.
 * Bytes after the last triangle of a binary file, and a missing end of an ASCII one, are passed over and noted.
 * Throws a {@link FormatError} when the file is empty, cut short, longer than it may be, or no STL file at all.
 */
export function readStl(bytes: Uint8Array, limits = ownFile, note: Note = () => {}): SolidMesh {
  if (bytes.length === 0) throw new FormatError(say('the file is empty'));
  // Many binary files begin with the word of the ASCII form, so the length decides before the words do.
  if (declaredLength(bytes) === bytes.length) {
    demandTriangles((bytes.length - HEADER_BYTES) / FACET_BYTES, limits);
    return solidFrom(binaryCorners(bytes));
  }
  if (looksLikeText(bytes)) return solidFrom(asciiCorners(new TextDecoder().decode(bytes), limits, note));
  if (bytes.length < HEADER_BYTES + 4) throw new FormatError(say('the file is too short to be an STL file'));
  const facets = new DataView(bytes.buffer, bytes.byteOffset).getUint32(HEADER_BYTES, true);
  const more = bytes.length - declaredLength(bytes);
  // Less than a triangle more is what some program pads with; whole triangles more mean that the number is a lie.
  if (facets > 0 && more > 0 && more < FACET_BYTES) {
    demandTriangles(facets, limits);
    note(
      say(
        '{more, plural, one {A byte after the last triangle was} other {# bytes after the last triangle were}} passed over.',
        { more },
      ),
    );
    return solidFrom(binaryCorners(bytes));
  }
  throw new FormatError(
    say(
      'the file says it holds {facets} triangles, which would take {declaredLength} bytes, but it has {count}',
      { facets, declaredLength: declaredLength(bytes), count: bytes.length },
    ),
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

/** The corners of an ASCII file: a facet is its three vertices, whatever its normal says. */
function asciiCorners(content: string, limits: FileLimits, note: Note): Float32Array {
  const tokens = new Tokens(content);
  const corners = new FloatList();
  let hasEnd = false;
  let facets = 0;
  for (let word = tokens.next(); word !== undefined; word = tokens.next()) {
    switch (word.toLowerCase()) {
      case 'solid':
        passName(tokens);
        break;
      case 'vertex':
        for (let axis = 0; axis < 3; axis++) corners.push(Number(tokens.next()));
        break;
      case 'endfacet':
        facets++;
        demandTriangles(facets, limits);
        if (corners.length !== 9 * facets)
          throw new FormatError(
            say('line {line} of the file ends a facet that does not have three corners', {
              line: tokens.line,
            }),
          );
        break;
      case 'endsolid':
        hasEnd = true;
        passName(tokens);
    }
  }
  if (!hasEnd) note(say('The file lacks its closing “endsolid”; {facets} triangles were read.', { facets }));
  if (corners.length !== 9 * facets)
    throw new FormatError(say('the file has a facet that does not have three corners'));
  return corners.toArray();
}

/** Passes over the name of a solid, whatever words it has: it ends with the line, or where the first facet begins. */
function passName(tokens: Tokens): void {
  let word: string | undefined;
  do word = tokens.nextOnLine();
  while (word !== undefined && word.toLowerCase() !== 'facet');
}

function solidFrom(corners: Float32Array): SolidMesh {
  if (corners.length === 0) throw new FormatError(say('the file holds no triangles'));
  if (!areFinite(corners)) throw new FormatError(say('the file has a corner that is not a number'));
  return weld(corners);
}

function areFinite(numbers: Float32Array): boolean {
  for (let i = 0; i < numbers.length; i++) if (!Number.isFinite(numbers[i])) return false;
  return true;
}
