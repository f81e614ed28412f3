import { error } from '@sveltejs/kit';
import * as z from 'zod';
import { jsonFrom, orConflict } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { share, sharesOf, unshare } from '$lib/server/projects/sharing/shares';
import type { RequestHandler } from './$types';

/** The links of the project that still hold. */
export const GET: RequestHandler = ({ params, locals }) =>
  orConflict(sharesOf(database(), locals.person!, params.project));

const what = z.strictObject({ version: z.number().int(), days: z.number() });

/** Makes a link to a version. */
export const POST: RequestHandler = async ({ request, params, locals }) => {
  const parsed = what.safeParse(await jsonFrom(request));
  if (!parsed.success) error(400, 'Say which version is shared, and for how long.');
  const { version, days } = parsed.data;
  return orConflict(
    share(database(), locals.person!, params.project, version, days).then((token) => ({ token })),
  );
};

const which = z.strictObject({ id: z.string() });

/** Takes a link back. */
export const DELETE: RequestHandler = async ({ request, params, locals }) => {
  const parsed = which.safeParse(await jsonFrom(request));
  const id = parsed.data?.id ?? '';
  return orConflict(unshare(database(), locals.person!, params.project, id).then(() => ({})));
};
