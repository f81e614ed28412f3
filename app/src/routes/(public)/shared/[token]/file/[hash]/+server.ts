import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { sharedFile } from '$lib/server/projects/sharing/shares';
import type { RequestHandler } from './$types';

/** A mesh that the shared version imports, as STL. */
export const GET: RequestHandler = async ({ params }) => {
  const stl = await orNotFound(sharedFile(database(), params.token, params.hash));
  return new Response(stl.slice(), {
    headers: { 'Content-Type': 'model/stl', 'Cache-Control': 'private, no-store' },
  });
};
