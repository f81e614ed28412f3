import { redirect } from '@sveltejs/kit';
import { mayBeHeld } from '@kelbrin/core/inspect';
import { orNotFound, orSentence } from '$lib/requests.server';
import { handInToTeach, type Person } from '$lib/server/platform/auth/access';
import { database } from '$lib/server/platform/db/database';
import { askForInspection } from '$lib/server/handIns/boss';
import { approve, sendBack, undoDecision } from '$lib/server/review/decide';
import { handInsToReview, handInToReview } from '$lib/server/review/stack';
import { LIVE } from '$lib/live/reload';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals, depends, url }) => {
  depends(LIVE);
  const db = database();
  const found = await orNotFound(handInToReview(db, locals.person!, params.handIn));
  const { handIn, project, brief, ...rest } = found;
  const { id, number, part, recipe, limits, state, inspection, solidHash, comment, problem, note } = handIn;
  const after = url.searchParams.get('after');
  const decided = after ? await orNotFound(handInToTeach(db, locals.person!, after)) : undefined;
  return {
    ...rest,
    handIn: {
      id,
      number,
      part,
      recipe,
      limits,
      state,
      inspection,
      solidHash,
      comment,
      problem,
      note,
      arguments: handIn.arguments,
      rules: handIn.rules,
      doubt: handIn.doubt,
      supportMarks: handIn.supportMarks,
      mayBeHeld: mayBeHeld(limits, handIn.rules),
    },
    projectId: project.id,
    brief: { title: brief.title, task: brief.task, copies: brief.copies },
    /** What was decided just before, which can be undone from here. */
    decided: decided && {
      id: decided.handIn.id,
      student: decided.student,
      state: decided.handIn.state,
    },
  };
};

export const actions: Actions = {
  approve: async ({ request, params, locals }) => {
    const data = await request.formData();
    const waived = data
      .getAll('check')
      .map((check) => ({ check: String(check), reason: String(data.get(`why-${String(check)}`) ?? '') }));
    const refused = await orSentence(
      approve(database(), locals.person!, params.handIn, String(data.get('solidHash')), waived),
    );
    if (refused) return refused;
    redirect(303, await nextToReview(locals.person!, params.handIn));
  },
  sendBack: async ({ request, params, locals }) => {
    const comment = String((await request.formData()).get('comment') ?? '').slice(0, 2000);
    const refused = await orSentence(sendBack(database(), locals.person!, params.handIn, comment));
    if (refused) return refused;
    redirect(303, await nextToReview(locals.person!, params.handIn));
  },
  undo: async ({ params, locals }) => {
    const refused = await orSentence(undoDecision(database(), locals.person!, params.handIn));
    if (refused) return refused;
    await askForInspection(params.handIn);
    redirect(303, `/review/${params.handIn}`);
  },
};

/** After a decision the next hand-in that waits is opened, or the list when there is none. */
async function nextToReview(person: Person, decided: string): Promise<string> {
  const waiting = (await handInsToReview(database(), person)).find(({ state }) => state === 'waiting');
  return `${waiting ? `/review/${waiting.id}` : '/review'}?after=${decided}`;
}
