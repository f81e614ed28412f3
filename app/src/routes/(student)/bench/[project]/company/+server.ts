import { error, json } from '@sveltejs/kit';
import { jsonFrom, orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { companyAt, leaveSeat, takeSeat } from '$lib/server/projects/company';
import { whereabouts } from '$lib/shared/company';
import type { RequestHandler } from './$types';

/** Where the others of the team work, and what the teacher points at. */
export const GET: RequestHandler = async ({ params, locals }) =>
  json(await orNotFound(companyAt(database(), locals.person!, params.project)));

/** Says where the student works. */
export const PUT: RequestHandler = async ({ request, params, locals }) => {
  const parsed = whereabouts.safeParse(await jsonFrom(request));
  if (!parsed.success) error(400, 'Say at which part of the project you work.');
  await orNotFound(takeSeat(database(), locals.person!, params.project, parsed.data));
  return new Response(null, { status: 204 });
};

/** Says that the student has left the bench. */
export const DELETE: RequestHandler = async ({ params, locals }) => {
  await orNotFound(leaveSeat(database(), locals.person!, params.project));
  return new Response(null, { status: 204 });
};
