import { drawPng } from '../picture/index.ts';
import { evaluate, type Workshop } from '../solid/index.ts';
import { starters } from '../starters/index.ts';

const LOOK = { widthPx: 320, heightPx: 200, colour: '#3f8f5f', ground: '#ffffff' };

/** A picture of each example, by its file name, so that none is drawn while somebody chooses. */
export function starterPictures(workshop: Workshop): Map<string, Uint8Array> {
  return new Map(
    starters.map(({ id, recipe }) => {
      const made = evaluate(recipe, workshop);
      if (!made.ok) throw new Error(`${id}: ${made.problem.message}`);
      return [`${id}.png`, drawPng(made.mesh, { ...LOOK, colours: made.origin.colours })];
    }),
  );
}
