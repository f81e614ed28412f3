import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/db/database';
import { fileOnPlate } from '$lib/server/plates/plates';
import type { RequestHandler } from './$types';

/** The solid of a print file on a plate, as STL; a print file never changes, so it can be kept. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const stl = await orNotFound(fileOnPlate(database(), locals.person!, params.plate, params.file));
  return new Response(stl.slice(), {
    headers: { 'Content-Type': 'model/stl', 'Cache-Control': 'private, max-age=31536000, immutable' },
  });
};
