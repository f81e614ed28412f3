import { fail } from '@sveltejs/kit';
import { orSentence } from '$lib/requests.server';
import { classesOf } from '$lib/server/people/classes';
import { database } from '$lib/server/platform/db/database';
import { inviteStaff, LINK_HOURS, resetLink, setDisabled, staffOf } from '$lib/server/people/staff';
import type { Actions, PageServerLoad, RequestEvent } from './$types';
import { say } from '@kelbrin/core/words';

export const load: PageServerLoad = async ({ locals }) => {
  const db = database();
  const [staff, classes] = await Promise.all([staffOf(db, locals.person!), classesOf(db, locals.person!)]);
  return { staff, classes, hours: LINK_HOURS };
};

const field = async ({ request }: RequestEvent, name: string) =>
  String((await request.formData()).get(name) ?? '');

/** A link that was just made, whole, to be sent to somebody. */
async function made(event: RequestEvent, token: Promise<string>) {
  const result = await orSentence(token);
  return typeof result === 'string' ? { link: `${event.url.origin}/enter/${result}` } : result;
}

export const actions: Actions = {
  invite: async (event) => {
    const data = await event.request.formData();
    const role = String(data.get('role') ?? '');
    const classId = data.get('class')?.toString();
    if (role === '') return fail(400, { message: say('Say whether it is a teacher or a helper.') });
    return made(event, inviteStaff(database(), event.locals.person!, role, classId));
  },
  reset: async (event) =>
    made(event, resetLink(database(), event.locals.person!, await field(event, 'person'))),
  close: async (event) =>
    orSentence(setDisabled(database(), event.locals.person!, await field(event, 'person'), true)),
  open: async (event) =>
    orSentence(setDisabled(database(), event.locals.person!, await field(event, 'person'), false)),
};
