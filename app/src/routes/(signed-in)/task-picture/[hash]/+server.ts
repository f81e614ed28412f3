import { pictureResponse } from '$lib/files.server';
import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { taskPicture } from '$lib/server/briefs/taskPictures';
import type { RequestHandler } from './$types';

/** A picture in the task of a brief, for whoever may read that brief. */
export const GET: RequestHandler = async ({ params, locals, request }) =>
  pictureResponse(request, await orNotFound(taskPicture(database(), locals.person!, params.hash)));
