import { error, fail } from '@sveltejs/kit';
import { partOf, recipeOf } from '@kelbrin/core/design';
import { orNotFound, parsedJson } from '$lib/requests.server';
import { projectToWatch } from '$lib/server/platform/auth/access';
import { database } from '$lib/server/platform/db/database';
import { noteHelped } from '$lib/server/overview/lesson';
import { endPointing, pointAt, pointerAt } from '$lib/server/projects/company';
import { limitsOf } from '$lib/server/projects/projects';
import { LIVE } from '$lib/live/reload';
import { pointing } from '$lib/shared/company';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals, depends }) => {
  depends(LIVE);
  const db = database();
  const { project, brief, student, limitsCardId } = await orNotFound(
    projectToWatch(db, locals.person!, params.project),
  );
  if (brief.id !== params.brief) error(404, 'There is no such page, or it is not yours.');
  return {
    project: {
      id: project.id,
      revision: project.revision,
      recipe: recipeOf(project.design),
      part: partOf(project.design, project.design.chosen).name,
      ticked: project.tickedPrompts,
      asksForHelp: project.helpAskedAt !== null,
    },
    brief: { id: brief.id, title: brief.title, rules: brief.rules, guidance: brief.guidance },
    student,
    pointer: await pointerAt(db, project.id),
    limits: await limitsOf(db, limitsCardId),
  };
};

export const actions: Actions = {
  helped: async ({ params, locals }) => {
    await orNotFound(noteHelped(database(), locals.person!, params.project));
  },
  point: async ({ request, params, locals }) => {
    const data = await request.formData();
    const parsed = pointing.safeParse({ words: data.get('words'), anchor: parsedJson(data.get('anchor')) });
    if (!parsed.success) return fail(400, { message: parsed.error.issues[0].message });
    await orNotFound(pointAt(database(), locals.person!, params.project, parsed.data));
    return { pointed: true };
  },
  unpoint: async ({ params, locals }) => {
    await orNotFound(endPointing(database(), locals.person!, params.project));
  },
};
