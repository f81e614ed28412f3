import { joinedBodies, type Kernel } from '../solid/index.ts';
import { say } from '../words/index.ts';
import { ownFile } from './fileLimits.ts';
import { readAndMend, type ReadSolid } from './readSolid.ts';

/**
 * Reads a file that somebody brought, as {@link readAndMend} does, and joins bodies that pass through each other, as a
 * print does: letters that were laid into a plate are one solid with it.
 */
export function readPart(kernel: Kernel, bytes: Uint8Array, limits = ownFile): ReadSolid {
  const { mesh, mended } = readAndMend(bytes, limits);
  const { mesh: whole, joined } = joinedBodies(kernel, mesh);
  if (joined === 0) return { mesh, mended };
  const note = say(
    '{joined, plural, one {A body that passed through or lay against another was joined to it.} other {# bodies that passed through or lay against others were joined to them.}}',
    { joined },
  );
  return { mesh: whole, mended: [...mended, note] };
}
