import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { batchToSee } from '$lib/server/printing/batches/batches';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals }) => {
  const { batch, parts } = await orNotFound(batchToSee(database(), locals.person!, params.batch));
  const current = parts.filter(({ isCurrent }) => isCurrent);
  return { batch, parts: current.length > 0 ? current : parts };
};
