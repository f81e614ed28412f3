import { database } from '$lib/server/db/database';
import { orSentence } from '$lib/requests.server';
import { printersWithRuns, queue, startRun } from '$lib/server/printRoom';
import { LIVE } from '$lib/ui/follow.svelte';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  const db = database();
  const [entries, printers] = await Promise.all([
    queue(db, locals.person!),
    printersWithRuns(db, locals.person!),
  ]);
  return { entries, printers };
};

export const actions: Actions = {
  start: async ({ request, locals }) => {
    const form = await request.formData();
    const [entry, printer] = [String(form.get('entry')), String(form.get('printer'))];
    const refused = await orSentence(startRun(database(), locals.person!, entry, printer));
    return refused ?? { started: entry };
  },
};
