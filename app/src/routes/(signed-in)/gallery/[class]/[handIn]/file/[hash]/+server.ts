import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { pieceFile } from '$lib/server/projects/gallery';
import type { RequestHandler } from './$types';

/** A mesh that a piece of the gallery imports, as STL. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const stl = await orNotFound(
    pieceFile(database(), locals.person!, params.class, params.handIn, params.hash),
  );
  return new Response(stl.slice(), {
    headers: { 'Content-Type': 'model/stl', 'Cache-Control': 'private, no-cache' },
  });
};
