import type { SolidMesh } from '../mesh/index.ts';
import { demandBytes, ownFile } from './fileLimits.ts';
import { FormatError } from './formatError.ts';
import { mend } from './mending/mend.ts';
import { looksLikeObj, readObj } from './obj.ts';
import { readStl } from './stl.ts';
import { readThreeMf } from './threeMfRead.ts';
import { say } from '../words/index.ts';

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
  const noted: string[] = [];
  const isZip = bytes[0] === 0x50 && bytes[1] === 0x4b;
  const mesh = isZip
    ? readThreeMf(bytes, limits)
    : isObj(bytes)
      ? readObj(new TextDecoder().decode(bytes), limits)
      : readStl(bytes, limits, (words) => noted.push(words));
  if (mesh.triangles.length === 0) throw new FormatError(say('the triangles in the file have no size'));
  try {
    const { mesh: closed, mended } = mend(mesh, limits);
    return { mesh: closed, mended: [...noted, ...mended] };
  } catch (error) {
    // What was passed over may be why: a file that was cut short is open as well.
    if (!(error instanceof FormatError) || noted.length === 0) throw error;
    throw new FormatError(`${error.message}. ${noted.join(' ').replace(/\.$/, '')}`, { cause: error });
  }
}

function isObj(bytes: Uint8Array): boolean {
  return looksLikeObj(new TextDecoder().decode(bytes.subarray(0, 4096)));
}
