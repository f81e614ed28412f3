import { redirect } from '@sveltejs/kit';
import { orSentence } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { createClass } from '$lib/server/people/newClass';
import { teacherHome } from '$lib/server/overview/teacherHome';
import { LIVE } from '$lib/live/reload';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  return teacherHome(database(), locals.person!);
};

export const actions: Actions = {
  create: async ({ request, locals }) => {
    const name = String((await request.formData()).get('name') ?? '');
    const created = await orSentence(createClass(database(), locals.person!, name));
    if (typeof created !== 'string') return created;
    redirect(303, `/class/${created}/people`);
  },
};
