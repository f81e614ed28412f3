import { fail, redirect } from '@sveltejs/kit';
import { orNotFound, orSentence, parsedJson } from '$lib/requests.server';
import { briefToEdit, copyBrief, deleteBrief, saveBrief } from '$lib/server/briefs/briefs';
import { keepBrief } from '$lib/server/briefs/briefLibrary';
import { classesOf } from '$lib/server/people/classes';
import { database } from '$lib/server/platform/db/database';
import { sayingOf } from '$lib/shared/briefDraft';
import type { Actions, PageServerLoad } from './$types';
import { say } from '@kelbrin/core/words';

export const load: PageServerLoad = async ({ params, locals }) => {
  const db = database();
  const { brief, className, begun } = await orNotFound(briefToEdit(db, locals.person!, params.brief));
  return {
    // What nobody has written yet has no title that anybody gave it.
    draft: {
      ...sayingOf(brief),
      title: brief.shownAt === null ? '' : brief.title,
      dueOn: brief.dueOn,
    },
    className,
    classId: brief.classId,
    isShown: brief.shownAt !== null,
    begun,
    classes: await classesOf(db, locals.person!),
  };
};

export const actions: Actions = {
  save: async ({ request, params, locals }) => {
    const draft = parsedJson((await request.formData()).get('draft'));
    if (draft === undefined)
      return fail(400, { message: say('The brief did not arrive whole: save it again.') });
    return (
      (await orSentence(saveBrief(database(), locals.person!, params.brief, draft))) ?? { isSaved: true }
    );
  },
  copy: async ({ request, params, locals }) => {
    const toClass = String((await request.formData()).get('toClass') ?? '');
    const copied = await orSentence(copyBrief(database(), locals.person!, params.brief, toClass));
    if (typeof copied !== 'string') return copied;
    redirect(303, `/brief/${copied}`);
  },
  keep: async ({ params, locals }) =>
    (await orSentence(keepBrief(database(), locals.person!, params.brief))) ?? { isInLibrary: true },
  remove: async ({ params, locals }) => {
    const classId = await orSentence(deleteBrief(database(), locals.person!, params.brief));
    if (typeof classId !== 'string') return classId;
    redirect(303, `/class/${classId}`);
  },
};
