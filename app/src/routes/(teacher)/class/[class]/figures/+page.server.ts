import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { figuresOf } from '$lib/server/overview/figures';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, url, locals }) =>
  orNotFound(figuresOf(database(), locals.person!, params.class, url.searchParams.get('brief') ?? undefined));
