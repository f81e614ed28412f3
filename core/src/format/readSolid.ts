import { rewelded, topologyOf, type SolidMesh } from '../mesh/index.ts';
import { demandBytes, grouped, ownFile } from './fileLimits.ts';
import { FormatError } from './formatError.ts';
import { mend } from './mend.ts';
import { looksLikeObj, readObj } from './obj.ts';
import { readStl } from './stl.ts';
import { readThreeMf } from './threeMfRead.ts';
import { say } from '../words/index.ts';

/** Corners up to this far apart are joined when the surface does not close without it. */
const SEAM_MM = 1e-3;

/** A solid that was read, with what had to be mended, a sentence each. */
export interface ReadSolid {
  readonly mesh: SolidMesh;
  readonly mended: readonly string[];
}

/**
 * Reads an STL, 3MF or OBJ file, told apart by content and not by name, as a closed solid in millimetres with its
 * triangles facing outwards. Throws a {@link FormatError} when that cannot be had within the limits.
 */
export function readSolid(bytes: Uint8Array, limits = ownFile): SolidMesh {
  return readAndMend(bytes, limits).mesh;
}

/** Like {@link readSolid}, and says what had to be mended. */
export function readAndMend(bytes: Uint8Array, limits = ownFile): ReadSolid {
  demandBytes(bytes.length, limits);
  const mended: string[] = [];
  const isZip = bytes[0] === 0x50 && bytes[1] === 0x4b;
  let mesh = isZip
    ? readThreeMf(bytes, limits)
    : isObj(bytes)
      ? readObj(new TextDecoder().decode(bytes), limits)
      : readStl(bytes, limits);
  const { bodies, openEdges } = topologyOf(mesh);
  if (bodies > limits.bodies)
    throw new FormatError(
      say('the file holds {pieces} pieces that do not touch, more than {most}', {
        pieces: grouped(bodies),
        most: grouped(limits.bodies),
      }),
    );
  if (openEdges > 0) {
    const joined = rewelded(mesh, SEAM_MM);
    const left = topologyOf(joined).openEdges;
    if (left < openEdges) {
      mesh = joined;
      if (left === 0)
        mended.push(say('Seams that stood open at {openEdges} edges were joined.', { openEdges }));
    }
  }
  if (mesh.triangles.length === 0) throw new FormatError(say('the triangles in the file have no size'));
  const result = mend(mesh);
  return { mesh: result.mesh, mended: [...mended, ...result.mended] };
}

function isObj(bytes: Uint8Array): boolean {
  return looksLikeObj(new TextDecoder().decode(bytes.subarray(0, 4096)));
}
