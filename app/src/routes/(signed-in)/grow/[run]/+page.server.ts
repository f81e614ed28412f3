import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { runToWatch } from '$lib/server/printing/runs/watching';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals }) => ({
  run: await orNotFound(runToWatch(database(), locals.person!, params.run)),
});
