import { boundsOf, sizeOf, topologyOf, type SolidMesh } from '../../mesh/index.ts';
import { say } from '../../words/index.ts';
import { grouped, ownFile, type FileLimits } from '../fileLimits.ts';
import { FormatError } from '../formatError.ts';
import { withCornersOnEdgesJoined } from './cornersOnEdges.ts';
import { withoutDuplicates } from './duplicates.ts';
import { facingAlike, facingOutwards } from './facing.ts';
import { withHolesFilled } from './holes.ts';
import { withoutNeedles } from './needles.ts';
import { withSeamsJoined } from './seams.ts';
import { withoutSpecks } from './specks.ts';

/** No corner is moved further than this to join a seam, mm: much less than any nozzle can show. */
const SEAM_MM = 0.005;
/** And no further than this share of the whole, as a file may be in another unit. */
const SEAM_SHARE = 2e-4;

/** A surface that closes and faces outwards, with what had to be mended, a sentence each. */
export interface Mended {
  readonly mesh: SolidMesh;
  readonly mended: readonly string[];
}

/**
 * Mends what can be mended without guessing: seams that stand open by less than a hundredth of a millimetre, triangles
 * that meet like bricks, that are there twice or that face the other way than their neighbours, holes of few edges, bodies that
 * are inside out, and specks. Throws a {@link FormatError} that says where the surface is still open,
 * or that there are more pieces than there may be.
 */
export function mend(given: SolidMesh, limits: FileLimits = ownFile): Mended {
  const mended: string[] = [];
  let mesh = given;
  const note = (count: number, words: (count: number) => string) => {
    if (count > 0) mended.push(words(count));
  };
  const furthestMm = Math.min(SEAM_MM, SEAM_SHARE * Math.max(...sizeOf(boundsOf(mesh))));
  const isOpen = () => topologyOf(mesh).openEdges > 0;

  const single = withoutDuplicates(mesh);
  mesh = single.mesh;
  if (isOpen()) {
    const plump = withoutNeedles(mesh);
    // Elsewhere they join triangles that would meet like bricks without them.
    if (topologyOf(plump).openEdges === 0) mesh = plump;
  }
  if (isOpen()) {
    const { openEdges } = topologyOf(mesh);
    const seams = withSeamsJoined(mesh, furthestMm);
    mesh = seams.mesh;
    note(openEdges - topologyOf(mesh).openEdges, (count) =>
      say(
        '{count, plural, one {An open edge was joined to its neighbour, which was at most {mm} mm away.} other {# open edges were joined to their neighbours, which were at most {mm} mm away.}}',
        { count, mm: Math.max(0.001, Number(seams.reachMm.toPrecision(1))) },
      ),
    );
    const bricks = withCornersOnEdgesJoined(mesh, furthestMm);
    mesh = bricks.mesh;
    note(bricks.joined, (count) =>
      say(
        '{count, plural, one {A corner that lay on the edge of another triangle was joined to it.} other {# corners that lay on the edges of other triangles were joined to them.}}',
        { count },
      ),
    );
  }
  // What was joined may lie on what was there.
  const again = withoutDuplicates(mesh);
  mesh = again.mesh;
  note(single.dropped + again.dropped, (count) =>
    say(
      '{count, plural, one {A triangle that was there twice was left out.} other {# triangles that were there twice were left out.}}',
      { count },
    ),
  );
  note(single.walls + again.walls, (count) =>
    say('{count} triangles that lay back to back, with nothing between them, were left out.', { count }),
  );
  demandBodies(mesh, limits);
  if (isOpen()) {
    const { mesh: facing, turned } = facingAlike(mesh);
    note(turned, (count) =>
      say(
        '{count, plural, one {A triangle that faced the wrong way was turned.} other {# triangles that faced the wrong way were turned.}}',
        { count },
      ),
    );
    const { mesh: closed, filled, largestMm } = withHolesFilled(facing);
    note(filled, (count) =>
      say(
        '{count, plural, one {A hole in the surface, {mm} mm across, was closed.} other {# holes in the surface, up to {mm} mm across, were closed.}}',
        { count, mm: Number(largestMm.toPrecision(2)) },
      ),
    );
    mesh = closed;
  }
  if (mesh.triangles.length === 0) throw new FormatError(say('the triangles in the file enclose nothing'));
  refuseOpen(mesh);
  const { mesh: clean, specks } = withoutSpecks(mesh);
  note(specks, (count) =>
    say(
      '{count, plural, one {A speck that is too small to print was left out.} other {# specks that are too small to print were left out.}}',
      { count },
    ),
  );
  const { mesh: outwards, bodies } = facingOutwards(clean);
  note(bodies, (count) =>
    say(
      '{count, plural, one {The surface faced inwards and was turned about.} other {# bodies that faced inwards were turned about.}}',
      { count },
    ),
  );
  return { mesh: outwards, mended };
}

/** Throws unless so many pieces may be in a file. */
function demandBodies(mesh: SolidMesh, limits: FileLimits): void {
  const { bodies } = topologyOf(mesh);
  if (bodies > limits.bodies)
    throw new FormatError(
      say('the file holds {pieces} pieces that do not touch, more than {most}', {
        pieces: grouped(bodies),
        most: grouped(limits.bodies),
      }),
    );
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
