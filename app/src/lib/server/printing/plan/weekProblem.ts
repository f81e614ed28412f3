import { and, eq, inArray, isNotNull, isNull } from 'drizzle-orm';
import { nearestColour } from '@kelbrin/core/colours';
import { sharedPlate } from '@kelbrin/core/plate';
import { cannotPrint, materialKey, readySeconds, settingsFor } from '@kelbrin/core/slice';
import {
  CLEAR_S,
  type Kind,
  type PlannedPrinter,
  type WaitingPart,
  type WeekProblem,
} from '@kelbrin/core/weekPlan';
import { firstColour } from '../../../shared/batchColours.ts';
import { isUsable, outcomeKinds } from '../../../shared/outcome.ts';
import { attendedTimes } from '../../../shared/planning.ts';
import { gapOf, plateOf } from '../../../shared/plate.ts';
import { inFairOrder } from '../../../shared/proposal.ts';
import type { PlannedLane } from '../../../shared/weekView.ts';
import type { Database } from '../../platform/db/database.ts';
import {
  ACTIVE_RUN,
  batches,
  batchParts,
  machineSheets,
  printers,
  queueEntries,
  runs,
  spools,
} from '../../platform/db/schema/index.ts';
import { rollsOfPrinters } from '../../printers/loaded.ts';
import { schoolDayOf } from '../../printers/schoolDay.ts';
import { partsOf } from '../batches/batchParts.ts';
import { coloursOfRolls, kindOf, whatWaits } from '../batches/proposals.ts';
import { pinsOf } from './pins.ts';
import { planningOf } from './planning.ts';

/** How far a plan looks ahead, days. */
const DAYS = 21;
/** A plan begins on a full five minutes, so that within them it is the same plan. */
const STEP_MS = 300_000;
/** Outlines never fill a plate: of its area parts take this much in the mean. */
const FILLED = 0.75;
/** Whatever takes longer than this is better begun while somebody is there, seconds. */
const LONG_S = 3 * 3600;

type Waiting = Awaited<ReturnType<typeof whatWaits>>[number];

/** What a week is planned from, with the parts and printers as they are shown. */
export interface Week {
  readonly problem: WeekProblem;
  readonly waiting: ReadonlyMap<string, Waiting>;
  readonly lanes: readonly PlannedLane[];
}

/** What waits, the printers with what they are at, and when somebody is there. */
export async function weekOf(db: Database, now: Date): Promise<Week> {
  const [day, planning, rows, rolls, used, failed, pinned] = await Promise.all([
    schoolDayOf(db),
    planningOf(db),
    whatWaits(db),
    coloursOfRolls(db),
    lanesOf(db),
    failedFiles(db),
    pinsOf(db, now),
  ]);
  const nowMs = Math.ceil(now.getTime() / STEP_MS) * STEP_MS;
  const waiting = inFairOrder(rows);
  const kinds = new Map<string, Kind & { readonly example: Waiting }>();
  for (const part of waiting) {
    const id = kindOf(part);
    if (kinds.has(id)) continue;
    const wished = firstColour(part.colours);
    const material = materialKey(part.limits.material);
    const readyS = readySeconds(settingsFor(part.limits));
    // If the school has no roll of a colour, any will do in the end.
    kinds.set(id, { id, material, colour: rolls.has(wished) ? wished : undefined, readyS, example: part });
  }
  const materials = new Set(used.shelf.map((material) => materialKey(material)));
  const plannedPrinters = used.printers.map(({ printer, loaded, sheet, busyS }): PlannedPrinter => {
    const possible = [...kinds.values()].filter(
      ({ material, example }) =>
        materials.has(material) && !(sheet && cannotPrint(sheet, settingsFor(example.limits))),
    );
    const areas = possible.map(({ example }) => {
      const whole = plateOf(example.limits);
      const { widthMm, depthMm, edgeMm } = sheet ? sharedPlate(whole, sheet) : whole;
      return (widthMm - 2 * edgeMm) * (depthMm - 2 * edgeMm) * FILLED;
    });
    return {
      id: printer.id,
      areaMm2: Math.min(...areas, Number.MAX_SAFE_INTEGER),
      loaded: loaded.map(({ material, colour }) => ({
        material: materialKey(material),
        colour: nearestColour(colour),
      })),
      freeMs: nowMs + busyS * 1000,
      kinds: possible.map(({ id }) => id),
    };
  });
  const parts = waiting.map((part): WaitingPart => ({
    id: part.id,
    student: part.student,
    brief: part.briefId,
    dueMs: part.dueOn === null ? undefined : new Date(`${part.dueOn}T23:59`).getTime(),
    kind: kindOf(part),
    seconds: Math.max(1, part.seconds - kinds.get(kindOf(part))!.readyS),
    grams: part.grams,
    areaMm2: areaOf(part),
    isRisky: failed.has(part.fileId) || part.seconds > LONG_S,
  }));
  const ids = new Set(parts.map(({ id }) => id));
  return {
    problem: {
      nowMs,
      parts,
      kinds: [...kinds.values()].map(({ id, material, colour, readyS }) => ({
        id,
        material,
        colour,
        readyS,
      })),
      printers: plannedPrinters,
      attended: attendedTimes(day, planning, new Date(nowMs), DAYS),
      // A part that is held, or in doubt, is in no plan.
      pinned: pinned
        .map((pin) => ({ ...pin, parts: pin.parts.filter((id) => ids.has(id)) }))
        .filter(
          (pin) => pin.parts.length > 0 && used.printers.some(({ printer }) => printer.id === pin.printer),
        ),
    },
    waiting: new Map(waiting.map((part) => [part.id, part])),
    lanes: used.printers.map(({ printer, loaded, busyS, numbers }) => ({
      id: printer.id,
      name: printer.name,
      rolls: loaded.map(({ material, colour }) => ({ material, colour })),
      busy: busyS > 0 ? { untilMs: nowMs + busyS * 1000, batches: numbers } : undefined,
    })),
  };
}

/** The room that a part takes on a plate, as the box around it with the gap to the next one, mm². */
function areaOf({ footprint }: Waiting): number {
  const [xs, ys] = [0, 1].map((axis) => footprint.flatMap((ring) => ring.map((point) => point[axis])));
  const gap = gapOf({});
  return (Math.max(...xs) - Math.min(...xs) + gap) * (Math.max(...ys) - Math.min(...ys) + gap);
}

/** The printers in use, with how long what runs and what is laid for them keeps them busy, and the materials there are. */
async function lanesOf(db: Database) {
  const [all, rollsOf, running, laid, rolls] = await Promise.all([
    db
      .select({ printer: printers, sheet: machineSheets.sheet })
      .from(printers)
      .leftJoin(machineSheets, eq(machineSheets.id, printers.sheetId))
      .where(isNull(printers.retiredAt))
      .orderBy(printers.name),
    rollsOfPrinters(db),
    db
      .select({
        printerId: runs.printerId,
        number: batches.number,
        estimateS: runs.estimateS,
        progress: runs.progress,
      })
      .from(runs)
      .innerJoin(batches, eq(batches.id, runs.batchId))
      .where(inArray(runs.state, ACTIVE_RUN)),
    db
      .selectDistinct({
        id: batches.id,
        number: batches.number,
        printerId: batches.plannedFor,
        estimate: batches.estimate,
      })
      .from(batches)
      .innerJoin(batchParts, and(eq(batchParts.batchId, batches.id), batchParts.isCurrent))
      .where(and(eq(batches.state, 'laid'), isNotNull(batches.plannedFor))),
    db.select({ material: spools.material }).from(spools).where(isNull(spools.goneAt)),
  ]);
  const parts = await partsOf(
    db,
    laid.filter(({ estimate }) => !estimate).map(({ id }) => id),
  );
  const secondsOf = ({ id, estimate }: (typeof laid)[number]) =>
    estimate?.seconds ??
    parts.filter(({ batchId }) => batchId === id).reduce((sum, part) => sum + part.estimate.seconds, 0);
  return {
    shelf: rolls.map(({ material }) => material),
    printers: all.map((each) => {
      const run = running.find(({ printerId }) => printerId === each.printer.id);
      const next = laid.filter(({ printerId }) => printerId === each.printer.id);
      return {
        ...each,
        loaded: rollsOf.get(each.printer.id) ?? [],
        busyS:
          (run ? run.estimateS * (1 - run.progress) + CLEAR_S : 0) +
          next.reduce((sum, batch) => sum + secondsOf(batch) + CLEAR_S, 0),
        numbers: [...(run ? [run.number] : []), ...next.map(({ number }) => number)],
      };
    }),
  };
}

const failures = outcomeKinds.filter((kind) => !isUsable(kind));

/** The files of which a print failed. */
async function failedFiles(db: Database): Promise<ReadonlySet<string>> {
  const rows = await db
    .selectDistinct({ id: queueEntries.printFileId })
    .from(batchParts)
    .innerJoin(queueEntries, eq(queueEntries.id, batchParts.queueEntryId))
    .where(inArray(batchParts.outcome, failures));
  return new Set(rows.map(({ id }) => id));
}
