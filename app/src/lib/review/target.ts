import type { Vec3 } from '@kelbrin/core/mesh';

/** What is being written about: the whole, a sentence, or a place that may still have to be pressed. */
export type Target =
  | { readonly kind: 'whole' }
  | { readonly kind: 'step'; readonly step: string }
  | { readonly kind: 'place'; readonly at?: Vec3 };
