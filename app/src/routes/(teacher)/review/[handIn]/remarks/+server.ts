import * as z from 'zod';
import { jsonFrom, orConflict } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { addRemark, removeRemark } from '$lib/server/review/remarks';
import type { RequestHandler } from './$types';

/** Writes a remark at a sentence or a place. */
export const POST: RequestHandler = async ({ request, params, locals }) => {
  const draft: unknown = await jsonFrom(request);
  return orConflict(addRemark(database(), locals.person!, params.handIn, draft).then((id) => ({ id })));
};

const which = z.strictObject({ id: z.string() });

/** Takes a remark away. */
export const DELETE: RequestHandler = async ({ request, params, locals }) => {
  const parsed = which.safeParse(await jsonFrom(request));
  const id = parsed.data?.id ?? '';
  return orConflict(removeRemark(database(), locals.person!, params.handIn, id).then(() => ({})));
};
