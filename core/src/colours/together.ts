import { changesIn, colourAt, SAME_HEIGHT_MM, type ColourBands } from './band.ts';
import type { FilamentColour } from './filamentColour.ts';

/** A part that is printed with others: its colours, and how high it is. */
export interface ColouredPart {
  readonly colours: ColourBands;
  readonly topMm: number;
}

/** Two parts, by their places, that want different colours at one height, which a printer with one filament cannot do. */
export interface ColourClash {
  readonly parts: readonly [number, number];
  readonly colours: readonly [FilamentColour, FilamentColour];
  readonly atMm: number;
}

/** What parts on one plate are printed in. */
export interface ColoursTogether {
  /** The colours in the order in which they are loaded; undefined for a height at which any will do. */
  readonly filaments: readonly (FilamentColour | undefined)[];
  /** The heights at which the print stops for the next of them. */
  readonly changesMm: readonly number[];
  readonly clash?: ColourClash;
}

/**
 * The colours that parts are printed in together, from the plate up. A part that says no colour takes whatever the others
 * are of. Where two parts want different colours, the first of them has its way, and the clash is told.
 */
export function coloursTogether(parts: readonly ColouredPart[]): ColoursTogether {
  const heights = [0, ...parts.flatMap(({ colours, topMm }) => changesIn(colours).filter((mm) => mm < topMm))]
    .sort((a, b) => a - b)
    .filter((mm, i, all) => i === 0 || mm - all[i - 1] > SAME_HEIGHT_MM);
  const filaments: (FilamentColour | undefined)[] = [];
  const changesMm: number[] = [];
  let clash: ColourClash | undefined;
  for (const atMm of heights) {
    const wishes = parts.flatMap(({ colours, topMm }, at) => {
      const colour = topMm > atMm ? colourAt(colours, atMm) : undefined;
      return colour ? { at, colour } : [];
    });
    const first = wishes[0];
    const other = wishes.find(({ colour }) => colour !== first?.colour);
    if (other && !clash) clash = { parts: [first.at, other.at], colours: [first.colour, other.colour], atMm };
    const last = filaments.at(-1);
    if (filaments.length === 0) filaments.push(first?.colour);
    else if (first && first.colour !== last) {
      if (last === undefined) filaments[filaments.length - 1] = first.colour;
      else {
        filaments.push(first.colour);
        changesMm.push(atMm);
      }
    }
  }
  return { filaments, changesMm, ...(clash && { clash }) };
}
