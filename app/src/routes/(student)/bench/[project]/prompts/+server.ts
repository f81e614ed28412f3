import { error } from '@sveltejs/kit';
import * as z from 'zod';
import { jsonFrom, orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { tickPrompt } from '$lib/server/overview/lesson';
import type { RequestHandler } from './$types';

const body = z.strictObject({ prompt: z.string().max(12), isDone: z.boolean() });

/** Ticks a prompt of the brief off, or takes that back. */
export const PUT: RequestHandler = async ({ request, params, locals }) => {
  const parsed = body.safeParse(await jsonFrom(request));
  if (!parsed.success) error(400, 'Say which prompt is done.');
  const { prompt, isDone } = parsed.data;
  await orNotFound(tickPrompt(database(), locals.person!, params.project, prompt, isDone));
  return new Response(null, { status: 204 });
};
