import { orConflict, orNotFound, uploadedFile } from '$lib/requests.server';
import { ownProject } from '$lib/server/auth/access';
import { database } from '$lib/server/db/database';
import { addFile } from '$lib/server/projectFiles';
import type { RequestHandler } from './$types';

/** Takes a mesh file into the project; 409 with a sentence for one that cannot be used. */
export const POST: RequestHandler = async ({ request, params, locals }) => {
  const db = database();
  // Nothing is read of a file for a project that is somebody else's.
  await orNotFound(ownProject(db, locals.person!, params.project));
  const file = await uploadedFile(request);
  return orConflict(addFile(db, locals.person!, params.project, file));
};
