import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { plateToSee } from '$lib/server/printing/plates/plates';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals }) => {
  const { plate, parts } = await orNotFound(plateToSee(database(), locals.person!, params.plate));
  const current = parts.filter(({ isCurrent }) => isCurrent);
  return { plate, parts: current.length > 0 ? current : parts };
};
