import { orNotFound, orSentence } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { leaveTeam, makeTeam, teamsOf } from '$lib/server/people/teams';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, locals }) =>
  orNotFound(teamsOf(database(), locals.person!, params.brief));

export const actions: Actions = {
  make: async ({ request, params, locals }) => {
    const chosen = (await request.formData()).getAll('student').map(String);
    return orSentence(makeTeam(database(), locals.person!, params.brief, chosen));
  },
  leave: async ({ request, params, locals }) => {
    const student = String((await request.formData()).get('student'));
    return orSentence(leaveTeam(database(), locals.person!, params.brief, student));
  },
};
