import { error } from '@sveltejs/kit';
import { orConflict, orNotFound } from '$lib/requests.server';
import { ownProject } from '$lib/server/auth/access';
import { database } from '$lib/server/db/database';
import { addFile } from '$lib/server/projectFiles';
import type { RequestHandler } from './$types';

/** Takes a mesh file into the project; 409 with a sentence for one that cannot be used. */
export const POST: RequestHandler = async ({ request, params, locals }) => {
  const db = database();
  // Nothing is read of a file for a project that is somebody else's.
  await orNotFound(ownProject(db, locals.person!, params.project));
  const file = (await request.formData().catch(() => undefined))?.get('file');
  if (!(file instanceof File)) error(400, 'There is no file in the request.');
  const bytes = new Uint8Array(await file.arrayBuffer());
  return orConflict(addFile(db, locals.person!, params.project, { name: file.name, bytes }));
};
