import { extentOf, moved, turned, type Point, type Region } from '../plane/index.ts';
import type { LineKind, PaperFill, PaperLine, PaperText } from './paper.ts';

/** Writes words with capitals of a height, mm: their areas, and how far the line goes from its beginning. */
export type Scribe = (words: string, capMm: number) => { readonly region: Region; readonly widthMm: number };

/** A rectangle on paper, mm. */
export interface Rect {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** How a dimension is written: 2.5 mm is the smallest height of ISO 3098 that is read at arm's length. */
export const TEXT_MM = 2.5;
const ARROW_MM = 2.4;

/** Whether two rectangles have an area in common. */
export function overlap(a: Rect, b: Rect): boolean {
  return a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
}

/** How words stand by the place that is named for them. */
export interface Standing {
  readonly capMm?: number;
  readonly align?: 'left' | 'middle' | 'right';
  /** Read from the right, upwards. */
  readonly isUpright?: boolean;
}

/** What is drawn so far, mm. */
export class Ink {
  readonly lines: PaperLine[] = [];
  readonly texts: PaperText[] = [];
  readonly fills: PaperFill[] = [];
  readonly #scribe: Scribe;

  constructor(scribe: Scribe) {
    this.#scribe = scribe;
  }

  line(kind: LineKind, ...points: readonly Point[]): void {
    if (points.length > 1) this.lines.push({ kind, points });
  }

  rectangle(kind: LineKind, { x, y, width, height }: Rect): void {
    const [right, top] = [x + width, y + height];
    this.line(kind, [x, y], [right, y], [right, top], [x, top], [x, y]);
  }

  fill(region: Region, colour?: string): void {
    this.fills.push({ region, colour });
  }

  /** An arrowhead whose tip is at a place and that points in a direction, radians. */
  arrow([x, y]: Point, angle: number): void {
    const head: Region = [
      [
        [0, 0],
        [-ARROW_MM, ARROW_MM / 6],
        [-ARROW_MM, -ARROW_MM / 6],
      ],
    ];
    this.fill(moved(turned(head, (angle * 180) / Math.PI), x, y));
  }

  /** How wide words are, mm. */
  widthOf(words: string, capMm = TEXT_MM): number {
    return this.#scribe(words, capMm).widthMm;
  }

  /** Writes words whose line begins (or has its middle or its end) at a place, and tells what they cover. */
  text(words: string, [x, y]: Point, standing: Standing = {}): Rect {
    const { capMm = TEXT_MM, align = 'left', isUpright = false } = standing;
    const { region, widthMm } = this.#scribe(words, capMm);
    const back = align === 'left' ? 0 : align === 'middle' ? widthMm / 2 : widthMm;
    const own = moved(region, -back, 0);
    if (region.length > 0) this.texts.push({ words, region: moved(isUpright ? turned(own, 90) : own, x, y) });
    return isUpright
      ? { x: x - capMm, y: y - back, width: capMm, height: widthMm }
      : { x: x - back, y, width: widthMm, height: capMm };
  }

  /** Puts what was drawn elsewhere onto this, moved. */
  put(other: Ink, dx: number, dy: number): void {
    const shifted = (points: readonly Point[]) => points.map(([x, y]): Point => [x + dx, y + dy]);
    for (const { kind, points } of other.lines) this.lines.push({ kind, points: shifted(points) });
    for (const { words, region } of other.texts) this.texts.push({ words, region: moved(region, dx, dy) });
    for (const { region, colour } of other.fills) this.fills.push({ region: moved(region, dx, dy), colour });
  }

  /** The rectangle around all that was drawn. */
  get bounds(): Rect {
    const points = [
      ...this.lines.flatMap((line) => line.points),
      ...this.texts.flatMap(({ region }) => region.flat()),
      ...this.fills.flatMap(({ region }) => region.flat()),
    ];
    if (points.length === 0) return { x: 0, y: 0, width: 0, height: 0 };
    const { x, y } = extentOf([points]);
    return { x: x.low, y: y.low, width: x.high - x.low, height: y.high - y.low };
  }
}
