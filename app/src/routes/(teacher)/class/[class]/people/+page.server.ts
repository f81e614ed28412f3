import { orNotFound, orSentence, parsedJson } from '$lib/requests.server';
import { classesOf } from '$lib/server/people/classes';
import { database } from '$lib/server/platform/db/database';
import {
  addListed,
  moveStudents,
  peopleOf,
  renameStudent,
  resetPins,
  setArchived,
  unlockClass,
} from '$lib/server/people/classPeople';
import { deleteStudent } from '$lib/server/people/deleteStudent';
import { addHelper, removeHelper } from '$lib/server/people/helpers';
import { revokeShare } from '$lib/server/projects/sharing/shares';
import { listReading } from '$lib/shared/listReading';
import { LIVE } from '$lib/live/reload';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

export const load: PageServerLoad = async ({ params, locals, depends, url }) => {
  depends(LIVE);
  const db = database();
  const group = await orNotFound(peopleOf(db, locals.person!, params.class));
  const all = await classesOf(db, locals.person!);
  return { group, others: all.filter(({ id }) => id !== group.id), address: url.host };
};

/** The fields of a request, and the students that it is about. */
async function asked({ request, params, locals }: RequestEvent) {
  const data = await request.formData();
  const field = (name: string) => String(data.get(name) ?? '');
  return {
    db: database(),
    person: locals.person!,
    classId: params.class,
    field,
    students: data.getAll('student').map(String),
  };
}

/** An action that says nothing when it is done. */
const quietly =
  (work: (request: Awaited<ReturnType<typeof asked>>) => Promise<void>) => async (event: RequestEvent) =>
    (await orSentence(work(await asked(event)))) ?? {};

export const actions: Actions = {
  add: async (event) => {
    const { db, person, classId, field } = await asked(event);
    const reading = listReading.safeParse(parsedJson(field('reading')));
    const cards = await orSentence(addListed(db, person, classId, field('list'), reading.data));
    return Array.isArray(cards) ? { cards } : cards;
  },
  newPins: async (event) => {
    const { db, person, classId, students } = await asked(event);
    const cards = await orSentence(resetPins(db, person, classId, students));
    return Array.isArray(cards) ? { cards } : cards;
  },
  rename: quietly(({ db, person, classId, students: [student], field }) =>
    renameStudent(db, person, classId, student, field('name')),
  ),
  archive: quietly(({ db, person, classId, students }) => setArchived(db, person, classId, students, true)),
  restore: quietly(({ db, person, classId, students }) => setArchived(db, person, classId, students, false)),
  move: quietly(({ db, person, classId, students, field }) =>
    moveStudents(db, person, classId, students, field('toClass')),
  ),
  remove: quietly(({ db, person, classId, students: [student] }) =>
    deleteStudent(db, person, classId, student),
  ),
  unlock: quietly(({ db, person, classId }) => unlockClass(db, person, classId)),
  revoke: quietly(({ db, person, classId, field }) => revokeShare(db, person, classId, field('share'))),
  addHelper: async (event) => {
    const { db, person, classId, field } = await asked(event);
    const helper = await orSentence(
      addHelper(db, person, classId, { name: field('name'), email: field('email') }),
    );
    return 'email' in helper ? { helper } : helper;
  },
  removeHelper: quietly(({ db, person, classId, field }) =>
    removeHelper(db, person, classId, field('helper')),
  ),
};
