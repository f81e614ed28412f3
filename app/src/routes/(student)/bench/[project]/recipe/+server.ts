import { error, json } from '@sveltejs/kit';
import * as z from 'zod';
import { parseRecipe } from '@kelbrin/core/recipe';
import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/db/database';
import { saveRecipe } from '$lib/server/projects';
import type { RequestHandler } from './$types';

const body = z.strictObject({ baseRevision: z.number().int().min(0), recipe: z.unknown() });

/** Saves the recipe; 409 with what is there when the save was not made from the newest revision. */
export const PUT: RequestHandler = async ({ request, params, locals }) => {
  const parsed = body.safeParse(await request.json().catch(() => undefined));
  if (!parsed.success) error(400, 'The save is not of the form that was expected.');
  const recipe = parseRecipe(parsed.data.recipe);
  if (!recipe.ok) error(400, recipe.problem.message);
  const saved = await orNotFound(
    saveRecipe(database(), locals.person!, params.project, parsed.data.baseRevision, recipe.recipe),
  );
  const { ok, ...answer } = saved;
  return json(answer, { status: ok ? 200 : 409 });
};
