import { error } from '@sveltejs/kit';
import * as z from 'zod';
import { jsonFrom, orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { askForHelp } from '$lib/server/overview/lesson';
import type { RequestHandler } from './$types';

const body = z.strictObject({ asks: z.boolean() });

/** Says that the student asks for help, or does not any more. */
export const PUT: RequestHandler = async ({ request, params, locals }) => {
  const parsed = body.safeParse(await jsonFrom(request));
  if (!parsed.success) error(400, 'Say whether help is asked for.');
  await orNotFound(askForHelp(database(), locals.person!, params.project, parsed.data.asks));
  return new Response(null, { status: 204 });
};
