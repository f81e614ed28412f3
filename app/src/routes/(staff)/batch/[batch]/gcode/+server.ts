import { orErrorPage, orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { gcodeOfBatch } from '$lib/server/printing/batches/gcode';
import { batchToSee } from '$lib/server/printing/batches/batches';
import type { RequestHandler } from './$types';

/** The batch as G-code, for a memory card. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const db = database();
  const { batch } = await orNotFound(batchToSee(db, locals.person!, params.batch));
  const { gcode } = await orErrorPage(gcodeOfBatch(db, batch.id, batch.plannedFor));
  return new Response(gcode, {
    headers: {
      'Content-Type': 'text/x.gcode',
      'Content-Disposition': `attachment; filename="batch-${batch.number}.gcode"`,
    },
  });
};
