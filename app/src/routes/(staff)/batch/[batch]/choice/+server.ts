import { jsonFrom, orConflict } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { chooseForBatch } from '$lib/server/printing/batches/changeBatch';
import type { RequestHandler } from './$types';

/** Chooses how the batch is printed. */
export const PUT: RequestHandler = async ({ params, locals, request }) => {
  const data: unknown = await jsonFrom(request);
  return orConflict(chooseForBatch(database(), locals.person!, params.batch, data));
};
