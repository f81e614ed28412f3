import { randomUUID } from 'node:crypto';
import { and, eq, isNull, lt, or, sql, type SQL } from 'drizzle-orm';
import type { Inspection } from '@kelbrin/core/inspect';
import { handInsWithOwner } from '../platform/auth/withOwner.ts';
import { compute } from '../platform/compute/compute.ts';
import { ofStudent } from '../platform/compute/fairQueue.ts';
import { TaskFailure } from '../platform/compute/taskFailure.ts';
import type { Database } from '../platform/db/database.ts';
import { briefs, handIns, projects, solids } from '../platform/db/schema/index.ts';
import { filesFor } from '../projects/projectFiles.ts';
import { sha256 } from '../platform/basics/sha256.ts';
import { log } from '../platform/basics/log.ts';
import { moveHandIns } from './lifecycle.ts';
import { say } from '@kelbrin/core/words';

/** Who inspects says so this often, ms; an inspection of which nobody says so for this long was lost, seconds. */
const SAID_EVERY_MS = 2_000;
const LOST_AFTER_S = 8;
/** A job that nobody has begun by now was lost, seconds. */
const FORGOTTEN_AFTER_S = 10;
/** A hand-in whose inspection has taken its process along so often is not tried again. */
const MOST_TRIES = 3;

/**
 * Builds and inspects a hand-in on the server and stores solid, hashes and inspection together. This inspection is the
 * one that counts. A hand-in that was dealt with already, or is being dealt with, is left alone, so that a job may be
 * carried out twice. One that cannot be inspected is refused with the reason, once.
 */
export async function inspectHandIn(db: Database, handInId: string): Promise<void> {
  const claim = randomUUID();
  const tries = await begin(db, handInId, claim);
  if (tries === undefined) return;
  // Whoever changes the card takes the claim away, so that nothing is stored that was held against the old one.
  const isMine = and(
    eq(handIns.id, handInId),
    eq(handIns.state, 'checking'),
    eq(handIns.inspectionClaim, claim),
  );
  const saying = setInterval(() => {
    const said = db.update(handIns).set({ inspectingSince: new Date() }).where(isMine);
    said.catch((err: unknown) => log.error({ err, handIn: handInId }, 'Saying that a hand-in is inspected'));
  }, SAID_EVERY_MS);
  try {
    await inspectBegun(db, handInId, tries, isMine);
  } catch (problem) {
    await db.update(handIns).set({ inspectingSince: null }).where(isMine);
    throw problem;
  } finally {
    clearInterval(saying);
  }
}

async function inspectBegun(
  db: Database,
  handInId: string,
  tries: number,
  isMine: SQL | undefined,
): Promise<void> {
  const [found] = await handInsWithOwner(db, {
    handIn: handIns,
    projectId: projects.id,
    studentId: projects.studentId,
    title: briefs.title,
  }).where(eq(handIns.id, handInId));
  if (!found) return;
  const { handIn, projectId, studentId, title } = found;

  const { recipe, limits, rules, supportMarks } = handIn;
  const files = await filesFor(db, projectId, recipe);
  // The frozen file carries no name of a student: it stays when somebody is deleted from a team.
  const task = { kind: 'inspect', recipe, files, limits, brief: rules, supportMarks, title } as const;
  const result =
    tries > MOST_TRIES
      ? notInspected(say('Each try ended before it was done.'))
      : await compute()
          .run<'inspect'>(task, ofStudent(studentId))
          .catch((problem: unknown) => {
            // One that was interrupted is begun again by the process that comes next.
            if (problem instanceof TaskFailure && problem.reason === 'stopped') throw problem;
            if (!(problem instanceof TaskFailure))
              log.error({ err: problem, handIn: handInId }, 'Inspecting a hand-in');
            return notInspected(
              problem instanceof TaskFailure ? problem.message : say('The geometry gave up.'),
            );
          });
  await db.transaction(async (tx) => {
    const problem = result.ok ? notArgued(result.inspection, handIn) : result.problem;
    if (result.ok && problem === undefined) {
      const { threeMf, stl, colours, inspection, estimate, footprint, supportMarks: stillOn } = result;
      const hash = sha256(threeMf);
      await tx
        .insert(solids)
        .values({ hash, threeMf, stl, stlHash: sha256(stl), colours })
        .onConflictDoNothing();
      // Of one that is inspected again, by another card, the teacher was told before.
      const move = handIn.inspection === null ? 'inspected' : 'inspectedAgain';
      const found = { inspection, estimate, footprint, supportMarks: stillOn };
      await moveHandIns(tx, move, 'server', isMine, { ...found, solidHash: hash });
    } else {
      await moveHandIns(tx, 'refuse', 'server', isMine, { problem });
    }
  });
}

/** Notes that a hand-in is being inspected, and says how often it was begun; undefined if it need not be, or somebody else does so. */
async function begin(db: Database, handInId: string, claim: string): Promise<number | undefined> {
  const [begun] = await db
    .update(handIns)
    .set({
      inspectionTries: sql`${handIns.inspectionTries} + 1`,
      inspectionClaim: claim,
      inspectingSince: new Date(),
    })
    .where(
      and(
        eq(handIns.id, handInId),
        eq(handIns.state, 'checking'),
        or(isNull(handIns.inspectingSince), isLost),
      ),
    )
    .returning({ tries: handIns.inspectionTries });
  return begun?.tries;
}

const isLost = lt(handIns.inspectingSince, sql`now() - make_interval(secs => ${LOST_AFTER_S})`);

const notInspected = (why: string) =>
  ({
    ok: false,
    problem: say(
      'Kelbrin could not inspect this part. {why} Use fewer copies or plainer shapes, then hand in again.',
      { why },
    ),
  }) as const;

/** What to say of a check that fails and that the student did not argue for; undefined when there is none. */
function notArgued(
  { checks }: Inspection,
  { arguments: args, supportMarks }: Pick<typeof handIns.$inferSelect, 'arguments' | 'supportMarks'>,
): string | undefined {
  const check = checks.find(
    ({ id, verdict }) =>
      verdict === 'fail' &&
      !args.some((each) => each.check === id) &&
      // Where supports stand as the teacher marked it, the teacher is who decides.
      (id !== 'supports' || supportMarks.length === 0),
  );
  return (
    check &&
    say('“{title}” fails: mend that, or say why it has to be so when you hand in again.', {
      title: check.title,
    })
  );
}

/** Hand-ins whose inspection nobody has begun, or began and lost, so long ago that the job for it must be gone. */
export async function forgottenHandIns(db: Database): Promise<string[]> {
  const neverBegun = and(
    isNull(handIns.inspectingSince),
    lt(handIns.createdAt, sql`now() - make_interval(secs => ${FORGOTTEN_AFTER_S})`),
  );
  const forgotten = await db
    .select({ id: handIns.id })
    .from(handIns)
    .where(and(eq(handIns.state, 'checking'), or(neverBegun, isLost)));
  return forgotten.map(({ id }) => id);
}
