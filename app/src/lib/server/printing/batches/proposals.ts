import { and, asc, eq, inArray, isNull, notInArray } from 'drizzle-orm';
import { nearestColour, type ColourBands, type FilamentColour } from '@kelbrin/core/colours';
import type { LimitsCard } from '@kelbrin/core/inspect';
import { cannotPrint, readySeconds, sameMaterial, settingsFor } from '@kelbrin/core/slice';
import { colourKeyOf, firstColour } from '../../../shared/batchColours.ts';
import { printKeyOf } from '../../../shared/plate.ts';
import { inFairOrder, partsWithin } from '../../../shared/proposal.ts';
import { nextBell, nextMorning } from '../../../shared/schoolDay.ts';
import { demandRole, type Person } from '../../platform/auth/access.ts';
import { namesOnProject } from '../../platform/auth/team.ts';
import { entriesWithOwner } from '../../platform/auth/withOwner.ts';
import type { Database } from '../../platform/db/database.ts';
import {
  ACTIVE_RUN,
  briefs,
  classes,
  fieldOf,
  filamentChanges,
  handIns,
  machineSheets,
  printers,
  printFiles,
  queueEntries,
  runs,
  spools,
} from '../../platform/db/schema/index.ts';
import { rollsOfPrinters } from '../../printers/loaded.ts';
import { schoolDayOf } from '../../printers/schoolDay.ts';
import { layOut } from './layOut.ts';

/** More parts than this no plate holds that are worth printing. */
const MOST_PARTS = 40;
/** What each start costs a person: clearing the plate, wiping it, watching the first layer. */
const START_S = 300;

/** A batch that could be started now. */
export interface Proposal {
  readonly printer: { readonly id: string; readonly name: string; readonly colour: string };
  readonly parts: readonly { readonly id: string; readonly student: string }[];
  readonly seconds: number;
  readonly grams: number;
  /** Until when it is to be done: the next bell, or the next morning for what takes longer. */
  readonly until: Date;
  readonly isOvernight: boolean;
  /** What printing one by one would take longer, of the printer's time and somebody's. */
  readonly savesSeconds: number;
}

/**
 * Proposes a batch for each printer that is free: of what waits and is of the material that is on it, what is due first,
 * one part of each student before seconds, as many as have room and are done before the next bell, all in the same
 * colours, and in the colour that is loaded. When nothing can be
 * done by then, the batch runs overnight.
 */
export async function proposeBatches(db: Database, person: Person, now = new Date()): Promise<Proposal[]> {
  demandRole(person, 'teacher', 'helper');
  const [day, free, loaded, waiting, rolls] = await Promise.all([
    schoolDayOf(db),
    freePrinters(db),
    rollsOfPrinters(db),
    whatWaits(db),
    coloursOfRolls(db),
  ]);
  const bell = nextBell(day, now);
  const morning = nextMorning(day, now);
  const proposals: Proposal[] = [];
  const taken = new Set<string>();
  for (const { printer, sheet } of free) {
    const onPrinter = loaded.get(printer.id) ?? [];
    const ofMaterial = inFairOrder(
      waiting.filter(
        ({ id, limits }) =>
          !taken.has(id) &&
          onPrinter.some(({ material }) => sameMaterial(limits.material, material)) &&
          !(sheet && cannotPrint(sheet, settingsFor(limits))),
      ),
    );
    // What is wished in another colour waits for the printer that has it; if the school has none, any will do in the end.
    const wishOf = (part: (typeof ofMaterial)[number]) => firstColour(part.colours);
    const rollFor = ({ limits }: (typeof ofMaterial)[number], wish: FilamentColour | undefined) =>
      onPrinter.find(
        ({ material, colour }) =>
          sameMaterial(limits.material, material) && (wish === undefined || nearestColour(colour) === wish),
      );
    const first =
      ofMaterial.find((part) => rollFor(part, wishOf(part))) ??
      ofMaterial.find((part) => !rolls.has(wishOf(part)));
    const spool = first && (rollFor(first, wishOf(first)) ?? rollFor(first, undefined));
    if (!spool) continue;
    const kind = kindOf(first);
    const candidates = ofMaterial.filter((part) => kindOf(part) === kind);
    const within = (until: Date) =>
      partsWithin(
        candidates,
        { seconds: (until.getTime() - now.getTime()) / 1000, grams: spool.gramsLeft },
        MOST_PARTS,
      );
    const byBell = bell ? within(bell) : [];
    const isOvernight = byBell.length === 0;
    const wanted = isOvernight ? within(morning) : byBell;
    if (wanted.length === 0) continue;
    const { placed } = await layOut(wanted, wanted[0].limits, { sheet: sheet ?? undefined });
    const ids = new Set(placed.map(({ id }) => id));
    const parts = wanted.filter(({ id }) => ids.has(id));
    for (const { id } of parts) taken.add(id);
    const alone = parts.reduce((sum, { seconds }) => sum + seconds, 0);
    // Parts on one batch are heated for once.
    const heatings = (parts.length - 1) * readySeconds(settingsFor(wanted[0].limits));
    proposals.push({
      printer: { id: printer.id, name: printer.name, colour: spool.colour },
      parts: parts.map(({ id, student }) => ({ id, student })),
      seconds: alone - heatings,
      grams: parts.reduce((sum, { grams }) => sum + grams, 0),
      until: isOvernight ? morning : bell!,
      isOvernight,
      savesSeconds: heatings + (parts.length - 1) * START_S,
    });
  }
  return proposals;
}

/** What parts have in common that can be printed together. */
export function kindOf({ limits, colours }: { limits: LimitsCard; colours: ColourBands }): string {
  return `${printKeyOf(limits)} ${colourKeyOf(colours)}`;
}

/** The printers that answer and print nothing. */
function freePrinters(db: Database) {
  const busy = db.select({ id: runs.printerId }).from(runs).where(inArray(runs.state, ACTIVE_RUN));
  const changing = db.select({ id: filamentChanges.printerId }).from(filamentChanges);
  return db
    .select({ printer: printers, sheet: machineSheets.sheet })
    .from(printers)
    .leftJoin(machineSheets, eq(machineSheets.id, printers.sheetId))
    .where(
      and(
        eq(fieldOf(printers.status, 'online'), 'true'),
        notInArray(printers.id, busy),
        notInArray(printers.id, changing),
      ),
    )
    .orderBy(asc(printers.name));
}

/** The colours in which the school has filament. */
export async function coloursOfRolls(db: Database): Promise<ReadonlySet<FilamentColour | undefined>> {
  const rolls = await db.select({ colour: spools.colour }).from(spools).where(isNull(spools.goneAt));
  return new Set(rolls.map(({ colour }) => nearestColour(colour)));
}

/** What waits and may be printed. */
export async function whatWaits(db: Database) {
  const rows = await entriesWithOwner(db, {
    id: queueEntries.id,
    fileId: printFiles.id,
    brief: briefs.title,
    briefId: briefs.id,
    className: classes.name,
    footprint: printFiles.footprint,
    colours: printFiles.colours,
    estimate: printFiles.estimate,
    handInId: handIns.id,
    limits: handIns.limits,
    student: namesOnProject,
    dueOn: briefs.dueOn,
    handOrder: queueEntries.handOrder,
  })
    .where(and(eq(queueEntries.state, 'waiting'), isNull(queueEntries.heldAt), isNull(handIns.doubt)))
    .orderBy(asc(queueEntries.position));
  return rows.map(({ estimate, ...row }) => ({ ...row, seconds: estimate.seconds, grams: estimate.grams }));
}
