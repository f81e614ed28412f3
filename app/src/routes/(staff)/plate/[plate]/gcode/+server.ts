import { error } from '@sveltejs/kit';
import { orNotFound } from '$lib/requests.server';
import { CannotNow } from '$lib/server/platform/basics/cannotNow';
import { database } from '$lib/server/platform/db/database';
import { gcodeOfPlate } from '$lib/server/printing/plates/gcode';
import { plateToSee } from '$lib/server/printing/plates/plates';
import type { RequestHandler } from './$types';

/** The plate as G-code, for a memory card. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const db = database();
  const { plate } = await orNotFound(plateToSee(db, locals.person!, params.plate));
  const { gcode } = await gcodeOfPlate(db, plate.id).catch((problem: unknown) => {
    if (problem instanceof CannotNow) error(409, problem.message);
    throw problem;
  });
  return new Response(gcode, {
    headers: {
      'Content-Type': 'text/x.gcode',
      'Content-Disposition': `attachment; filename="plate-${plate.number}.gcode"`,
    },
  });
};
