import { orConflict, uploadedFile } from '$lib/requests.server';
import { database } from '$lib/server/db/database';
import { addTaskPicture } from '$lib/server/taskPictures';
import type { RequestHandler } from './$types';

/** Takes a picture for the teacher's tasks, and answers with its hash; 409 with a sentence for one that cannot be used. */
export const POST: RequestHandler = async ({ request, locals }) => {
  const file = await uploadedFile(request);
  return orConflict(addTaskPicture(database(), locals.person!, file).then((hash) => ({ hash })));
};
