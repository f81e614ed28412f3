import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { sharedVersion } from '$lib/server/projects/sharing/shares';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, setHeaders }) => {
  // A link is for whoever was given it, not for search engines or caches on the way.
  setHeaders({ 'X-Robots-Tag': 'noindex', 'Cache-Control': 'private, no-store' });
  const { student, brief, number, part, recipe, card, expiresAt } = await orNotFound(
    sharedVersion(database(), params.token),
  );
  return { token: params.token, student, brief, number, part, recipe, limits: card, expiresAt };
};
