export { recipeSheet, type SheetTitle } from './recipeSheet.ts';
export type { Scribe } from './ink.ts';
export { lineStyles, NARROW_MM, WIDE_MM, type LineKind, type Sheet } from './paper.ts';
export {
  papers,
  partSheet,
  scales,
  scaleWords,
  type Paper,
  type PartSheet,
  type Scale,
  type SheetPart,
  type SheetWish,
} from './partSheet.ts';
export type { SectionWish } from './sectionPlane.ts';
export type { Projection, SheetNotes } from './titleBlock.ts';
export { joinedLines } from './joinedLines.ts';
export { seenEdges } from './seenEdges.ts';
export { seenAt, views } from './views.ts';
