import { json } from '@sveltejs/kit';
import { database } from '$lib/server/platform/db/database';
import { queueNews } from '$lib/server/printing/queue/rows';
import { orNotFound } from '$lib/requests.server';
import type { RequestHandler } from './$types';

/** The rows of the queue, or what is new since the version that the page knows. */
export const GET: RequestHandler = async ({ locals, url }) =>
  json(await orNotFound(queueNews(database(), locals.person!, url.searchParams.get('known'))));
