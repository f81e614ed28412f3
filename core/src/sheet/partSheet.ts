import type { SolidMesh } from '../mesh/index.ts';
import { say } from '../words/index.ts';
import { drawnPart } from './drawnPart.ts';
import type { Scribe } from './ink.ts';
import { laidOut } from './laidOut.ts';
import type { Figure } from './measured.ts';
import type { Sheet } from './paper.ts';
import type { SectionWish } from './sectionPlane.ts';
import type { Projection, SheetNotes } from './titleBlock.ts';

/** The sheets that can be chosen (ISO 216), longer side first, mm. */
export const papers = { a4: [297, 210], a3: [420, 297] } as const;
export type Paper = keyof typeof papers;

/** The scales of ISO 5455, largest first. */
export const scales = [10, 5, 2, 1, 1 / 2, 1 / 5, 1 / 10] as const;
export type Scale = (typeof scales)[number];

/** How a sheet is wished. */
export interface SheetWish {
  readonly paper: Paper;
  /** The largest that has room where it is left out. */
  readonly scale?: Scale;
  readonly projection: Projection;
  readonly section: SectionWish;
}

/** What a sheet is drawn of. */
export interface SheetPart {
  readonly mesh: SolidMesh;
  /** The steps that write letters, by their place in the recipe: their sides are not measured one by one. */
  readonly writing: ReadonlySet<number>;
  readonly figure: Figure;
  readonly notes: SheetNotes;
}

/** A sheet, or one sentence that says why there is none. */
export type PartSheet =
  | { readonly ok: true; readonly sheet: Sheet; readonly scale: Scale }
  | { readonly ok: false; readonly reason: string };

/** A scale as it is written: "2 : 1". */
export const scaleWords = (scale: Scale) => (scale >= 1 ? `${scale} : 1` : `1 : ${Math.round(1 / scale)}`);

/**
 * Draws a part as a sheet: three views with their measures, a section, a picture from a corner, what the part is called
 * and how it is made.
 *
 * @throws RangeError where the mesh is not closed
 */
export function partSheet(part: SheetPart, wish: SheetWish, scribe: Scribe): PartSheet {
  const { mesh, writing, figure, notes } = part;
  const drawn = drawnPart(mesh, writing, figure, wish);
  const tried = wish.scale === undefined ? scales : [wish.scale];
  const [long, short] = papers[wish.paper];
  for (const scale of tried) {
    for (const size of [
      [long, short],
      [short, long],
    ] as const) {
      const layout = { part: drawn, notes, figure, projection: wish.projection, scale };
      const ink = laidOut({ ...layout, scaleWords: scaleWords(scale) }, size, scribe);
      if (!ink) continue;
      const { lines, texts, fills } = ink;
      const { part: title, author } = notes;
      const sheet = { widthMm: size[0], heightMm: size[1], title, author, lines, texts, fills };
      return { ok: true, sheet, scale };
    }
  }
  return {
    ok: false,
    reason:
      wish.scale === undefined
        ? say('The part is too large for this sheet. Choose a larger one.')
        : say('At {scale} the views do not fit on this sheet. Choose a larger sheet or a smaller scale.', {
            scale: scaleWords(wish.scale),
          }),
  };
}
