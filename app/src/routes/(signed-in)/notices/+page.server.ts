import { database } from '$lib/server/db/database';
import { noticesOf } from '$lib/server/notices';
import { LIVE } from '$lib/live/follow.svelte';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  return { notices: await noticesOf(database(), locals.person!) };
};
