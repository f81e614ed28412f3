import { and, eq, inArray } from 'drizzle-orm';
import { checkTitle, type LimitsCard } from '@kelbrin/core/inspect';
import { handInsWithOwner } from '../platform/auth/withOwner.ts';
import { compute } from '../platform/compute/compute.ts';
import { TaskFailure } from '../platform/compute/taskFailure.ts';
import type { Database } from '../platform/db/database.ts';
import {
  briefs,
  classes,
  handIns,
  limitsCards,
  printFiles,
  projects,
  queueEntries,
} from '../platform/db/schema/index.ts';
import { announce } from '../platform/live/topics.ts';
import { tellTeacher } from '../platform/notices.ts';
import { filesFor } from '../projects/projectFiles.ts';
import { moveHandIns } from './lifecycle.ts';
import { waiversOf } from './waivers.ts';
import { say } from '@kelbrin/core/words';

/** Hand-ins that have to be inspected again since their limits changed. */
export interface ToRecheck {
  /** Those that wait for a decision, which is then made on the new inspection. */
  readonly waiting: readonly string[];
  /** Approved ones that wait for a printer; what no longer holds is said with them. */
  readonly approved: readonly string[];
}

/** Holds all that is open in classes against a new card. Benches that are open hear of it and do so themselves. */
export async function holdAgainst(
  tx: Database,
  classIds: readonly string[],
  card: LimitsCard,
): Promise<ToRecheck> {
  if (classIds.length === 0) return { waiting: [], approved: [] };
  const open = await tx
    .select({ projectId: projects.id, classId: briefs.classId })
    .from(projects)
    .innerJoin(briefs, eq(briefs.id, projects.briefId))
    .where(inArray(briefs.classId, [...classIds]));
  const projectIds = open.map(({ projectId }) => projectId);
  if (projectIds.length === 0) return { waiting: [], approved: [] };
  const waiting = await moveHandIns(tx, 'inspectAgain', 'server', inArray(handIns.projectId, projectIds), {
    limits: card,
    inspectionTries: 0,
    inspectionClaim: null,
    inspectingSince: null,
  });
  const approved = await tx
    .selectDistinct({ id: handIns.id })
    .from(handIns)
    .innerJoin(printFiles, eq(printFiles.handInId, handIns.id))
    .innerJoin(queueEntries, eq(queueEntries.printFileId, printFiles.id))
    .where(and(inArray(handIns.projectId, projectIds), eq(queueEntries.state, 'waiting')));
  await announce(
    tx,
    ...classIds.map((id) => `class:${id}` as const),
    ...projectIds.map((id) => `project:${id}` as const),
  );
  return { waiting, approved: approved.map(({ id }) => id) };
}

/**
 * Inspects an approved hand-in against its class's card as it is now, and says with it whether the approval still holds.
 * What was inspected for the approval stays as it was.
 */
export async function recheckApproval(db: Database, handInId: string): Promise<void> {
  const [found] = await handInsWithOwner(db, {
    handIn: handIns,
    projectId: projects.id,
    briefId: briefs.id,
    title: briefs.title,
    classId: classes.id,
    card: limitsCards.card,
  })
    .innerJoin(limitsCards, eq(limitsCards.id, classes.limitsCardId))
    .where(and(eq(handIns.id, handInId), eq(handIns.state, 'approved')));
  if (!found) return;
  const { handIn, projectId, briefId, title, classId, card } = found;
  const task = {
    kind: 'inspect',
    recipe: handIn.recipe,
    files: await filesFor(db, projectId, handIn.recipe),
    limits: card,
    brief: handIn.rules,
    supportMarks: handIn.supportMarks,
    title,
  } as const;
  const result = await compute()
    .run<'inspect'>(task)
    .catch((problem: unknown) => {
      if (problem instanceof TaskFailure && problem.isSure)
        return { ok: false, problem: problem.message } as const;
      throw problem;
    });
  const waived = (await waiversOf(db, [handIn.id])).get(handIn.id) ?? [];
  const failing = result.ok
    ? result.inspection.checks.filter(
        ({ id, verdict }) => verdict === 'fail' && !waived.some(({ check }) => check === id),
      )
    : [];
  const titles = failing.map(({ id }) => `“${checkTitle(id)}”`).join(', ');
  const doubt = !result.ok
    ? say('Since the limits card was changed, it could not be inspected: {problem}', {
        problem: result.problem,
      })
    : titles === ''
      ? null
      : say('Since the limits card was changed, this fails: {titles}.', { titles });
  await db.update(handIns).set({ doubt }).where(eq(handIns.id, handIn.id));
  if (doubt !== null && handIn.doubt === null) await tellTeacher(db, briefId, 'in_doubt');
  await announce(db, `class:${classId}`, `project:${projectId}`, 'printroom');
}
