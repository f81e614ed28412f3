import { eq } from 'drizzle-orm';
import { recipeOf } from '@kelbrin/core/design';
import { standingIn } from '@kelbrin/core/guide';
import { classroomLimits } from '@kelbrin/core/inspect';
import { projectsWithOwner } from '../platform/auth/withOwner.ts';
import { compute } from '../platform/compute/compute.ts';
import type { Database } from '../platform/db/database.ts';
import { briefs, failings, projects, pulses, users } from '../platform/db/schema/index.ts';
import { demoStudents } from './school.ts';

const minutesAgo = (minutes: number) => new Date(Date.now() - minutes * 60_000);

/** Leaves the demo school in the middle of a lesson: what benches said of themselves, and who asks for help. */
export async function noteLesson(db: Database): Promise<void> {
  const begun = await projectsWithOwner(db, { project: projects, brief: briefs, student: users.name });
  for (const { project, brief, student } of begun) {
    const recipe = recipeOf(project.design);
    const ticked = brief.guidance.slice(0, 1).map(({ id }) => id);
    const result = await compute().run<'inspect'>({
      kind: 'inspect',
      recipe,
      limits: classroomLimits,
      brief: brief.rules,
      title: brief.title,
    });
    const inspection = result.ok ? result.inspection : undefined;
    const { done, next } = standingIn(brief.guidance, new Set(ticked), { recipe, inspection });
    const failing = inspection?.checks.filter(({ verdict }) => verdict === 'fail').map(({ id }) => id) ?? [];
    await db.insert(pulses).values({
      projectId: project.id,
      report: {
        steps: recipe.steps.length,
        verdict: inspection?.verdict ?? null,
        failing,
        promptsDone: done.filter(Boolean).length,
        nextPrompt: next === undefined ? null : brief.guidance[next].id,
      },
    });
    const { lesson, mended = [], begunDaysAgo = 0 } = demoStudents.find(({ name }) => name === student)!;
    const begunAt = minutesAgo(Math.max(50, begunDaysAgo * 24 * 60));
    const past = mended.map(([check, minutes]) => ({
      check,
      since: begunAt,
      until: new Date(begunAt.getTime() + minutes * 60_000),
    }));
    const open = failing.map((check) => ({ check, since: minutesAgo(40), until: null }));
    const all = [...past, ...open].map((each) => ({ ...each, projectId: project.id }));
    if (all.length > 0) await db.insert(failings).values(all);
    await db
      .update(projects)
      .set({
        tickedPrompts: ticked,
        begunAt,
        ...(lesson && { updatedAt: minutesAgo(lesson.editedAgo) }),
        ...(lesson?.askedAgo && { helpAskedAt: minutesAgo(lesson.askedAgo) }),
      })
      .where(eq(projects.id, project.id));
  }
}
