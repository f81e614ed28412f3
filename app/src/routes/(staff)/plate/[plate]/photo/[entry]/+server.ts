import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/db/database';
import { outcomePhoto } from '$lib/server/plates/outcomes';
import { pictureResponse } from '$lib/server/takenPicture';
import { mediaTypeOf } from '$lib/shared/picture';
import type { RequestHandler } from './$types';

/** The photo of a part as it came off the plate. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const bytes = await orNotFound(outcomePhoto(database(), locals.person!, params.plate, params.entry));
  return pictureResponse({ mediaType: mediaTypeOf(bytes)!, picture: bytes });
};
