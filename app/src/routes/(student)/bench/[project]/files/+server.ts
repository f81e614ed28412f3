import { error, json } from '@sveltejs/kit';
import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/db/database';
import { CannotNow } from '$lib/server/handIns';
import { addFile } from '$lib/server/projectFiles';
import type { RequestHandler } from './$types';

/** Takes a mesh file into the project; 409 with a sentence for one that cannot be used. */
export const POST: RequestHandler = async ({ request, params, locals }) => {
  const file = (await request.formData().catch(() => undefined))?.get('file');
  if (!(file instanceof File)) error(400, 'There is no file in the request.');
  const bytes = new Uint8Array(await file.arrayBuffer());
  try {
    const taking = addFile(database(), locals.person!, params.project, { name: file.name, bytes });
    return json(await orNotFound(taking));
  } catch (problem) {
    if (problem instanceof CannotNow) return json({ message: problem.message }, { status: 409 });
    throw problem;
  }
};
