import * as z from 'zod';
import { angle, count, distance } from '../../amount.ts';
import { alongHost } from '../../placement.ts';
import { plainOutline } from '../plain.ts';

/** As many pieces as one sentence can still be read with. */
export const MOST_PIECES = 20;
/** As many times as one piece can be repeated. */
export const MOST_TIMES = 36;

const pieceId = z.string().min(1).max(40);

/** The middle of the outline, about which it is drawn, or that of one of its pieces. */
const middle = z.discriminatedUnion('from', [
  z.strictObject({ from: z.literal('middle') }),
  z.strictObject({ from: z.literal('piece'), piece: pieceId }),
]);
export type Middle = z.infer<typeof middle>;

/** Where a piece lies: so far from the middle of the outline, as it was drawn; or by relations to another piece. */
const place = z.discriminatedUnion('from', [
  z.strictObject({ from: z.literal('middle'), xMm: distance(), yMm: distance() }),
  z.strictObject({ from: z.literal('piece'), piece: pieceId, x: alongHost, y: alongHost }),
]);
export type Place = z.infer<typeof place>;

/** How often a piece is there: each time further on, all around a middle, or with its mirror image. */
const times = z.discriminatedUnion('as', [
  z.strictObject({ as: z.literal('row'), count: count(2, MOST_TIMES), xMm: distance(), yMm: distance() }),
  z.strictObject({ as: z.literal('ring'), count: count(2, MOST_TIMES), around: middle }),
  z.strictObject({ as: z.literal('mirror'), axis: z.enum(['x', 'y']), around: middle }),
]);
export type Times = z.infer<typeof times>;

/** One of the outlines that are put together. */
export const piece = z.strictObject({
  /** What other pieces know it by, whatever its place among them. */
  id: pieceId,
  /** What it does to the pieces before it: it is added, left out, or only what lies in it is kept. */
  how: z.enum(['and', 'without', 'within']),
  outline: plainOutline,
  turnDeg: angle().optional(),
  place,
  times: times.optional(),
});
export type Piece = z.infer<typeof piece>;

/** What a piece is called in its sentence and on the drawing: by its place among the others. */
export function letterOf(index: number): string {
  return String.fromCharCode('A'.charCodeAt(0) + index);
}

/** An id that no piece has yet. */
export function nextPieceId(pieces: readonly Piece[]): string {
  const used = pieces.map(({ id }) => Number(/^p(\d+)$/.exec(id)?.[1] ?? 0));
  return `p${Math.max(0, ...used) + 1}`;
}

/** The pieces that others name: as what they lie on, and as what they are repeated around. */
export function namedBy({ place: at, times: repeated }: Piece): string[] {
  const around = repeated && 'around' in repeated ? repeated.around : undefined;
  return [at, around].flatMap((each) => (each?.from === 'piece' ? each.piece : []));
}

/** Whether a piece depends on another for where it lies, through whatever pieces between them. */
export function dependsOn(pieces: readonly Piece[], id: string, other: string): boolean {
  const seen = new Set<string>();
  const reaches = (from: string): boolean => {
    if (from === other) return true;
    if (seen.has(from)) return false;
    seen.add(from);
    const found = pieces.find((each) => each.id === from);
    return found !== undefined && namedBy(found).some(reaches);
  };
  return reaches(id);
}
