import * as z from 'zod';
import { filamentColour, type FilamentColour } from './filamentColour.ts';

/** As many colours as one part can have: each but the first stops the print once. */
export const MOST_COLOURS = 5;

/** From which height on a part is of a colour, up to the next band. */
export const colourBand = z.strictObject({ fromMm: z.number(), colour: filamentColour });
export type ColourBand = Readonly<z.infer<typeof colourBand>>;

/** The colours of a part from its foot up, the first from 0; none for a part that may be of any one colour. */
export const colourBands = z.array(colourBand).max(MOST_COLOURS).readonly();
export type ColourBands = z.infer<typeof colourBands>;

/** Heights that differ by less are the same, mm. */
export const SAME_HEIGHT_MM = 0.001;

/** A level face at the height at which the colour changes is the top of what is below: so much higher the next begins, mm. */
export const LEVEL_MM = 0.01;

/** The colour of a part at a height; undefined where any will do. */
export function colourAt(bands: ColourBands, zMm: number): FilamentColour | undefined {
  return bands.findLast(({ fromMm }) => fromMm <= zMm + SAME_HEIGHT_MM)?.colour;
}

/** The heights at which the colour changes, from below. */
export function changesIn(bands: ColourBands): number[] {
  return bands.slice(1).map(({ fromMm }) => fromMm);
}
