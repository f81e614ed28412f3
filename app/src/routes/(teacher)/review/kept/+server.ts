import * as z from 'zod';
import { jsonFrom, orConflict } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { forgetRemark, keepRemark } from '$lib/server/review/remarks';
import type { RequestHandler } from './$types';

const what = z.strictObject({ words: z.string() });

/** Keeps a remark for other hand-ins. */
export const POST: RequestHandler = async ({ request, locals }) => {
  const parsed = what.safeParse(await jsonFrom(request));
  return orConflict(keepRemark(database(), locals.person!, parsed.data?.words ?? '').then(() => ({})));
};

const which = z.strictObject({ id: z.string() });

/** Forgets a kept remark. */
export const DELETE: RequestHandler = async ({ request, locals }) => {
  const parsed = which.safeParse(await jsonFrom(request));
  return orConflict(forgetRemark(database(), locals.person!, parsed.data?.id ?? '').then(() => ({})));
};
