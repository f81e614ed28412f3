import { database } from '$lib/server/platform/db/database';
import { handInsToReview } from '$lib/server/review/stack';
import { LIVE } from '$lib/live/reload';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  const handIns = await handInsToReview(database(), locals.person!);
  return { handIns, classIds: [...new Set(handIns.map(({ classId }) => classId))] };
};
