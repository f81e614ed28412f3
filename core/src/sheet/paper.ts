import type { Point, Region } from '../plane/index.ts';

/** What a line on a drawing stands for, which decides how it is drawn (ISO 128-2). */
export type LineKind =
  /** Edges that are seen. */
  | 'outline'
  /** Edges behind material. */
  | 'hidden'
  /** Dimension lines, extension lines, hatching. */
  | 'thin'
  /** Axes. */
  | 'centre'
  /** Where a section is taken. */
  | 'cut';

export interface PaperLine {
  readonly kind: LineKind;
  readonly points: readonly Point[];
}

/** Words as they are drawn: areas, so that they look the same wherever the sheet is opened. */
export interface PaperText {
  readonly words: string;
  readonly region: Region;
}

/** An area that is filled: an arrowhead, or a patch of a colour `#rrggbb`. */
export interface PaperFill {
  readonly region: Region;
  readonly colour?: string;
}

/** What is drawn on a sheet, mm from its lower left corner, y upwards. */
export interface Sheet {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly title: string;
  readonly author: string;
  readonly lines: readonly PaperLine[];
  readonly texts: readonly PaperText[];
  readonly fills: readonly PaperFill[];
}

/** How wide lines are on a sheet, mm (ISO 128-2: narrow lines are half as wide), and the pattern of those that are not whole. */
export const lineStyles: Readonly<Record<LineKind, { isWide: boolean; dashesMm?: readonly number[] }>> = {
  outline: { isWide: true },
  hidden: { isWide: false, dashesMm: [1.6, 0.8] },
  thin: { isWide: false },
  centre: { isWide: false, dashesMm: [5, 0.8, 0.8, 0.8] },
  cut: { isWide: true, dashesMm: [5, 1.2, 1.2, 1.2] },
};
export const WIDE_MM = 0.4;
export const NARROW_MM = 0.18;
