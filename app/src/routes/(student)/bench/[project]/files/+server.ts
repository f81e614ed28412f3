import { sentFile } from '@kelbrin/core/format';
import { fileFrom, orConflict, orNotFound } from '$lib/requests.server';
import { ownProject } from '$lib/server/platform/auth/access';
import { database } from '$lib/server/platform/db/database';
import { inTurn } from '$lib/server/platform/sent/inTurn';
import { addFile } from '$lib/server/projects/projectFiles';
import type { RequestHandler } from './$types';

/** Takes a mesh file into the project; 409 with a sentence for one that cannot be used. */
export const POST: RequestHandler = async ({ request, params, locals }) => {
  const db = database();
  // Nothing is read of a file for a project that is somebody else's.
  await orNotFound(ownProject(db, locals.person!, params.project));
  const person = locals.person!;
  return orConflict(
    inTurn(person.id, async () =>
      addFile(db, person, params.project, await fileFrom(request, sentFile.bytes)),
    ),
  );
};
