import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { lessonOf, noteHelped } from '$lib/server/overview/lesson';
import { LIVE } from '$lib/live/reload';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals, depends }) => {
  depends(LIVE);
  const { brief, className, toReview, learners } = await orNotFound(
    lessonOf(database(), locals.person!, params.brief),
  );
  const { id, title, classId, guidance } = brief;
  return { brief: { id, title, classId, guidance }, className, toReview, learners };
};

export const actions: Actions = {
  helped: async ({ request, locals }) => {
    const projectId = String((await request.formData()).get('project') ?? '');
    await orNotFound(noteHelped(database(), locals.person!, projectId));
  },
};
