import { jsonFrom, orConflict } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { chooseForPart } from '$lib/server/printing/batches/changeBatch';
import type { RequestHandler } from './$types';

/** Chooses how one part is printed otherwise than the batch. */
export const PUT: RequestHandler = async ({ params, locals, request }) => {
  const data: unknown = await jsonFrom(request);
  return orConflict(chooseForPart(database(), locals.person!, params.batch, params.entry, data));
};
