import { redirect } from '@sveltejs/kit';
import { orNotFound, orSentence } from '$lib/requests.server';
import { createBrief } from '$lib/server/briefs';
import { classesWithStandings, setFilePattern } from '$lib/server/classes';
import { database } from '$lib/server/db/database';
import { createClass } from '$lib/server/people/newClass';
import { LIVE } from '$lib/ui/follow.svelte';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  return { classes: await classesWithStandings(database(), locals.person!) };
};

export const actions: Actions = {
  create: async ({ request, locals }) => {
    const name = String((await request.formData()).get('name') ?? '');
    const created = await orSentence(createClass(database(), locals.person!, name));
    if (typeof created !== 'string') return created;
    redirect(303, `/class/${created}/people`);
  },
  brief: async ({ request, locals }) => {
    const classId = String((await request.formData()).get('class') ?? '');
    redirect(303, `/brief/${await orNotFound(createBrief(database(), locals.person!, classId))}`);
  },
  filePattern: async ({ request, locals }) => {
    const data = await request.formData();
    const classId = String(data.get('class'));
    const refused = await orSentence(
      setFilePattern(database(), locals.person!, classId, String(data.get('pattern') ?? '')),
    );
    return refused ?? { saved: classId };
  },
};
