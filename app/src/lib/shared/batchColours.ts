import { colourAt, coloursTogether, type ColourBands, type ColoursTogether } from '@kelbrin/core/colours';
import type { PrintChoice } from '@kelbrin/core/slice';

/** What is known of the colours of a part of a batch. */
export interface PartInBatch {
  readonly colours: ColourBands;
  /** The size that it was designed with; null for a part that was inspected before that was kept. */
  readonly designedMm: readonly number[] | null;
}

/** The colours that the parts of a batch are printed in together. */
export function coloursOfBatch(parts: readonly PartInBatch[]): ColoursTogether {
  return coloursTogether(
    parts.map(({ colours, designedMm }) => ({ colours, topMm: designedMm?.[2] ?? Infinity })),
  );
}

/**
 * How a batch is printed: as somebody chose, stopping for the colours of its parts where nobody chose other heights. Where it
 * stops at a height, its parts grow together.
 */
export function choiceWithColours(choice: PrintChoice, { changesMm }: ColoursTogether): PrintChoice {
  const { isOneByOne: _, ...together } = choice;
  const colourChangesMm = choice.colourChangesMm ?? [...changesMm];
  return colourChangesMm.length === 0 ? choice : { ...together, colourChangesMm };
}

/** What parts have in common that no colours keep apart: the same colours from the same heights, or none said. */
export function colourKeyOf(colours: ColourBands): string {
  return JSON.stringify(colours.map(({ fromMm, colour }) => [Math.round(fromMm * 1000), colour]));
}

/** The colour that is loaded before a part is begun; undefined where any will do. */
export function firstColour(colours: ColourBands) {
  return colourAt(colours, 0);
}
