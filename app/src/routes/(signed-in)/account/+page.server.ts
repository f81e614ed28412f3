import { orSentence } from '$lib/requests.server';
import { auth } from '$lib/server/platform/auth/auth';
import { database } from '$lib/server/platform/db/database';
import { changePassword, endOwn, sessionsOf } from '$lib/server/people/ownSignIn';
import type { Actions, PageServerLoad } from './$types';

/** The session that a request is made in. */
const sessionOf = async ({ headers }: Request) =>
  (await auth().api.getSession({ headers }))?.session.id ?? '';

export const load: PageServerLoad = async ({ locals, request }) => {
  const here = await sessionOf(request);
  const all = await sessionsOf(database(), locals.person!);
  return { sessions: all.map((session) => ({ ...session, isHere: session.id === here })) };
};

export const actions: Actions = {
  password: async ({ request, locals }) => {
    const data = await request.formData();
    const change = {
      before: String(data.get('before') ?? ''),
      next: String(data.get('next') ?? ''),
      sessionId: await sessionOf(request),
    };
    return (await orSentence(changePassword(database(), locals.person!, change))) ?? { changed: true };
  },
  end: async ({ request, locals }) => {
    const sessionId = String((await request.formData()).get('session') ?? '');
    await endOwn(database(), locals.person!, { sessionId });
  },
  endOthers: async ({ request, locals }) =>
    endOwn(database(), locals.person!, { allBut: await sessionOf(request) }),
};
