import { error } from '@sveltejs/kit';
import { eq } from 'drizzle-orm';
import { pictureResponse } from '$lib/files.server';
import { orNotFound } from '$lib/requests.server';
import {
  isStaff,
  maySeeProject,
  NotAllowed,
  visibleProject,
  type Person,
} from '$lib/server/platform/auth/access';
import { entriesWithOwner } from '$lib/server/platform/auth/withOwner';
import { ownerOf } from '$lib/server/platform/compute/ownerOf';
import { TaskFailure } from '$lib/server/platform/compute/taskFailure';
import { database } from '$lib/server/platform/db/database';
import { handIns, queueEntries, versions } from '$lib/server/platform/db/schema';
import { hangsFor } from '$lib/server/projects/gallery';
import { newestPhoto } from '$lib/server/printing/runs/outcomes';
import { pictureOf } from '$lib/server/projects/pictures';
import { mediaTypeOf } from '$lib/shared/picture';
import { recipeOf } from '@kelbrin/core/design';
import type { Recipe } from '@kelbrin/core/recipe';
import type { RequestHandler } from './$types';

const PART_COLOUR = '#3f8f5f';

/**
 * The picture of the part of a project that is to be handed in, of a version or a hand-in as it was frozen, or of what waits
 * in the queue, small where `?row` asks for that; or the photo of what came of it on the printer.
 */
export const GET: RequestHandler = async ({ params, locals, request, url }) => {
  if (params.kind === 'outcome') {
    const photo = await orNotFound(newestPhoto(database(), locals.person!, params.id));
    return pictureResponse(request, { mediaType: mediaTypeOf(photo)!, picture: photo });
  }
  const { projectId, recipe } = await orNotFound(partToShow(locals.person!, params.kind, params.id));
  const size = url.searchParams.has('row') ? 'row' : 'card';
  const look = { colour: PART_COLOUR, size } as const;
  const picture = await pictureOf(database(), projectId, recipe, look, ownerOf(locals.person!));
  const etag = `"${picture.hash}"`;
  // A browser asks each time whether it may show the picture, but is sent only one that it has not seen.
  const headers = { ETag: etag, 'Cache-Control': 'private, no-cache' };
  if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers });
  const png = await picture.png().catch((problem: unknown) => {
    if (problem instanceof TaskFailure) error(422, `There is no picture of this part. ${problem.message}`);
    throw problem;
  });
  return new Response(png.slice(), { headers: { ...headers, 'Content-Type': 'image/png' } });
};

async function partToShow(
  person: Person,
  kind: string,
  id: string,
): Promise<{ projectId: string; recipe: Recipe }> {
  const db = database();
  if (kind === 'project') {
    const project = await visibleProject(db, person, id);
    if (!project) throw new NotAllowed();
    return { projectId: id, recipe: recipeOf(project.design) };
  }
  if (kind === 'version') {
    if (!/^[0-9a-f-]{36}$/.test(id)) throw new NotAllowed();
    const [found] = await db.select().from(versions).where(eq(versions.id, id));
    if (!found || !(await maySeeProject(db, person, found.projectId))) throw new NotAllowed();
    return { projectId: found.projectId, recipe: recipeOf(found.design) };
  }
  if (kind !== 'hand-in' && kind !== 'entry') error(404, 'There are no such pictures.');
  if (!/^[0-9a-f-]{36}$/.test(id)) throw new NotAllowed();
  const [found] =
    kind === 'entry'
      ? await entriesWithOwner(db, shown).where(eq(queueEntries.id, id))
      : await db.select(shown).from(handIns).where(eq(handIns.id, id));
  // Who runs the print room sees what is printed there, whichever class it is from.
  const maySee =
    found &&
    (isStaff(person) ||
      (await maySeeProject(db, person, found.projectId)) ||
      (await hangsFor(db, person, found.handInId)));
  if (!maySee) throw new NotAllowed();
  return found;
}

const shown = { recipe: handIns.recipe, projectId: handIns.projectId, handInId: handIns.id };
