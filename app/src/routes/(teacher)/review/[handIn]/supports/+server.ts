import * as z from 'zod';
import { jsonFrom, orConflict } from '$lib/requests.server';
import { askForInspection } from '$lib/server/handIns/boss';
import { database } from '$lib/server/platform/db/database';
import { markSupports } from '$lib/server/review/supportMarks';
import type { RequestHandler } from './$types';

const sent = z.object({ marks: z.unknown() });

/** Marks the faces that supports are to keep away from, or to hold. */
export const PUT: RequestHandler = async ({ request, params, locals }) => {
  const { data } = sent.safeParse(await jsonFrom(request));
  const marking = markSupports(database(), locals.person!, params.handIn, data?.marks);
  return orConflict(marking.then(() => askForInspection(params.handIn)).then(() => ({})));
};
