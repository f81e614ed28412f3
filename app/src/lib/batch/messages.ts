import type { LimitsCard } from '@kelbrin/core/inspect';
import type { MachineSheet } from '@kelbrin/core/machine';
import type { Pose } from '@kelbrin/core/plate';
import type { CutLine, Estimate, MoveCount, PartChoice, PrintChoice, PrintClock } from '@kelbrin/core/slice';
import type { HeldBy } from '../shared/heldBy';
import type { SentLayer } from '../ui/printedLines/shownLayer';

/** The printer that a batch is sliced for: what it can do, and the place on it that each colour comes from. */
export interface OnPrinter {
  readonly sheet: MachineSheet;
  readonly places: readonly number[];
}

/** What the page asks of the worker that slices batches. */
export type ToBatchWorker =
  | { readonly kind: 'file'; readonly hash: string; readonly stl: ArrayBuffer }
  | {
      readonly kind: 'batch';
      readonly job: number;
      readonly parts: readonly (Pose & {
        readonly hash: string;
        /** By what supports hold it; none do if it is left out. */
        readonly heldBy?: HeldBy;
        /** What was chosen for it alone. */
        readonly ownChoice?: PartChoice | null;
      })[];
      readonly limits: LimitsCard;
      readonly choice: PrintChoice;
      /** Left out where nothing is known of the printer. */
      readonly on: OnPrinter | undefined;
    }
  | { readonly kind: 'layer'; readonly job: number; readonly index: number }
  | { readonly kind: 'cut'; readonly job: number; readonly yMm: number }
  /** Slice nothing: what is asked for from now on is of this job. */
  | { readonly kind: 'off'; readonly job: number };

/** What the worker says; a job that was overtaken by another says nothing more. */
export type FromBatchWorker =
  | { readonly kind: 'progress'; readonly job: number; readonly done: number; readonly of: number }
  | {
      readonly kind: 'sliced';
      readonly job: number;
      readonly estimate: Estimate;
      /** The upper side of each layer. */
      readonly heightsMm: readonly number[];
      /** The parts in the order in which they are printed one after another; left out where they grow together. */
      readonly turns: readonly number[] | undefined;
      readonly clock: PrintClock;
      readonly moves: MoveCount;
    }
  | ({ readonly kind: 'layer'; readonly job: number } & SentLayer)
  | { readonly kind: 'cut'; readonly job: number; readonly cuts: readonly CutLine[] }
  | { readonly kind: 'failed'; readonly job: number; readonly problem: string };
