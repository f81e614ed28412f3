import { and, eq, inArray, type SQL } from 'drizzle-orm';
import type { Database } from '../../platform/db/database.ts';
import { briefs, projects, shares, versions } from '../../platform/db/schema/index.ts';
import { demandMover, follow, lifecycle, type Moved, type Mover } from '../../platform/lifecycle.ts';

/** A link to a version, which whoever has it may look at. */
export const shareLife = lifecycle({
  thing: 'link to a version',
  states: { open: 'It shows its version until its time is over.' },
  moves: {
    share: {
      from: [],
      to: 'open',
      by: ['student'],
      when: 'the project is theirs and has fewer than twenty links',
      recorded: 'share',
    },
    unshare: { from: ['open'], to: 'gone', by: ['student'], recorded: 'unshare' },
    revoke: { from: ['open'], to: 'gone', by: ['teacher'], recorded: 'revoke-share', announced: ['class'] },
    endWithStudent: {
      from: ['open'],
      to: 'gone',
      by: ['teacher'],
      when: 'somebody who works on the project is archived or deleted',
    },
  },
});

/** Makes a link to a version. */
export async function newShare(
  tx: Database,
  mover: Mover,
  values: typeof shares.$inferInsert,
): Promise<void> {
  const move = shareLife.moves.share;
  demandMover(move, mover);
  const made = await tx.insert(shares).values(values).returning({ versionId: shares.versionId });
  await follow(tx, move, mover, await belongings(tx, made));
}

/** Ends links; returns how many there were. */
export async function endShares(
  tx: Database,
  name: Exclude<keyof typeof shareLife.moves, 'share'>,
  mover: Mover,
  which: SQL | undefined,
): Promise<number> {
  const move = shareLife.moves[name];
  demandMover(move, mover);
  const gone = await tx.delete(shares).where(and(which)).returning({ versionId: shares.versionId });
  await follow(tx, move, mover, await belongings(tx, gone));
  return gone.length;
}

/** The projects that links are to, which is what the log names of them. */
async function belongings(tx: Database, of: readonly { readonly versionId: string }[]): Promise<Moved[]> {
  if (of.length === 0) return [];
  return tx
    .selectDistinct({ id: projects.id, classId: briefs.classId })
    .from(versions)
    .innerJoin(projects, eq(projects.id, versions.projectId))
    .innerJoin(briefs, eq(briefs.id, projects.briefId))
    .where(
      inArray(
        versions.id,
        of.map(({ versionId }) => versionId),
      ),
    );
}
