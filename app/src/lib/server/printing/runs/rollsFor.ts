import * as z from 'zod';
import { sameMaterial, type PrintChoice } from '@kelbrin/core/slice';
import { choiceWithColours, coloursOfBatch } from '../../../shared/batchColours.ts';
import { gramsByPlace, placesFor, type FilamentNeeds, type Rolls } from '../../../shared/rolls.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import type { printers, spools } from '../../platform/db/schema/index.ts';
import { rollsOn } from '../../printers/loaded.ts';
import { sheetOfPrinter } from '../../printers/machineSheets.ts';
import type { BatchPart } from '../batches/batchParts.ts';

type Spool = typeof spools.$inferSelect;

/** The places of a printer, one for each colour, as a form says them. */
const chosenPlaces = z.array(z.coerce.number().int().min(0).max(7));

/**
 * The rolls that a batch is printed from: the one on the printer, or where that changes between several by itself, one for
 * each colour, from the places that were chosen or that fit best.
 *
 * Throws {@link CannotNow} unless they are known, of the material, and have enough on them.
 */
export async function rollsFor(
  tx: Database,
  { id, name }: Pick<typeof printers.$inferSelect, 'id' | 'name'>,
  parts: readonly BatchPart[],
  choice: PrintChoice,
  needs: FilamentNeeds & { readonly grams: number },
  chosen: unknown,
): Promise<{ spoolId: string; rolls?: Rolls }> {
  const [{ limits }] = parts;
  const loaded = await rollsOn(tx, id);
  const sheet = (await sheetOfPrinter(tx, id))?.sheet;
  if (!sheet || sheet.filaments === 1) {
    demandRoll(loaded.at(0), name, limits.material, needs.grams);
    return { spoolId: loaded[0].id };
  }
  const together = coloursOfBatch(parts);
  const count = (choiceWithColours(choice, together).colourChangesMm?.length ?? 0) + 1;
  const given = chosenPlaces.safeParse(chosen);
  const wished = given.success && given.data.length > 0 ? given.data : undefined;
  if (wished && wished.length !== count)
    throw new CannotNow('Say for each colour which spool on {name} it comes from.', { name });
  const colours = Array.from({ length: count }, (_, colour) => together.filaments[colour]);
  const places =
    wished ??
    placesFor(
      colours,
      loaded.filter(({ material }) => sameMaterial(material, limits.material)),
    );
  const rollAt = (place: number) => loaded.find((roll) => roll.place === place);
  if (places.length === 0) demandRoll(loaded.at(0), name, limits.material, needs.grams);
  for (const [place, grams = 0] of gramsByPlace(places, needs))
    demandRoll(rollAt(place), name, limits.material, grams);
  const taken = places.map(rollAt);
  return {
    spoolId: taken[0]!.id,
    rolls: taken.map((roll, i) => ({ place: places[i], spoolId: roll!.id })),
  };
}

function demandRoll(
  spool: Spool | undefined,
  name: string,
  material: string,
  grams: number,
): asserts spool is Spool {
  if (!spool)
    throw new CannotNow('Kelbrin does not know which spool is on {name}: say so under “Spools”.', { name });
  if (!sameMaterial(spool.material, material))
    throw new CannotNow(
      'This is for {material}, and there is {material2} on {name}: change the filament, or choose another printer.',
      { material, material2: spool.material, name },
    );
  if (spool.gramsLeft < grams)
    throw new CannotNow(
      'This takes {grams} g, and spool {number} on {name} has {gramsLeft} g left: change it, or weigh it.',
      { grams: grams.toFixed(1), number: spool.number, name, gramsLeft: spool.gramsLeft.toFixed(1) },
    );
}
