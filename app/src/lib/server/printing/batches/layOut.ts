import type { LimitsCard } from '@kelbrin/core/inspect';
import type { MachineSheet } from '@kelbrin/core/machine';
import { sharedPlate, type Layout, type Placeable, type Placed } from '@kelbrin/core/plate';
import { plateOf, gapOf } from '../../../shared/plate.ts';
import { compute } from '../../platform/compute/compute.ts';
import type { Task } from '../../platform/compute/task.ts';
import { sha256 } from '../../platform/basics/sha256.ts';

/** So many layouts are kept: those that are proposed now, and some that were a moment ago. */
const KEPT = 20;
const kept = new Map<string, Promise<Layout>>();

/** What a layout depends on beside its parts. */
interface LayOutOptions {
  readonly choice?: { readonly brimMm?: number; readonly isOneByOne?: boolean };
  /** Parts that keep their places. */
  readonly fixed?: readonly Placed[];
  /** The printer that it is for, whose plate may be smaller. */
  readonly sheet?: MachineSheet;
}

/**
 * Lays parts out on a plate, around those that lie fixed. The same parts are laid in the same way, so what was worked out
 * lately is taken again: the queue with its proposals is looked at far more often than it changes.
 */
export async function layOut(
  parts: readonly Placeable[],
  limits: LimitsCard,
  { choice = {}, fixed = [], sheet }: LayOutOptions = {},
): Promise<Layout> {
  const whole = plateOf(limits, choice);
  const plate = sheet ? sharedPlate(whole, sheet) : whole;
  const [dx, dy] = [(whole.widthMm - plate.widthMm) / 2, (whole.depthMm - plate.depthMm) / 2];
  const { placed, left } = await laidOut({
    kind: 'layOut',
    parts: parts.map(({ id, footprint }) => ({ id, footprint })),
    plate,
    gapMm: gapOf(choice, sheet?.head),
    fixed: fixed.map((part) => ({ ...part, xMm: part.xMm - dx, yMm: part.yMm - dy })),
  });
  return { placed: placed.map((part) => ({ ...part, xMm: part.xMm + dx, yMm: part.yMm + dy })), left };
}

function laidOut(task: Extract<Task, { kind: 'layOut' }>): Promise<Layout> {
  const key = sha256(JSON.stringify(task));
  const before = kept.get(key);
  if (before) return before;
  const layout = compute().run<'layOut'>(task);
  kept.set(key, layout);
  layout.catch(() => kept.delete(key));
  if (kept.size > KEPT) kept.delete(kept.keys().next().value!);
  return layout;
}
