import { database } from '$lib/server/db/database';
import { orSentence } from '$lib/requests.server';
import { cancelRun } from '$lib/server/plates/startPlate';
import { printersWithRuns } from '$lib/server/printRoom';
import { queue } from '$lib/server/queue';
import { LIVE } from '$lib/ui/follow.svelte';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  const db = database();
  const [printers, entries] = await Promise.all([
    printersWithRuns(db, locals.person!),
    queue(db, locals.person!),
  ]);
  return { printers, waiting: entries.filter(({ state }) => state === 'waiting').length };
};

export const actions: Actions = {
  cancel: async ({ request, locals }) => {
    const run = String((await request.formData()).get('run'));
    const refused = await orSentence(cancelRun(database(), locals.person!, run));
    return refused ?? { cancelled: run };
  },
};
