import { orNotFound } from '$lib/requests.server';
import { logOf } from '$lib/server/platform/audit';
import { database } from '$lib/server/platform/db/database';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals, url }) => {
  const before = Number(url.searchParams.get('before'));
  const from = Number.isInteger(before) && before > 0 ? before : undefined;
  return orNotFound(logOf(database(), locals.person!, params.class, from));
};
