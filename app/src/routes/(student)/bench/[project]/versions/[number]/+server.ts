import { json } from '@sveltejs/kit';
import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { designOfVersion } from '$lib/server/projects/versions';
import type { RequestHandler } from './$types';

/** What a version held. */
export const GET: RequestHandler = async ({ params, locals }) =>
  json(await orNotFound(designOfVersion(database(), locals.person!, params.project, Number(params.number))));
