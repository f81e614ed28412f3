import { jsonFrom, orConflict } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { chooseForPlate } from '$lib/server/printing/plates/plates';
import type { RequestHandler } from './$types';

/** Chooses how the plate is printed. */
export const PUT: RequestHandler = async ({ params, locals, request }) => {
  const data: unknown = await jsonFrom(request);
  return orConflict(chooseForPlate(database(), locals.person!, params.plate, data));
};
