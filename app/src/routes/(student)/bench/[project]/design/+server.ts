import { error, json } from '@sveltejs/kit';
import * as z from 'zod';
import { parseDesign } from '@kelbrin/core/design';
import { jsonFrom, orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/platform/db/database';
import { saveDesign } from '$lib/server/projects/projects';
import type { RequestHandler } from './$types';

const body = z.strictObject({
  baseRevision: z.int32().min(0),
  /** Tells this save from others; benches of former days send none. */
  key: z.uuid().optional(),
  design: z.unknown(),
});

/** Saves the project's parts; 409 with what is there when the save was not made from the newest revision. */
export const PUT: RequestHandler = async ({ request, params, locals }) => {
  const parsed = body.safeParse(await jsonFrom(request));
  if (!parsed.success) error(400, 'The save is not of the form that was expected.');
  const design = parseDesign(parsed.data.design);
  if (!design.ok) error(400, design.problem.message);
  const saved = await orNotFound(
    saveDesign(
      database(),
      locals.person!,
      params.project,
      parsed.data.baseRevision,
      design.design,
      parsed.data.key,
    ),
  );
  const { ok, ...answer } = saved;
  return json(answer, { status: ok ? 200 : 409 });
};
