import type { LimitsCard } from '@kelbrin/core/inspect';
import type { Layout, Placeable, Placed } from '@kelbrin/core/plate';
import { plateOf, gapOf } from '../../../shared/plate.ts';
import { compute } from '../../platform/compute/compute.ts';
import { sha256 } from '../../platform/basics/sha256.ts';

/** So many layouts are kept: those that are proposed now, and some that were a moment ago. */
const KEPT = 20;
const kept = new Map<string, Promise<Layout>>();

/**
 * Lays parts out on a plate, around those that lie fixed. The same parts are laid in the same way, so what was worked out
 * lately is taken again: the queue with its proposals is looked at far more often than it changes.
 */
export function layOut(
  parts: readonly Placeable[],
  limits: LimitsCard,
  choice: { readonly brimMm?: number } = {},
  fixed: readonly Placed[] = [],
): Promise<Layout> {
  const task = {
    kind: 'layOut',
    parts: parts.map(({ id, footprint }) => ({ id, footprint })),
    plate: plateOf(limits, choice),
    gapMm: gapOf(choice),
    fixed,
  } as const;
  const key = sha256(JSON.stringify(task));
  const before = kept.get(key);
  if (before) return before;
  const layout = compute().run<'layOut'>(task);
  kept.set(key, layout);
  layout.catch(() => kept.delete(key));
  if (kept.size > KEPT) kept.delete(kept.keys().next().value!);
  return layout;
}
