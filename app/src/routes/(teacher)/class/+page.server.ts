import { orSentence } from '$lib/requests.server';
import { classesWithStandings, setFilePattern } from '$lib/server/classes';
import { database } from '$lib/server/db/database';
import { LIVE } from '$lib/ui/follow.svelte';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  return { classes: await classesWithStandings(database(), locals.person!) };
};

export const actions: Actions = {
  filePattern: async ({ request, locals }) => {
    const data = await request.formData();
    const classId = String(data.get('class'));
    const refused = await orSentence(
      setFilePattern(database(), locals.person!, classId, String(data.get('pattern') ?? '')),
    );
    return refused ?? { saved: classId };
  },
};
