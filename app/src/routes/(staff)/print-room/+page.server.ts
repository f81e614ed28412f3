import { database } from '$lib/server/db/database';
import { orSentence } from '$lib/requests.server';
import { cancelRun, wishForRun } from '$lib/server/plates/startPlate';
import { printersWithRuns } from '$lib/server/printRoom';
import { queue } from '$lib/server/queue';
import { schoolDayOf, setSchoolDay } from '$lib/server/schoolDay';
import { LIVE } from '$lib/ui/follow.svelte';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  const db = database();
  const [printers, entries, day] = await Promise.all([
    printersWithRuns(db, locals.person!),
    queue(db, locals.person!),
    schoolDayOf(db),
  ]);
  return { printers, day, waiting: entries.filter(({ state }) => state === 'waiting').length };
};

export const actions: Actions = {
  bells: async ({ request, locals }) => {
    const words = String((await request.formData()).get('day'));
    return orSentence(setSchoolDay(database(), locals.person!, words));
  },
  pause: async ({ request, locals }) => {
    const run = String((await request.formData()).get('run'));
    return orSentence(wishForRun(database(), locals.person!, run, 'pause'));
  },
  resume: async ({ request, locals }) => {
    const run = String((await request.formData()).get('run'));
    return orSentence(wishForRun(database(), locals.person!, run, 'resume'));
  },
  cancel: async ({ request, locals }) => {
    const run = String((await request.formData()).get('run'));
    const refused = await orSentence(cancelRun(database(), locals.person!, run));
    return refused ?? { cancelled: run };
  },
};
