import { error } from '@sveltejs/kit';
import { jsonFrom, orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { savePulse } from '$lib/server/overview/lesson';
import { benchReport } from '$lib/shared/benchReport';
import type { RequestHandler } from './$types';

/** Takes what the bench says of itself for the lesson view. */
export const PUT: RequestHandler = async ({ request, params, locals }) => {
  const parsed = benchReport.safeParse(await jsonFrom(request));
  if (!parsed.success) error(400, 'The report is not of the form that was expected.');
  await orNotFound(savePulse(database(), locals.person!, params.project, parsed.data));
  return new Response(null, { status: 204 });
};
