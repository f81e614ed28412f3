import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/db/database';
import { figuresOf } from '$lib/server/figures';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, url, locals }) =>
  orNotFound(figuresOf(database(), locals.person!, params.class, url.searchParams.get('brief') ?? undefined));
