import { writeSheetPdf, writeSheetSvg } from '@kelbrin/core/format';
import { cutsFor, cutsOfFont, DRAWING_FONT } from '@kelbrin/core/letters';
import type { SolidMesh } from '@kelbrin/core/mesh';
import type { PartOrigin, Recipe } from '@kelbrin/core/recipe';
import { partSheet, recipeSheet, type Sheet, type SheetNotes } from '@kelbrin/core/sheet';
import { drawingScribe } from '@kelbrin/core/solid';
import { fetchCuts, fonts } from './material';
import type { ExportedFile, ExportWish } from './messages';
import { exportTexts as say } from '$lib/texts/export';

/** A part as a drawing sheet, with its picture; one sentence where it cannot be drawn. */
export async function sheetFile(
  part: { readonly mesh: SolidMesh; readonly origin: PartOrigin; readonly recipe: Recipe },
  { format, sheet: wish }: ExportWish,
): Promise<ExportedFile> {
  const refused = (reason: string): ExportedFile => ({
    bytes: new Uint8Array(),
    triangles: 0,
    refused: reason,
  });
  if (!wish) throw new Error('A drawing sheet needs to know how it is laid out');
  const drawn = recipeSheet(part.recipe, part, wish);
  const cuts = [...cutsOfFont[DRAWING_FONT], ...cutsFor(wordsOf(drawn.notes), DRAWING_FONT)];
  if (!(await fetchCuts([...new Set(cuts)]))) return refused(say.noLetters);
  const made = partSheet(
    drawn,
    wish,
    drawingScribe((name) => fonts.get(name)),
  );
  if (!made.ok) return refused(made.reason);
  const picture = writeSheetSvg(made.sheet);
  const bytes = format === 'sheet-pdf' ? await pdfOf(made.sheet) : new TextEncoder().encode(picture);
  if (!bytes) return refused(say.noPdf);
  return { bytes: bytes as Uint8Array<ArrayBuffer>, triangles: 0, picture };
}

/** A sheet as PDF; undefined where what writes it cannot be fetched, which browsers tell by this error. */
async function pdfOf(sheet: Sheet): Promise<Uint8Array | undefined> {
  try {
    return await writeSheetPdf(sheet, new Date());
  } catch (error) {
    if (error instanceof TypeError) return undefined;
    throw error;
  }
}

/** What people wrote that stands on a sheet, in whatever script. */
function wordsOf({ part, project, author, date, colours, sentences, measures }: SheetNotes): string {
  const names = colours.map(({ name }) => name);
  return [part, project, author, date, ...names, ...sentences, ...measures].join('\n');
}
