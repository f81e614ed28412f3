import { hashedFile } from '$lib/files.server';
import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { fileOnPlate } from '$lib/server/printing/plates/plates';
import type { RequestHandler } from './$types';

/** The solid of a print file on a plate, as STL; a print file never changes. */
export const GET: RequestHandler = async ({ params, locals, request }) => {
  const stl = await orNotFound(fileOnPlate(database(), locals.person!, params.plate, params.file));
  return hashedFile(request, params.file, { bytes: stl, type: 'model/stl' });
};
