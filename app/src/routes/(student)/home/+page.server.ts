import { redirect } from '@sveltejs/kit';
import { and, eq, inArray } from 'drizzle-orm';
import { orNotFound } from '$lib/requests.server';
import { database } from '$lib/server/db/database';
import { projects } from '$lib/server/db/schema';
import { briefsOf, openProject, standings } from '$lib/server/projects';
import { LIVE } from '$lib/ui/follow.svelte';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends(LIVE);
  const db = database();
  const person = locals.person!;
  const briefs = await briefsOf(db, person);
  const briefIds = briefs.map(({ id }) => id);
  const own =
    briefIds.length > 0
      ? await db
          .select({ id: projects.id, briefId: projects.briefId, revision: projects.revision })
          .from(projects)
          .where(and(eq(projects.studentId, person.id), inArray(projects.briefId, briefIds)))
      : [];
  const standing = await standings(
    db,
    own.map(({ id }) => id),
  );
  return {
    briefs: briefs.map(({ id, title, task, dueOn }) => {
      const project = own.find(({ briefId }) => briefId === id);
      return { id, title, task, dueOn, project: project && { ...project, ...standing.get(project.id)! } };
    }),
  };
};

export const actions: Actions = {
  open: async ({ request, locals }) => {
    const briefId = String((await request.formData()).get('brief'));
    const projectId = await orNotFound(openProject(database(), locals.person!, briefId));
    redirect(303, `/bench/${projectId}`);
  },
};
