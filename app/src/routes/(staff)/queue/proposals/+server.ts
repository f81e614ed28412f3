import { json } from '@sveltejs/kit';
import { database } from '$lib/server/platform/db/database';
import { proposeBatches } from '$lib/server/printing/batches/proposals';
import { orNotFound } from '$lib/requests.server';
import type { RequestHandler } from './$types';

/** What could be started now. It takes longer than the page does, so that it is asked for apart. */
export const GET: RequestHandler = async ({ locals }) =>
  json(await orNotFound(proposeBatches(database(), locals.person!)));
