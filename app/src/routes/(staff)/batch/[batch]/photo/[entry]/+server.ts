import { pictureResponse } from '$lib/files.server';
import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { outcomePhoto } from '$lib/server/printing/runs/outcomes';
import { mediaTypeOf } from '$lib/shared/picture';
import type { RequestHandler } from './$types';

/** The photo of a part as it came off the batch. */
export const GET: RequestHandler = async ({ params, locals, request }) => {
  const bytes = await orNotFound(outcomePhoto(database(), locals.person!, params.batch, params.entry));
  return pictureResponse(request, { mediaType: mediaTypeOf(bytes)!, picture: bytes });
};
