import { redirect } from '@sveltejs/kit';
import { eq } from 'drizzle-orm';
import { orNotFound, orSentence } from '$lib/requests.server';
import { handInToTeach } from '$lib/server/auth/access';
import { database } from '$lib/server/db/database';
import { solids } from '$lib/server/db/schema';
import { approve, handInsToReview, sendBack } from '$lib/server/handIns';
import { LIVE } from '$lib/ui/follow.svelte';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals, depends }) => {
  depends(LIVE);
  const db = database();
  const { handIn, project, brief, student } = await orNotFound(
    handInToTeach(db, locals.person!, params.handIn),
  );
  const [solid] = handIn.solidHash
    ? await db.select({ estimate: solids.estimate }).from(solids).where(eq(solids.hash, handIn.solidHash))
    : [];
  const { id, number, part, recipe, limits, state, inspection, solidHash, comment, problem, createdAt } =
    handIn;
  return {
    handIn: { id, number, part, recipe, limits, state, inspection, solidHash, comment, problem, createdAt },
    projectId: project.id,
    brief: { title: brief.title, task: brief.task },
    student,
    estimate: solid?.estimate,
  };
};

export const actions: Actions = {
  approve: async ({ request, params, locals }) => {
    const solidHash = String((await request.formData()).get('solidHash'));
    const refused = await orSentence(approve(database(), locals.person!, params.handIn, solidHash));
    if (refused) return refused;
    redirect(303, await nextToReview(locals.person!));
  },
  sendBack: async ({ request, params, locals }) => {
    const comment = String((await request.formData()).get('comment') ?? '').slice(0, 2000);
    const refused = await orSentence(sendBack(database(), locals.person!, params.handIn, comment));
    if (refused) return refused;
    redirect(303, await nextToReview(locals.person!));
  },
};

/** After a decision the next hand-in that waits is opened, or the list when there is none. */
async function nextToReview(person: App.Locals['person'] & object): Promise<string> {
  const waiting = (await handInsToReview(database(), person)).find(({ state }) => state === 'waiting');
  return waiting ? `/review/${waiting.id}` : '/review';
}
