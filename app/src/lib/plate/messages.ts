import type { LimitsCard } from '@kelbrin/core/inspect';
import type { Placement } from '@kelbrin/core/plate';
import type { Estimate, Layer, PrintChoice } from '@kelbrin/core/slice';

/** What the page asks of the worker that slices plates. */
export type ToPlateWorker =
  | { readonly kind: 'file'; readonly hash: string; readonly stl: ArrayBuffer }
  | {
      readonly kind: 'plate';
      readonly job: number;
      readonly parts: readonly (Placement & { readonly hash: string })[];
      readonly limits: LimitsCard;
      readonly choice: PrintChoice;
    }
  | { readonly kind: 'layer'; readonly job: number; readonly index: number };

/** A layer as it is looked at, with what lies under it. */
export interface ShownLayer {
  readonly index: number;
  readonly layer: Layer;
  readonly under?: Layer;
}

/** What the worker says; a job that was overtaken by another says nothing more. */
export type FromPlateWorker =
  | { readonly kind: 'progress'; readonly job: number; readonly done: number; readonly of: number }
  | {
      readonly kind: 'sliced';
      readonly job: number;
      readonly estimate: Estimate;
      /** The upper side of each layer. */
      readonly heightsMm: readonly number[];
    }
  | ({ readonly kind: 'layer'; readonly job: number } & ShownLayer)
  | { readonly kind: 'failed'; readonly job: number; readonly problem: string };
