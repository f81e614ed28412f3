import { sizeOf } from '../mesh/index.ts';
import type { Point } from '../plane/index.ts';
import { say } from '../words/index.ts';
import type { DrawnPart, Section } from './drawnPart.ts';
import { APART_MM, FreePlaces } from './freePlaces.ts';
import { hatching } from './hatching.ts';
import { Ink, type Rect, type Scribe } from './ink.ts';
import type { Figure } from './measured.ts';
import { notesBlock } from './notesBlock.ts';
import {
  TITLE_HEIGHT_MM,
  TITLE_WIDTH_MM,
  titleBlock,
  type Projection,
  type SheetNotes,
} from './titleBlock.ts';
import { drawAxes, viewBlock, type ViewBlock } from './viewBlock.ts';
import { axisOf, ontoPaper, viewNames, views } from './views.ts';

/** The border, wider where a sheet is filed (ISO 5457), mm. */
const BORDER_MM = 10;
const FILED_MM = 20;
/** From the border to what is drawn, mm. */
const INSIDE_MM = 4;
const HATCH_MM = 2.2;
/** From a drawing to its name, mm. */
const NAME_MM = 2.5;
/** The picture from a corner may be smaller than the views, and the notes narrower or wider, mm. */
const CORNER_SHARES = [1, 0.7, 0.5, 0.35];
const NOTES_MM = [95, 120, 70, 150, 55];

/** What a sheet is laid out of. */
export interface Layout {
  readonly part: DrawnPart;
  readonly notes: SheetNotes;
  readonly figure: Figure;
  readonly projection: Projection;
  readonly scale: number;
  readonly scaleWords: string;
}

/** A sheet of a size in mm; undefined where its views and its section have no room. */
export function laidOut(
  layout: Layout,
  [width, height]: readonly [number, number],
  scribe: Scribe,
): Ink | undefined {
  const { part, notes, scale } = layout;
  const frame: Rect = {
    x: FILED_MM,
    y: BORDER_MM,
    width: width - FILED_MM - BORDER_MM,
    height: height - 2 * BORDER_MM,
  };
  const room: Rect = {
    x: frame.x + INSIDE_MM,
    y: frame.y + INSIDE_MM,
    width: frame.width - 2 * INSIDE_MM,
    height: frame.height - 2 * INSIDE_MM,
  };
  const sizes = sizeOf(part.box).map((mm) => mm * scale);
  // What is larger than the sheet by itself need not be drawn to be known.
  if (sizes[0] + sizes[1] > room.width || sizes[1] + sizes[2] > room.height) return undefined;
  const places = new FreePlaces(room);
  const ink = new Ink(scribe);
  const title: Rect = {
    x: frame.x + frame.width - TITLE_WIDTH_MM,
    y: frame.y,
    width: TITLE_WIDTH_MM,
    height: TITLE_HEIGHT_MM,
  };
  places.take(title);
  const placed = putViews(ink, places, layout, room, scribe);
  if (!placed) return undefined;
  if (part.section) {
    const block = sectionBlock(part, part.section, scale, scribe);
    // Beside the views, on the plate that they stand on, or else where there is room.
    const beside: Point = [placed.right + APART_MM - block.bounds.x, placed.frontY];
    if (!putAt(ink, places, block, beside) && !putLoose(ink, places, block, [0, 1])) return undefined;
  }
  if (notes.sentences.length + notes.measures.length > 0)
    NOTES_MM.some((wide) => putLoose(ink, places, notesBlock(scribe, notes, wide), [1, 0]));
  CORNER_SHARES.some((share) => putLoose(ink, places, cornerBlock(part, scale * share, scribe), [1, 1]));
  ink.rectangle('outline', frame);
  ink.put(titleBlock(scribe, notes, layout.scaleWords, layout.projection), title.x, title.y);
  return ink;
}

/** Puts the three views where each is seen from the one beside it. */
function putViews(
  ink: Ink,
  places: FreePlaces,
  { part, figure, projection, scale }: Layout,
  room: Rect,
  scribe: Scribe,
): Placed | undefined {
  const isFirst = projection === 'first';
  // Measures stand where no other view is.
  const sides = isFirst
    ? ([
        ['below', 'left'],
        ['above', 'left'],
        ['above', 'right'],
      ] as const)
    : ([
        ['above', 'left'],
        ['below', 'left'],
        ['below', 'right'],
      ] as const);
  const [top, front, side] = part.straight.map((name, i) =>
    named(
      viewBlock(scribe, part.box, scale, {
        view: views[name],
        lines: part.lines.get(name)!,
        measures: part.measures[i],
        rounds: part.rounds,
        sides: sides[i],
        cut: i === 0 ? part.section : undefined,
        figure,
      }),
      viewNames[name],
    ),
  );
  const left = room.x - Math.min(top.bounds.x, front.bounds.x);
  const sideX = left + Math.max(rightOf(front.bounds), rightOf(top.bounds)) + APART_MM - side.bounds.x;
  // The side stands beside the front, in the upper row or in the lower one.
  const rowOf = (blocks: readonly ViewBlock[]) => ({
    top: Math.max(...blocks.map(({ bounds }) => topOf(bounds))),
    bottom: Math.min(...blocks.map(({ bounds }) => bounds.y)),
  });
  const rows = isFirst ? [rowOf([front, side]), rowOf([top])] : [rowOf([top]), rowOf([front, side])];
  const upperY = room.y + room.height - rows[0].top;
  const lowerY = upperY + (isFirst ? front.bounds.y : rows[0].bottom) - APART_MM - rows[1].top;
  const [topY, frontY] = isFirst ? [lowerY, upperY] : [upperY, lowerY];
  for (const [block, x, y] of [
    [top, left, topY],
    [front, left, frontY],
    [side, sideX, frontY],
  ] as const) {
    if (!putAt(ink, places, block.ink, [x, y])) return undefined;
  }
  return { frontY, right: sideX + rightOf(side.bounds) };
}

/** Where the plate is that the front and the side stand on, and where the side ends. */
interface Placed {
  readonly frontY: number;
  readonly right: number;
}

const rightOf = (rect: Rect) => rect.x + rect.width;
const topOf = (rect: Rect) => rect.y + rect.height;

/** A view with its name above it. */
function named(block: ViewBlock, name: string): ViewBlock {
  const { ink, size, bounds } = block;
  ink.text(name, [size[0] / 2, topOf(bounds) + NAME_MM], { align: 'middle' });
  return { ...block, bounds: ink.bounds };
}

/** Puts a drawing with its own origin at a place; false where it has no room there. */
function putAt(ink: Ink, places: FreePlaces, block: Ink, [x, y]: Point): boolean {
  const { bounds } = block;
  const rect: Rect = { ...bounds, x: bounds.x + x, y: bounds.y + y };
  if (!places.isFree(rect)) return false;
  places.take(rect);
  ink.put(block, x, y);
  return true;
}

/** Puts a drawing that belongs to no other where there is room, as near as can be to a corner of the sheet. */
function putLoose(ink: Ink, places: FreePlaces, block: Ink, corner: readonly [0 | 1, 0 | 1]): boolean {
  const { bounds } = block;
  const at = places.find(bounds, corner);
  return at !== undefined && putAt(ink, places, block, [at[0] - bounds.x, at[1] - bounds.y]);
}

function sectionBlock({ box, rounds }: DrawnPart, section: Section, scale: number, scribe: Scribe): Ink {
  const { view, atMm, areas, lines } = section;
  const ink = new Ink(scribe);
  const { size, onPaper } = ontoPaper(view, box, scale);
  for (const [from, to] of hatching(
    areas.map((outline) => outline.map(onPaper)),
    HATCH_MM,
  ))
    ink.line('thin', from, to);
  for (const line of lines.seen) ink.line('outline', ...line.map(onPaper));
  const { axis, sign } = axisOf(view.toward);
  const cut = rounds.filter(
    (round) => round.axis !== axis && Math.abs(round.middle[axis] - sign * atMm) < round.radiusMm,
  );
  drawAxes(ink, { view, rounds: cut }, scale, onPaper);
  ink.text(say('Section A – A'), [size[0] / 2, topOf(ink.bounds) + NAME_MM], { align: 'middle' });
  return ink;
}

function cornerBlock({ box, lines }: DrawnPart, scale: number, scribe: Scribe): Ink {
  const ink = new Ink(scribe);
  const { onPaper } = ontoPaper(views.corner, box, scale);
  for (const line of lines.get('corner')!.seen) ink.line('outline', ...line.map(onPaper));
  return ink;
}
