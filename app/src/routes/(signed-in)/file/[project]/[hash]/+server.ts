import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/db/database';
import { fileOf } from '$lib/server/projectFiles';
import type { RequestHandler } from './$types';

/** A mesh that a project imports, as STL; a name stands for one content, so it can be kept. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const stl = await orNotFound(fileOf(database(), locals.person!, params.project, params.hash));
  return new Response(stl.slice(), {
    headers: { 'Content-Type': 'model/stl', 'Cache-Control': 'private, max-age=31536000, immutable' },
  });
};
