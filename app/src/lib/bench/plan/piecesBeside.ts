import { moved, turned } from '@kelbrin/core/plane';
import type { DrawnPieces, FieldPath, Region } from '@kelbrin/core/recipe';

/**
 * The other pieces of an outline as they lie about the point from which one of them is drawn; nothing for what is no piece.
 * `path` leads to the drawn piece's outline.
 */
export function piecesBeside(drawn: DrawnPieces | undefined, path: FieldPath): Region {
  const at = path.indexOf('pieces');
  const own = at < 0 ? undefined : drawn?.pieces[Number(path[at + 1])];
  if (!own) return [];
  return drawn!.pieces
    .filter((each) => each !== own)
    .flatMap(({ copies }) => copies)
    .flatMap((copy) => turned(moved(copy, -own.origin[0], -own.origin[1]), -own.turnDeg));
}
