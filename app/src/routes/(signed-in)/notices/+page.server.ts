import { database } from '$lib/server/platform/db/database';
import { noticesOf } from '$lib/server/platform/notices';
import { LIVE } from '$lib/live/reload';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  return { notices: await noticesOf(database(), locals.person!) };
};
