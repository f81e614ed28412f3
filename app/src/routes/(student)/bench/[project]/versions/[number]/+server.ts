import { json } from '@sveltejs/kit';
import { orConflict, orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { deleteVersion, designOfVersion } from '$lib/server/projects/versions';
import type { RequestHandler } from './$types';

/** What a version held. */
export const GET: RequestHandler = async ({ params, locals }) =>
  json(await orNotFound(designOfVersion(database(), locals.person!, params.project, Number(params.number))));

/** Deletes a version; 409 with a sentence for one that was handed in. */
export const DELETE: RequestHandler = ({ params, locals }) =>
  orConflict(deleteVersion(database(), locals.person!, params.project, Number(params.number)));
