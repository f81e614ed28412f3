import { orConflict } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { noteSeen } from '$lib/server/review/stack';
import type { RequestHandler } from './$types';

/** Notes that the teacher looks at the hand-in. */
export const PUT: RequestHandler = ({ params, locals }) =>
  orConflict(noteSeen(database(), locals.person!, params.handIn).then(() => ({})));
