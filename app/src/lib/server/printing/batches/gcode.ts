import { eq, inArray } from 'drizzle-orm';
import type { FilamentColour } from '@kelbrin/core/colours';
import {
  cannotPrint,
  settingsOf,
  settingsOn,
  type Estimate,
  type PackedToolpath,
  type PrintSettings,
} from '@kelbrin/core/slice';
import { say } from '@kelbrin/core/words';
import { choiceWithColours, coloursOfBatch } from '../../../shared/batchColours.ts';
import { pieceOf, piecesOf } from '../../../shared/batchPiece.ts';
import { heldByOf } from '../../../shared/heldBy.ts';
import { NotAllowed } from '../../platform/auth/access.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import { log } from '../../platform/basics/log.ts';
import { compute } from '../../platform/compute/compute.ts';
import type { Task } from '../../platform/compute/task.ts';
import { TaskFailure } from '../../platform/compute/taskFailure.ts';
import type { Database } from '../../platform/db/database.ts';
import { batches, printFiles } from '../../platform/db/schema/index.ts';
import { sha256 } from '../../platform/basics/sha256.ts';
import { sheetOfPrinter } from '../../printers/machineSheets.ts';
import { partsOf, type BatchPart } from './batchParts.ts';
import { demandGoodPlaces } from './goodPlaces.ts';
import { inTurns } from './inTurns.ts';

/** So many parts are sliced at a time: what is called off is soon over, and other batches get their turn. */
const AT_A_TIME = 2;

/** How the G-code of a batch is made. */
export interface Making {
  /** The places of the printer that colours come from, one for each; where none are named a person changes the filament. */
  readonly places?: readonly number[];
  /** Called after each part that is sliced, with the share of the work that is done. */
  readonly onProgress?: (share: number) => void;
  /** Calls it off: nothing more is begun, and the promise rejects with the signal's reason. */
  readonly signal?: AbortSignal;
}

/** The G-code of a batch, what it takes, and where in it each layer begins, as shares of its length. */
export interface BatchCode {
  readonly gcode: string;
  readonly estimate: Estimate;
  readonly layerStarts: readonly number[];
}

/**
 * The G-code of a batch as it is laid, for a printer by the sheet of its model if that is named, and what it takes, which is
 * noted on the batch. It names the print files, with their hashes and whose they are. Each part is sliced by itself, in a time
 * of its own, and kept for the next time, so that a batch may be as large as a plate is.
 *
 * Throws {@link CannotNow} when it cannot be sliced or not be printed there, and when a file is not the one that was approved: nothing else is
 * ever printed.
 */
export async function gcodeOfBatch(
  db: Database,
  batchId: string,
  printerId?: string | null,
  { places = [], onProgress, signal }: Making = {},
): Promise<BatchCode> {
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
  const usual = settingsOf(limits, choice);
  const refusal = known && cannotPrint(known.sheet, usual);
  if (refusal !== undefined) throw new CannotNow(refusal);
  // The head of another printer than it was laid for may be larger.
  if (choice.isOneByOne) demandGoodPlaces(parts, choice, known?.sheet.head);
  const onPrinter = (each: PrintSettings) => (known ? settingsOn(known.sheet, each, places) : each);
  // What was approved with supports is printed with them, and nothing else is.
  const laid = parts.map(({ hash, ownChoice, xMm, yMm, turnDeg, ...part }) => {
    const heldBy = heldByOf(part);
    return { hash, ownChoice, piece: pieceOf({ hash, ownChoice, heldBy }), xMm, yMm, turnDeg, heldBy };
  });
  const toSlice = [...piecesOf(laid, choice)].map(
    ([piece, { hash, choice: own, heldBy }]): readonly [string, ToSlice] => [
      piece,
      {
        kind: 'slice',
        files: new Map([[hash, files.get(hash)!]]),
        settings: onPrinter(settingsOf(limits, own)),
        choice: own,
        heldBy,
      },
    ],
  );
  const making = async () => {
    const sliced = await inTurns(toSlice, {
      atATime: AT_A_TIME,
      work: (task): Promise<PackedToolpath> => compute().run<'slice'>(task),
      // Putting them together counts as one more.
      onDone: (done) => onProgress?.(done / (toSlice.length + 1)),
      signal,
    });
    return compute().run<'batch'>({
      kind: 'batch',
      sliced,
      parts: laid,
      settings: onPrinter(usual),
      laidOnMm: usual.plateMm,
      on: known && { ...known, batch: say('Batch {number}', { number: batch.number }) },
      pictured: known?.sheet.dialect.showsThumbnails ? files : undefined,
      notes: [
        `Kelbrin, batch ${batch.number}`,
        ...parts.map(
          ({ name, student, hash, ownChoice }) =>
            `${name}, for ${student}, print file ${hash}${ownChoice ? `, otherwise ${JSON.stringify(ownChoice)}` : ''}`,
        ),
        ...filamentNotes(colours.filaments, choice.colourChangesMm ?? []),
        `settings ${JSON.stringify(choice)}`,
      ],
    });
  };
  const sliced = await making().catch((problem: unknown) => {
    signal?.throwIfAborted();
    // What went wrong in the program is for who looks after it, and not for who prints.
    if (!(problem instanceof TaskFailure)) log.error({ err: problem, batch: batchId }, 'Slicing a batch');
    const why = problem instanceof TaskFailure ? ` ${problem.message}` : '';
    throw new CannotNow(
      'The batch could not be sliced.{why} Arrange it again, or print its parts one by one.',
      { why },
    );
  });
  if (!sliced.ok) throw new CannotNow(sliced.problem);
  signal?.throwIfAborted();
  const { gcode, estimate, layerStarts } = sliced;
  await db.update(batches).set({ estimate }).where(eq(batches.id, batchId));
  return { gcode, estimate, layerStarts };
}

type ToSlice = Extract<Task, { kind: 'slice' }>;

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
