import * as z from 'zod';
import { nearestColour, type FilamentColour } from '@kelbrin/core/colours';

/** Where each colour of a run comes from, from below: a place on the printer, and the roll that is there; null once it is off. */
export const rolls = z.array(
  z.strictObject({ place: z.number().int().min(0).max(7), spoolId: z.uuid().nullable() }),
);
export type Rolls = z.infer<typeof rolls>;

/** The places that the colours of a run come from; none where a person changes the filament. */
export function placesOf(of: Rolls | null): number[] {
  return (of ?? []).map(({ place }) => place);
}

/** A roll at a place of a printer. */
export interface LoadedRoll {
  readonly place: number;
  readonly colour: string;
}

/**
 * The place that each colour is best taken from: where a roll is of that colour, or else the place of the colour before, so
 * that somebody changes the roll there. Empty where nothing is loaded.
 *
 * @param colours from below; undefined where any will do
 */
export function placesFor(
  colours: readonly (FilamentColour | undefined)[],
  loaded: readonly LoadedRoll[],
): number[] {
  let last = loaded.at(0)?.place;
  if (last === undefined) return [];
  return colours.map((colour) => {
    const own = colour && loaded.find((roll) => nearestColour(roll.colour) === colour);
    return (last = own?.place ?? last!);
  });
}

/** What a print needs of filament: of all, and of each colour from below; left out as far as it is not known. */
export interface FilamentNeeds {
  readonly grams?: number;
  readonly colourGrams?: readonly number[];
}

/**
 * How much each place gives, in the order in which they are needed first. Where it is not known how much each colour takes,
 * the first place is asked for all.
 *
 * @param places one for each colour
 */
export function gramsByPlace(
  places: readonly number[],
  { grams, colourGrams }: FilamentNeeds,
): Map<number, number | undefined> {
  const isKnown = colourGrams?.length === places.length;
  const needs = new Map<number, number | undefined>();
  for (const [colour, place] of places.entries()) {
    if (isKnown) needs.set(place, (needs.get(place) ?? 0) + colourGrams[colour]);
    else needs.set(place, place === places[0] ? grams : undefined);
  }
  return needs;
}
