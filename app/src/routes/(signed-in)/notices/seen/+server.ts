import { orConflict } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { seeNotices } from '$lib/server/platform/notices';
import type { RequestHandler } from './$types';

/** Notes that the person has seen all notices. */
export const PUT: RequestHandler = async ({ locals }) => orConflict(seeNotices(database(), locals.person!));
