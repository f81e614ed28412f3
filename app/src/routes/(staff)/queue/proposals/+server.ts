import { database } from '$lib/server/platform/db/database';
import { proposeBatches } from '$lib/server/printing/batches/proposals';
import { hashedFile } from '$lib/files.server';
import { sha256 } from '$lib/server/platform/basics/sha256';
import { orNotFound } from '$lib/requests.server';
import type { RequestHandler } from './$types';

/**
 * What could be started now. It takes longer than the page does, so that it is asked for apart; most changes of the queue
 * change nothing in it, and then it is not sent again.
 */
export const GET: RequestHandler = async ({ locals, request }) => {
  const proposals = JSON.stringify(await orNotFound(proposeBatches(database(), locals.person!)));
  const bytes = new TextEncoder().encode(proposals);
  return hashedFile(request, sha256(bytes), { bytes, type: 'application/json' });
};
