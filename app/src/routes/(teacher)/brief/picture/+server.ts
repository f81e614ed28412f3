import { fileFrom, orConflict } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { inTurn } from '$lib/server/platform/sent/inTurn';
import { addTaskPicture } from '$lib/server/briefs/taskPictures';
import { LARGEST_PICTURE_BYTES } from '$lib/shared/picture';
import type { RequestHandler } from './$types';

/** Takes a picture for the teacher's tasks, and answers with its hash; 409 with a sentence for one that cannot be used. */
export const POST: RequestHandler = async ({ request, locals }) => {
  const person = locals.person!;
  return orConflict(
    inTurn(person.id, async () => {
      const file = await fileFrom(request, LARGEST_PICTURE_BYTES);
      return { hash: await addTaskPicture(database(), person, file) };
    }),
  );
};
