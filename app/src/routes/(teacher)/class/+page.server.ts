import { classesWithStandings } from '$lib/server/classes';
import { database } from '$lib/server/db/database';
import { LIVE } from '$lib/ui/follow.svelte';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  return { classes: await classesWithStandings(database(), locals.person!) };
};
