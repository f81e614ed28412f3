import type { LimitsCard } from '@kelbrin/core/inspect';
import {
  choiceOfPart,
  chosenIn,
  type PartChoice,
  type PieceChoice,
  type PrintChoice,
} from '@kelbrin/core/slice';

/** A part on a batch, as far as it says how it is sliced. */
interface PartToSlice {
  readonly hash: string;
  /** What was chosen for it alone. */
  readonly ownChoice?: PartChoice | null;
  /** The card by which supports hold it; none do if it is left out. */
  readonly heldBy?: LimitsCard;
}

/** What a batch has sliced once: a print file, and how it is printed. */
export interface Piece {
  readonly hash: string;
  readonly choice: PieceChoice;
  readonly heldBy?: LimitsCard;
}

/** The name of the piece that a part is; copies that are printed alike are one. */
export function pieceOf({ hash, ownChoice }: PartToSlice): string {
  const chosen = Object.entries(chosenIn(ownChoice ?? {}));
  return chosen.length === 0 ? hash : `${hash} ${JSON.stringify(chosen.toSorted())}`;
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
        // What was approved with supports is printed with them, in each of its copies.
        heldBy: parts.find(({ hash, heldBy }) => hash === part.hash && heldBy)?.heldBy,
      },
    ]),
  );
}
