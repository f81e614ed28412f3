import { redirect } from '@sveltejs/kit';
import { and, eq, inArray, isNotNull } from 'drizzle-orm';
import { orNotFound } from '$lib/requests.server';
import { isTeamProject, namesOnProject, worksOn } from '$lib/server/platform/auth/team';
import { database } from '$lib/server/platform/db/database';
import { projects, users } from '$lib/server/platform/db/schema';
import { newestRunsOf } from '$lib/server/printing/runs/watching';
import { outcomesOf } from '$lib/server/printing/runs/outcomes';
import { briefsOf, openProject, standings } from '$lib/server/projects/projects';
import { galleriesFor } from '$lib/server/projects/gallery';
import { remarkCounts } from '$lib/server/review/remarks';
import { waiversOf } from '$lib/server/handIns/waivers';
import { LIVE } from '$lib/live/reload';
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
          .select({
            id: projects.id,
            briefId: projects.briefId,
            names: namesOnProject,
            isTeam: isTeamProject,
            revision: projects.revision,
            asksForHelp: isNotNull(projects.helpAskedAt).mapWith(Boolean),
          })
          .from(projects)
          .innerJoin(users, eq(users.id, projects.studentId))
          .where(and(worksOn(db, person.id), inArray(projects.briefId, briefIds)))
      : [];
  const standing = await standings(
    db,
    own.map(({ id }) => id),
  );
  const handInIds = [...standing.values()].flatMap(({ handInId }) => handInId ?? []);
  const remarked = await remarkCounts(db, handInIds);
  const waived = await waiversOf(db, handInIds);
  const outcomes = await outcomesOf(db, handInIds);
  const watchable = await newestRunsOf(db, handInIds);
  return {
    galleries: await galleriesFor(db, person),
    briefs: briefs.map(({ id, title, task, dueOn }) => {
      const project = own.find(({ briefId }) => briefId === id);
      if (!project) return { id, title, task, dueOn, project };
      const { handInId = '', ...stands } = standing.get(project.id)!;
      const remarks = remarked.get(handInId) ?? 0;
      const waivers = waived.get(handInId) ?? [];
      const outcome = outcomes.get(handInId);
      const runId = ['printing', 'printed'].includes(stands.state) ? watchable.get(handInId) : undefined;
      return { id, title, task, dueOn, project: { ...project, ...stands, remarks, waivers, outcome, runId } };
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
