import { hashedFile } from '$lib/files.server';
import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { fileOnBatch } from '$lib/server/printing/batches/batches';
import type { RequestHandler } from './$types';

/** The solid of a print file on a batch, as STL; a print file never changes. */
export const GET: RequestHandler = async ({ params, locals, request }) => {
  const stl = await orNotFound(fileOnBatch(database(), locals.person!, params.batch, params.file));
  return hashedFile(request, params.file, { bytes: stl, type: 'model/stl' });
};
