import { error, json } from '@sveltejs/kit';
import * as z from 'zod';
import { jsonFrom, orConflict, orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { keepVersion, versionsOf } from '$lib/server/projects/versions';
import type { RequestHandler } from './$types';

const body = z.strictObject({ revision: z.int32().min(0), name: z.string().max(60) });

/** The versions of a project, the newest first. */
export const GET: RequestHandler = async ({ params, locals }) =>
  json(await orNotFound(versionsOf(database(), locals.person!, params.project)));

/** Keeps the project as it was saved; 409 with a sentence when it was saved again since. */
export const POST: RequestHandler = async ({ request, params, locals }) => {
  const parsed = body.safeParse(await jsonFrom(request));
  if (!parsed.success) error(400, 'A version has a name and the revision that it is of.');
  const { revision, name } = parsed.data;
  return orConflict(keepVersion(database(), locals.person!, params.project, revision, name));
};
