import { jsonFrom, orConflict } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { movePart } from '$lib/server/printing/batches/changeBatch';
import type { RequestHandler } from './$types';

/** Puts a part where it was dragged. */
export const PUT: RequestHandler = async ({ params, locals, request }) => {
  const data: unknown = await jsonFrom(request);
  return orConflict(movePart(database(), locals.person!, params.batch, params.entry, data));
};
