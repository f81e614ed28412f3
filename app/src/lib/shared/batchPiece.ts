import {
  choiceOfPart,
  chosenIn,
  type PartChoice,
  type PieceChoice,
  type PrintChoice,
} from '@kelbrin/core/slice';
import type { HeldBy } from './heldBy.ts';

/** A part on a batch, as far as it says how it is sliced. */
interface PartToSlice {
  readonly hash: string;
  /** What was chosen for it alone. */
  readonly ownChoice?: PartChoice | null;
  /** By what supports hold it; none do if it is left out. */
  readonly heldBy?: HeldBy;
}

/** What a batch has sliced once: a print file, and how it is printed. */
export interface Piece {
  readonly hash: string;
  readonly choice: PieceChoice;
  readonly heldBy?: HeldBy;
}

/** The name of the piece that a part is; copies that are held and printed alike are one. */
export function pieceOf({ hash, ownChoice, heldBy }: PartToSlice): string {
  const chosen = Object.entries(chosenIn(ownChoice ?? {}));
  const how = [...(chosen.length > 0 ? [chosen.toSorted()] : []), ...(heldBy ? [heldBy] : [])];
  return [hash, ...how.map((each) => JSON.stringify(each))].join(' ');
}

/** Whether something was chosen for a part alone. */
export function isOtherwise({ ownChoice }: Pick<PartToSlice, 'ownChoice'>): boolean {
  return Object.keys(chosenIn(ownChoice ?? {})).length > 0;
}

/** What of a batch is sliced, by its names. */
export function piecesOf(parts: readonly PartToSlice[], choice: PrintChoice): Map<string, Piece> {
  return new Map(
    parts.map((part): [string, Piece] => [
      pieceOf(part),
      {
        hash: part.hash,
        choice: choiceOfPart(choice, part.ownChoice),
        heldBy: part.heldBy,
      },
    ]),
  );
}
