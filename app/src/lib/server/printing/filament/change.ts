import { and, eq, inArray, isNull } from 'drizzle-orm';
import { materialNamed } from '@kelbrin/core/slice';
import { demandRole, isId, NotAllowed, type Person } from '../../platform/auth/access.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import { ACTIVE_RUN, filamentChanges, printers, runs, spools } from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { demandOnline, usedPrinter } from '../../printers/usedPrinter.ts';

type Change = typeof filamentChanges.$inferSelect;
export type ChangeStep = Change['step'];

/** What somebody does at the printer, at which step, and what the printer is to do then. */
const turns = {
  drawOut: { at: 'hot', then: 'unloading' },
  nothingIn: { at: 'hot', then: 'empty' },
  pushIn: { at: 'empty', then: 'loading' },
  more: { at: 'loaded', then: 'purging' },
} as const satisfies Record<string, { at: ChangeStep; then: ChangeStep }>;
export type Turn = keyof typeof turns;

/** Reasons for which a run stands still that a change of filament can put right. */
const CHANGEABLE = ['filament', 'runout', 'user'] as const;

/**
 * Begins to put a roll on a printer: its nozzle is heated for what is in it and for what comes. The printer must be free,
 * or its run stand still for filament.
 */
export async function beginChange(
  db: Database,
  person: Person,
  printerId: string,
  spoolId: string,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await db.transaction(async (tx) => {
    const printer = await usedPrinter(tx, printerId);
    const [spool] = await tx
      .select()
      .from(spools)
      .where(and(isId(spoolId, spools.id), isNull(spools.goneAt)))
      .for('no key update');
    if (!spool) throw new NotAllowed();
    demandOnline(printer);
    const [run] = await tx
      .select()
      .from(runs)
      .where(and(eq(runs.printerId, printer.id), inArray(runs.state, ACTIVE_RUN)));
    if (run && !CHANGEABLE.some((reason) => reason === run.pausedFor))
      throw new CannotNow(`${printer.name} is printing: let it pause first.`);
    const [elsewhere] = await tx.select().from(printers).where(eq(printers.spoolId, spool.id));
    if (elsewhere && elsewhere.id !== printer.id)
      throw new CannotNow(`Spool ${spool.number} is on ${elsewhere.name}: take it off there first.`);
    const [old] = printer.spoolId
      ? await tx.select().from(spools).where(eq(spools.id, printer.spoolId))
      : [spool];
    const begun = await tx
      .insert(filamentChanges)
      .values({
        printerId: printer.id,
        spoolId: spool.id,
        nozzleC: Math.max(...[old, spool].map(({ material }) => materialNamed(material).nozzleC)),
      })
      .onConflictDoNothing()
      .returning();
    if (begun.length === 0) throw new CannotNow(`The filament of ${printer.name} is being changed already.`);
    await announce(tx, 'printroom', 'orders');
  });
}

/** Has the printer do the next thing, once somebody has done theirs; pressed twice, it is done once. */
export async function turnInChange(
  db: Database,
  person: Person,
  printerId: string,
  turn: string,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  if (!Object.hasOwn(turns, turn)) throw new NotAllowed();
  const { at, then } = turns[turn as Turn];
  await stepOn(db, printerId, [at], then);
  await announce(db, 'orders');
}

/** Ends a change once the colour runs clean: the roll is on the printer. */
export async function endChange(db: Database, person: Person, printerId: string): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await stepOn(db, printerId, ['loaded'], 'cooling');
  await announce(db, 'orders');
}

/** Gives a change up, wherever it stands; the nozzle cools. */
export async function giveChangeUp(db: Database, person: Person, printerId: string): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await stepOn(db, printerId, ['heating', 'hot', 'empty', 'loaded'], 'cooling');
  await announce(db, 'orders');
}

/** Brings a change from one of the given steps to another. */
async function stepOn(
  db: Database,
  printerId: string,
  from: readonly ChangeStep[],
  to: ChangeStep,
): Promise<void> {
  const stepped = await db
    .update(filamentChanges)
    .set({ step: to, steppedAt: new Date() })
    .where(and(isId(printerId, filamentChanges.printerId), inArray(filamentChanges.step, [...from])))
    .returning();
  if (stepped.length === 0) throw new CannotNow('The change of filament is at another step by now.');
  await announce(db, 'printroom');
}
