import { and, eq, inArray, isNull } from 'drizzle-orm';
import { demandRole, isId, NotAllowed, type Person } from '../../platform/auth/access.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import { ACTIVE_RUN, printers, runs, spools } from '../../platform/db/schema/index.ts';
import { needsOf } from '../../printers/materials.ts';
import { rollAt } from '../../printers/loaded.ts';
import { demandPlace } from '../../printers/spools.ts';
import { demandConnected, demandOnline, usedPrinter } from '../../printers/usedPrinter.ts';
import { moveChange, newChange, type ChangeMove } from './lifecycle.ts';

/** What somebody says at the printer, after which it does the next thing. */
const turns = ['drawOut', 'nothingIn', 'pushIn', 'more'] as const satisfies readonly ChangeMove[];
export type Turn = (typeof turns)[number];

/** Reasons for which a run stands still that a change of filament can put right. */
const CHANGEABLE = ['filament', 'runout', 'user'] as const;

/**
 * Begins to put a roll on a printer, at one of its places: its nozzle is heated for what is in it and for what comes. The
 * printer must be free, or its run stand still for filament.
 */
export async function beginChange(
  db: Database,
  person: Person,
  printerId: string,
  spoolId: string,
  place = 0,
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
    demandConnected(printer);
    demandOnline(printer);
    const [run] = await tx
      .select()
      .from(runs)
      .where(and(eq(runs.printerId, printer.id), inArray(runs.state, ACTIVE_RUN)));
    if (run && !CHANGEABLE.some((reason) => reason === run.pausedFor))
      throw new CannotNow('{name} is printing: let it pause first.', { name: printer.name });
    await demandPlace(tx, printer, place);
    if (spool.printerId && (spool.printerId !== printer.id || spool.place !== place)) {
      const [{ name }] = await tx.select().from(printers).where(eq(printers.id, spool.printerId));
      throw new CannotNow('Spool {number} is on {name}: take it off there first.', {
        number: spool.number,
        name,
      });
    }
    const old = (await rollAt(tx, printer.id, place)) ?? spool;
    const isBegun = await newChange(tx, person, {
      printerId: printer.id,
      place,
      spoolId: spool.id,
      nozzleC: Math.max(
        ...(await Promise.all([old, spool].map(({ material }) => needsOf(tx, material)))).map(
          ({ nozzleC }) => nozzleC,
        ),
      ),
    });
    if (!isBegun)
      throw new CannotNow(
        'The filament of {name} is being changed already: finish that in the print room, or stop it there.',
        { name: printer.name },
      );
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
  const move = turns.find((each) => each === turn);
  if (!move) throw new NotAllowed();
  await stepOn(db, move, person, printerId);
}

/** Ends a change once the colour runs clean: the roll is on the printer. */
export async function endChange(db: Database, person: Person, printerId: string): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await stepOn(db, 'end', person, printerId);
}

/** Gives a change up, wherever it stands; the nozzle cools. */
export async function giveChangeUp(db: Database, person: Person, printerId: string): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await stepOn(db, 'giveUp', person, printerId);
}

/** Brings a change on; throws where it stands at another step by now, or where there is none. */
async function stepOn(db: Database, move: ChangeMove, person: Person, printerId: string): Promise<void> {
  await db.transaction(async (tx) => {
    const printer = await usedPrinter(tx, printerId);
    if (!(await moveChange(tx, move, person, printer.id)))
      throw new CannotNow('The change of filament is at another step by now: load the page again.');
  });
}
