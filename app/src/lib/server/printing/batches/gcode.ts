import { eq, inArray } from 'drizzle-orm';
import type { FilamentColour } from '@kelbrin/core/colours';
import { cannotPrint, settingsOf, type Estimate } from '@kelbrin/core/slice';
import { say } from '@kelbrin/core/words';
import { choiceWithColours, coloursOfBatch } from '../../../shared/batchColours.ts';
import { heldByOf } from '../../../shared/heldBy.ts';
import { NotAllowed } from '../../platform/auth/access.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import { log } from '../../platform/basics/log.ts';
import { compute } from '../../platform/compute/compute.ts';
import { TaskFailure } from '../../platform/compute/taskFailure.ts';
import type { Database } from '../../platform/db/database.ts';
import { batches, printFiles } from '../../platform/db/schema/index.ts';
import { sha256 } from '../../platform/basics/sha256.ts';
import { sheetOfPrinter } from '../../printers/machineSheets.ts';
import { partsOf, type BatchPart } from './batchParts.ts';

/**
 * The G-code of a batch as it is laid, for a printer by the sheet of its model if that is named, and what it takes, which is
 * noted on the batch. It names the print files, with their hashes and whose they are.
 *
 * Throws {@link CannotNow} when it cannot be sliced or not be printed there, and when a file is not the one that was approved: nothing else is
 * ever printed.
 */
export async function gcodeOfBatch(
  db: Database,
  batchId: string,
  printerId?: string | null,
): Promise<{ gcode: string; estimate: Estimate }> {
  const [batch] = await db.select().from(batches).where(eq(batches.id, batchId));
  if (!batch) throw new NotAllowed();
  const all = await partsOf(db, [batchId]);
  const current = all.filter(({ isCurrent }) => isCurrent);
  // Of a batch that is printed, the parts are those that were on it.
  const parts = current.length > 0 ? current : all;
  const files = await filesOf(db, parts);
  const colours = coloursOfBatch(parts);
  const choice = choiceWithColours(batch.choice, colours);
  const known = printerId ? await sheetOfPrinter(db, printerId) : undefined;
  const { limits } = parts[0];
  const refusal = known && cannotPrint(known.sheet, settingsOf(limits, choice));
  if (refusal !== undefined) throw new CannotNow(refusal);
  const slicing = compute().run<'batch'>({
    kind: 'batch',
    files,
    // What was approved with supports is printed with them, and nothing else is.
    parts: parts.map((part) => ({
      hash: part.hash,
      xMm: part.xMm,
      yMm: part.yMm,
      turnDeg: part.turnDeg,
      heldBy: heldByOf(part),
    })),
    limits,
    choice,
    on: known && { ...known, batch: say('Batch {number}', { number: batch.number }) },
    notes: [
      `Kelbrin, batch ${batch.number}`,
      ...parts.map(({ name, student, hash }) => `${name}, for ${student}, print file ${hash}`),
      ...filamentNotes(colours.filaments, choice.colourChangesMm ?? []),
      `settings ${JSON.stringify(choice)}`,
    ],
  });
  const sliced = await slicing.catch((problem: unknown) => {
    // What went wrong in the program is for who looks after it, and not for who prints.
    if (!(problem instanceof TaskFailure)) log.error({ err: problem, batch: batchId }, 'Slicing a batch');
    const why = problem instanceof TaskFailure ? ` ${problem.message}` : '';
    throw new CannotNow(
      'The batch could not be sliced.{why} Arrange it again, or print its parts one by one.',
      { why },
    );
  });
  if (!sliced.ok) throw new CannotNow(sliced.problem);
  const { gcode, estimate } = sliced;
  await db.update(batches).set({ estimate }).where(eq(batches.id, batchId));
  return { gcode, estimate };
}

/** Which filament is loaded when, for whoever reads the file. */
function filamentNotes(
  filaments: readonly (FilamentColour | undefined)[],
  changesMm: readonly number[],
): string[] {
  return filaments.flatMap((colour, i) => {
    if (!colour) return [];
    return i === 0 ? `begins in ${colour}` : `from ${changesMm[i - 1] ?? '?'} mm up in ${colour}`;
  });
}

/** The print files of parts by their hashes, each checked against its hash. */
async function filesOf(db: Database, parts: readonly BatchPart[]): Promise<Map<string, Uint8Array>> {
  const rows = await db
    .select({ hash: printFiles.hash, threeMf: printFiles.threeMf })
    .from(printFiles)
    .where(
      inArray(
        printFiles.id,
        parts.map(({ fileId }) => fileId),
      ),
    );
  for (const { hash, threeMf } of rows) {
    if (sha256(threeMf) !== hash) {
      throw new CannotNow(
        'The print file is not the one that was approved, so it is not printed. Send the hand-in back; the student hands it in again.',
      );
    }
  }
  return new Map(rows.map(({ hash, threeMf }) => [hash, threeMf]));
}
