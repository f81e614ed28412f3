import { lineStyles, NARROW_MM, WIDE_MM, type LineKind, type Sheet } from '../sheet/index.ts';
import type { Point, Region } from '../plane/index.ts';

const INK = '#22302e';
/** A point of PDF is a 72nd of an inch. */
const POINTS_PER_MM = 72 / 25.4;

/**
 * Writes a drawing sheet as a page of PDF at its true size. Words are areas, each with the text that readers read aloud.
 */
export async function writeSheetPdf(sheet: Sheet, at: Date): Promise<Uint8Array> {
  const { widthMm, heightMm, title, author, lines, texts, fills } = sheet;
  // It is large, and most people never ask for a sheet.
  const { default: PDFDocument } = await import('pdfkit');
  const page = new PDFDocument({
    size: [widthMm * POINTS_PER_MM, heightMm * POINTS_PER_MM],
    margin: 0,
    // No letters are set, so no font is loaded.
    font: null as unknown as string,
    info: { Title: title, Author: author, Creator: 'Kelbrin', CreationDate: at },
    displayTitle: true,
    tagged: true,
  });
  const chunks: Uint8Array[] = [];
  const isEnded = new Promise<void>((resolve, reject) => {
    page.on('data', (chunk: Uint8Array) => chunks.push(chunk));
    page.on('end', resolve);
    page.on('error', reject);
  });
  // From millimetres upwards to points downwards.
  page.transform(POINTS_PER_MM, 0, 0, -POINTS_PER_MM, 0, heightMm * POINTS_PER_MM);
  const follow = ([first, ...others]: readonly Point[]) => {
    page.moveTo(first[0], first[1]);
    for (const [x, y] of others) page.lineTo(x, y);
  };
  const areas = (region: Region, colour: string) => {
    for (const outline of region) {
      follow(outline);
      page.closePath();
    }
    if (region.length > 0) page.fill(colour, 'non-zero');
  };
  // Lines say nothing by themselves; words are read in the order in which they stand.
  page.markContent('Artifact');
  page.lineJoin('round');
  for (const kind of Object.keys(lineStyles) as LineKind[]) {
    const { isWide, dashesMm } = lineStyles[kind];
    const own = lines.filter((line) => line.kind === kind);
    if (own.length === 0) continue;
    page.save();
    page.lineWidth(isWide ? WIDE_MM : NARROW_MM).lineCap(dashesMm ? 'butt' : 'round');
    if (dashesMm) page.dash(dashesMm[0], { space: dashesMm[1] });
    for (const { points } of own) follow(points);
    page.stroke(INK);
    page.restore();
  }
  for (const { region, colour = INK } of fills) areas(region, colour);
  page.endMarkedContent();
  const read = page.struct('Document');
  page.addStructure(read);
  for (const { words, region } of texts)
    read.add(page.struct('Span', { actual: words }, () => areas(region, INK)));
  read.end();
  page.end();
  await isEnded;
  return joined(chunks);
}

function joined(chunks: readonly Uint8Array[]): Uint8Array {
  const bytes = new Uint8Array(chunks.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const chunk of chunks) {
    bytes.set(chunk, at);
    at += chunk.length;
  }
  return bytes;
}
