import { hashedFile } from '$lib/files.server';
import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { fileToWatch } from '$lib/server/printing/runs/watching';
import type { RequestHandler } from './$types';

/** The solid of a part of a run, for those who watch it grow. */
export const GET: RequestHandler = async ({ params, locals, request }) => {
  const stl = await orNotFound(fileToWatch(database(), locals.person!, params.run, params.file));
  return hashedFile(request, params.file, { bytes: stl, type: 'model/stl' });
};
