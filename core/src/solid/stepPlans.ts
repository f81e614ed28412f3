import type { Manifold } from 'manifold-3d';
import type { Box, Pose } from '../mesh/index.ts';
import { extentOf, mapped, mirrored, moved, type Point, type Region } from '../plane/index.ts';
import type { Built, ResolvedStep } from '../recipe/index.ts';
import { rectangleOf, seenUnder, type PlanCorner, type Trace } from './trace.ts';

/** An outline seen from above, and its corners: its own where it lies flat, or that of its box. */
export function planOf(
  step: ResolvedStep,
  box: Box,
  { outline, corners }: Pick<Built<Manifold>, 'outline' | 'corners'>,
): { readonly plan: Region; readonly corners?: readonly PlanCorner[] } {
  const side = 'facing' in step ? step.facing : 'up';
  if (!outline || (side !== 'up' && side !== 'down'))
    return { plan: rectangleOf(box), corners: corners?.map(({ isOuter }) => ({ isOuter })) };
  const seen = side === 'up' ? outline : mirrored(outline);
  const { x, y } = extentOf(seen);
  const [dx, dy] = [box.min[0] - x.low, box.min[1] - y.low];
  const there = ([px, py]: Point): Point => [(side === 'up' ? px : -px) + dx, py + dy];
  return {
    plan: moved(seen, dx, dy),
    corners: corners?.map(({ at, isOuter }) => ({ at: at && there(at), isOuter })),
  };
}

/** A plan after what it is of was carried around an upright line. */
export function planUnder(
  { plan, corners }: ReturnType<typeof planOf>,
  around: Pose,
): ReturnType<typeof planOf> {
  const there = seenUnder(around);
  return {
    plan: mapped(plan, there),
    corners: corners?.map(({ at, isOuter }) => ({ at: at && there(at), isOuter })),
  };
}

/** The outlines of copies seen from above. A copy that was turned over lies where its points come to lie. */
export function plansOf(
  { of, poses }: NonNullable<Built<Manifold>['copies']>,
  traces: ReadonlyMap<string, Trace>,
): Region {
  return of.flatMap((ref) =>
    poses.flatMap((pose) => mapped(traces.get(ref.step)?.plan ?? [], seenUnder(pose))),
  );
}
