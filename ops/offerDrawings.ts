import type { OfferDrawing } from '../core/src/document/offerDrawings.ts';

/** Where the drawings of what steps do are kept, so that they are there as soon as steps are offered. */
export const drawingsFile = 'app/src/lib/bench/recipe/offers/drawings.json';

/** The file of drawings, one to a line. */
export function drawingsText(drawings: Readonly<Record<string, OfferDrawing>>): string {
  const lines = Object.entries(drawings).map(
    ([id, drawing]) => `  ${JSON.stringify(id)}: ${JSON.stringify(drawing)}`,
  );
  return `{\n${lines.join(',\n')}\n}\n`;
}
