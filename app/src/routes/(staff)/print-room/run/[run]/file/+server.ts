import { database } from '$lib/server/platform/db/database';
import { fileOfRun } from '$lib/server/printing/runs/byHand';
import { orErrorPage } from '$lib/requests.server';
import type { RequestHandler } from './$types';

/** The G-code of a run, for a person who carries it to the printer. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const { fileName, gcode } = await orErrorPage(fileOfRun(database(), locals.person!, params.run));
  return new Response(gcode, {
    headers: {
      'content-type': 'text/x.gcode',
      'content-disposition': `attachment; filename="${fileName}"`,
    },
  });
};
