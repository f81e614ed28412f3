import { fail } from '@sveltejs/kit';
import { orNotFound, orSentence, parsedJson } from '$lib/requests.server';
import { ownProject } from '$lib/server/platform/auth/access';
import { database } from '$lib/server/platform/db/database';
import { handIn, withdraw } from '$lib/server/handIns/handIns';
import { askForInspection } from '$lib/server/handIns/boss';
import { feedbackOf } from '$lib/server/review/feedback';
import { isFirstProject } from '$lib/server/projects/firstProject';
import { limitsOf, standings } from '$lib/server/projects/projects';
import { versionsOf } from '$lib/server/projects/versions';
import { saidWithHandIn } from '$lib/shared/saidWithHandIn';
import { LIVE } from '$lib/live/reload';
import type { Actions, PageServerLoad } from './$types';
import { say } from '@kelbrin/core/words';

export const load: PageServerLoad = async ({ params, locals, depends }) => {
  depends(LIVE);
  const db = database();
  const { project, brief, limitsCardId, filePattern, isTeam } = await orNotFound(
    ownProject(db, locals.person!, params.project),
  );
  return {
    project: { id: project.id, design: project.design, revision: project.revision },
    title: brief.title,
    isTeam,
    task: brief.task,
    plainWords: brief.plainWords,
    filePattern,
    versions: await versionsOf(db, locals.person!, project.id),
    rules: brief.rules,
    copies: brief.copies,
    guidance: brief.guidance,
    isFirst: await isFirstProject(db, locals.person!.id, { design: project.design, starter: brief.starter }),
    ticked: project.tickedPrompts,
    asksForHelp: project.helpAskedAt !== null,
    limits: await limitsOf(db, limitsCardId),
    feedback: await feedbackOf(db, project.id),
    standing: (await standings(db, [project.id])).get(project.id)!,
  };
};

export const actions: Actions = {
  handIn: async ({ request, params, locals }) => {
    const data = await request.formData();
    const revision = Number(data.get('revision'));
    const said = saidWithHandIn.safeParse(parsedJson(data.get('said')));
    if (!Number.isInteger(revision)) return fail(400, { message: say('Say which revision is handed in.') });
    if (!said.success) return fail(400, { message: said.error.issues[0].message });
    const result = await orSentence(handIn(database(), locals.person!, params.project, revision, said.data));
    if (typeof result !== 'string') return result;
    await askForInspection(result);
    return { handedIn: true };
  },
  withdraw: async ({ params, locals }) => orSentence(withdraw(database(), locals.person!, params.project)),
};
