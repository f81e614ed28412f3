import { hashedFile } from '$lib/files.server';
import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { fileOf } from '$lib/server/projects/projectFiles';
import type { RequestHandler } from './$types';

/** A mesh that a project imports, as STL. */
export const GET: RequestHandler = async ({ params, locals, request }) => {
  const stl = await orNotFound(fileOf(database(), locals.person!, params.project, params.hash));
  return hashedFile(request, params.hash, { bytes: stl, type: 'model/stl' });
};
