import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { approveAll } from '$lib/server/review/decide';
import { handInsToReview } from '$lib/server/review/stack';
import { LIVE } from '$lib/live/reload';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  const handIns = await handInsToReview(database(), locals.person!);
  return {
    handIns: handIns.filter(({ state, verdict }) => state === 'waiting' && verdict === 'pass'),
    classIds: [...new Set(handIns.map(({ classId }) => classId))],
  };
};

export const actions: Actions = {
  approve: async ({ request, locals }) => {
    // Each names the solid whose picture was looked at.
    const chosen = (await request.formData()).getAll('chosen').map((each) => {
      const [id, solidHash = ''] = String(each).split(' ');
      return { id, solidHash };
    });
    return orNotFound(approveAll(database(), locals.person!, chosen));
  },
};
