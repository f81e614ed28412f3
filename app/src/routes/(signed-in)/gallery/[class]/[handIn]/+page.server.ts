import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { pieceToLookAt } from '$lib/server/projects/gallery';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals }) => {
  const { recipe, part, number, student, brief, limits } = await orNotFound(
    pieceToLookAt(database(), locals.person!, params.class, params.handIn),
  );
  return { classId: params.class, handInId: params.handIn, recipe, part, number, student, brief, limits };
};
