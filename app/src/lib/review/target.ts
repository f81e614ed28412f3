import type { Vec3 } from '@kelbrin/core/mesh';
import type { Anchor } from '../shared/remark.ts';

/** What is being written about: the whole, a sentence, or a place that may still have to be pressed. */
export type Target =
  | { readonly kind: 'whole' }
  | { readonly kind: 'step'; readonly step: string }
  | { readonly kind: 'place'; readonly at?: Vec3 };

/** What a remark that stands there is written about. */
export function targetOf(anchor: Anchor): Target {
  return 'step' in anchor ? { kind: 'step', ...anchor } : { kind: 'place', ...anchor };
}
