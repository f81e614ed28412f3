import { said, say } from '../words/index.ts';
import { circlePoints, moved, type Point } from '../plane/index.ts';
import { Ink, type Rect, type Scribe } from './ink.ts';

/** How views are put beside each other (ISO 5456-2): what is seen from the left stands to the right, or to the left. */
export type Projection = 'first' | 'third';

/** What a sheet says of its part. */
export interface SheetNotes {
  /** What the part is called. */
  readonly part: string;
  readonly project: string;
  readonly author: string;
  readonly date: string;
  /** In which colours it is wished, from the plate up. */
  readonly colours: readonly { readonly name: string; readonly hex: string }[];
  /** The sentences of its recipe. */
  readonly sentences: readonly string[];
  /** Its named measures, as they are written. */
  readonly measures: readonly string[];
}

export const TITLE_WIDTH_MM = 150;
export const TITLE_HEIGHT_MM = 31;
const LABEL_MM = 1.8;
const LEAST_CAP_MM = 1.8;

const labels = said({
  project: 'Project',
  part: 'Part',
  author: 'Drawn by',
  date: 'Date',
  colours: 'Filament',
  scale: 'Scale',
  sizes: 'Sizes in mm',
} as const);

/** The title block of a sheet (after ISO 7200): its lower left corner is the origin. */
export function titleBlock(scribe: Scribe, notes: SheetNotes, scale: string, projection: Projection): Ink {
  const ink = new Ink(scribe);
  const cell = (rect: Rect, label: string, value: string, capMm = 3) => {
    ink.rectangle('thin', rect);
    ink.text(label, [rect.x + 1.5, rect.y + rect.height - LABEL_MM - 1.2], { capMm: LABEL_MM });
    const { words, capMm: fitted } = fitting(ink, value, rect.width - 3, capMm);
    ink.text(words, [rect.x + 1.5, rect.y + 1.6], { capMm: fitted });
  };
  cell({ x: 0, y: 19, width: 65, height: 12 }, labels.project, notes.project, 3.5);
  cell({ x: 65, y: 19, width: 85, height: 12 }, labels.part, notes.part, 5);
  cell({ x: 0, y: 9.5, width: 65, height: 9.5 }, labels.author, notes.author);
  cell({ x: 65, y: 9.5, width: 35, height: 9.5 }, labels.date, notes.date);
  cell({ x: 100, y: 9.5, width: 50, height: 9.5 }, labels.colours, '');
  drawColours(ink, notes, { x: 100, y: 9.5, width: 50, height: 9.5 });
  cell({ x: 0, y: 0, width: 30, height: 9.5 }, labels.scale, scale);
  cell({ x: 30, y: 0, width: 35, height: 9.5 }, labels.sizes, '');
  drawProjection(ink, projection, [54.5, 4]);
  ink.rectangle('thin', { x: 65, y: 0, width: 85, height: 9.5 });
  ink.text('Kelbrin', [148, 3], { capMm: 3, align: 'right' });
  ink.rectangle('outline', { x: 0, y: 0, width: TITLE_WIDTH_MM, height: TITLE_HEIGHT_MM });
  return ink;
}

/** Words smaller, and then cut short, until they have room. */
export function fitting(
  ink: Ink,
  words: string,
  roomMm: number,
  capMm: number,
): { words: string; capMm: number } {
  const wide = ink.widthOf(words, capMm);
  if (wide <= roomMm) return { words, capMm };
  const smaller = Math.max(LEAST_CAP_MM, (capMm * roomMm) / wide);
  const letters = [...words];
  let kept = words;
  while (letters.length > 1 && ink.widthOf(kept, smaller) > roomMm) {
    letters.pop();
    kept = `${letters.join('').trimEnd()}…`;
  }
  return { words: kept, capMm: smaller };
}

function drawColours(ink: Ink, { colours }: SheetNotes, { x, y, width }: Rect): void {
  if (colours.length === 0) {
    ink.text(say('any'), [x + 1.5, y + 1.6], { capMm: 3 });
    return;
  }
  let at = x + 1.5;
  const each = (width - 3) / colours.length;
  for (const { name, hex } of colours) {
    const patch: Rect = { x: at, y: y + 1.4, width: 3.2, height: 3.2 };
    ink.fill(
      [
        [
          [patch.x, patch.y],
          [patch.x + patch.width, patch.y],
          [patch.x + patch.width, patch.y + patch.height],
          [patch.x, patch.y + patch.height],
        ],
      ],
      hex,
    );
    ink.rectangle('thin', patch);
    const { words, capMm } = fitting(ink, name, each - 5, 2.5);
    ink.text(words, [at + 4.4, y + 1.8], { capMm });
    at += each;
  }
}

/** The sign of the projection: a blunt cone, from its side and from its narrow end. */
function drawProjection(ink: Ink, projection: Projection, [x, y]: Point): void {
  const [narrow, wide, long] = [1.1, 2.2, 5];
  const side = projection === 'first' ? -5 : 2;
  const end = projection === 'first' ? 5 : -3.5;
  const at = (dx: number, dy: number): Point => [x + side + dx, y + dy];
  ink.line('thin', at(0, -narrow), at(0, narrow), at(long, wide), at(long, -wide), at(0, -narrow));
  ink.line('centre', at(-1.2, 0), at(long + 1.2, 0));
  for (const radius of [narrow, wide]) {
    const [circle] = moved([circlePoints(radius)], x + end, y);
    ink.line('thin', ...circle, circle[0]);
  }
  ink.line('centre', [x + end - wide - 1, y], [x + end + wide + 1, y]);
  ink.line('centre', [x + end, y - wide - 1], [x + end, y + wide + 1]);
}
