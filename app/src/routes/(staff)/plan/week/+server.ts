import { json } from '@sveltejs/kit';
import { database } from '$lib/server/platform/db/database';
import { planOfWeek } from '$lib/server/printing/plan/weekPlan';
import { orNotFound } from '$lib/requests.server';
import type { RequestHandler } from './$types';

/** The plan of the coming days. It takes a second or two to find, so that it is asked for apart from its page. */
export const GET: RequestHandler = async ({ locals }) =>
  json(await orNotFound(planOfWeek(database(), locals.person!)));
