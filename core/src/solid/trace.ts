import type { Manifold } from 'manifold-3d';
import {
  boxAround,
  boxTapered,
  boxUnder,
  combined,
  isSquare,
  posed,
  tapered,
  type Box,
  type Pose,
  type Taper,
  type Vec3,
} from '../mesh/index.ts';
import { mapped, rectangle, scaled, stretched, type Point, type Region } from '../plane/index.ts';
import { plateBox, type Operation } from '../recipe/index.ts';
import type { Scope } from './scope.ts';
import { taperedBody } from './taperedBody.ts';

/** A corner of a step's outline. */
export interface PlanCorner {
  /** Where it is as seen from above; undefined where its outline does not lie flat. */
  readonly at?: Point;
  readonly isOuter: boolean;
}

/** Something that was done to a whole part. */
export type Move = { readonly pose: Pose } | { readonly taper: Taper };

/** Where a point comes to lie by what was done to the whole part. */
export function movedPoint(moves: readonly Move[], point: Vec3): Vec3 {
  return moves.reduce<Vec3>(
    (at, move) => ('pose' in move ? posed(move.pose, at) : tapered(move.taper, at)),
    point,
  );
}

/** What an earlier step left behind for those that name it. */
export interface Trace {
  /** What it added and cut, where it was made. */
  readonly operations: readonly Operation<Manifold>[];
  /** How the whole part was turned, scaled, moved and tapered since then, in that order. */
  readonly since?: readonly Move[];
  /** Its box as sentences speak of it, where it lies now. */
  readonly box: Box;
  /** Its outline before any position, as large as it is now. */
  readonly outline?: Region;
  /** Its outline as seen from above, where it lies in the part. */
  readonly plan: Region;
  /** The corners that its outline was drawn with, in their order; none for steps without an outline. */
  readonly corners?: readonly PlanCorner[];
}

/** What a step added and cut, where it lies now. */
export function operationsNow({ operations, since }: Trace, scope: Scope): readonly Operation<Manifold>[] {
  if (!since) return operations;
  return operations.map((each) => ({
    ...each,
    body: since.reduce<Manifold>(
      (body, move) =>
        'pose' in move
          ? scope.keep(body.transform(move.pose))
          : taperedBody(body, move.taper, scope, () => {}),
      each.body,
    ),
  }));
}

/** A trace after the whole part was turned, scaled and moved. */
export function turnedTrace(trace: Trace, pose: Pose, scope: Scope): Trace {
  const before = trace.since ?? [];
  const last = before.at(-1);
  const since =
    last && 'pose' in last
      ? [...before.slice(0, -1), { pose: combined(pose, last.pose) }]
      : [...before, { pose }];
  const turned = { ...trace, since };
  // A box that is turned by a quarter stays the box that was meant; by any other angle it is one no more.
  const box = isSquare(pose) ? boxUnder(pose, trace.box) : boxOfAll(operationsNow(turned, scope));
  const staysUpright = pose[2] === 0 && pose[6] === 0 && pose[10] > 0;
  const seen = seenUnder(pose);
  const plan = staysUpright ? mapped(trace.plan, seen) : rectangleOf(box);
  const corners = trace.corners?.map(({ at, isOuter }) => ({
    at: at && staysUpright ? seen(at) : undefined,
    isOuter,
  }));
  return { ...turned, box, plan, corners, outline: trace.outline && outlineAfter(trace.outline, pose) };
}

/** A trace after the whole part was tapered. Seen from above it is as wide as it is at its foot. */
export function taperedTrace(trace: Trace, taper: Taper): Trace {
  const foot = trace.box.min[2];
  const seen = ([x, y]: Point): Point => {
    const [tx, ty] = tapered(taper, [x, y, foot]);
    return [tx, ty];
  };
  return {
    ...trace,
    since: [...(trace.since ?? []), { taper }],
    box: boxTapered(taper, trace.box),
    plan: mapped(trace.plan, seen),
    corners: trace.corners?.map((corner) => ({ ...corner, at: corner.at && seen(corner.at) })),
  };
}

/** Where a point of a plan comes to lie by a pose, as seen from above. */
export function seenUnder(pose: Pose): (point: Point) => Point {
  return ([x, y]) => {
    const [px, py] = posed(pose, [x, y, 0]);
    return [px, py];
  };
}

/** By how much a pose makes lengths larger: those that it makes largest least, where it stretches. */
export function scaleOf(pose: Pose): number {
  return Math.min(...[0, 4, 8].map((from) => Math.hypot(pose[from], pose[from + 1], pose[from + 2])));
}

/** An outline before any position, after a pose: stretched and mirrored as the part is, but not turned with it. */
function outlineAfter(outline: Region, pose: Pose): Region {
  const [x, y, z] = [pose[0], pose[5], pose[10]];
  const isUpright = [1, 2, 4, 6, 8, 9].every((i) => Math.abs(pose[i]) < 1e-9);
  // Two signs that change make a turn by a half.
  const isMirrored = x * y * z < 0;
  if (!isUpright || (!isMirrored && Math.min(x, y, z) < 0)) return scaled(outline, scaleOf(pose));
  return stretched(outline, x, y);
}

/** The box of all bodies; that of the plate, where everything begins, if there are none. */
export function boxOfAll(operations: readonly Operation<Manifold>[]): Box {
  const boxes = operations.map(({ body }) => body.boundingBox() as Box);
  return boxes.length === 0 ? plateBox : boxes.reduce(boxAround);
}

/** The outline of a box seen from above. */
export function rectangleOf({ min, max }: Box): Region {
  return [rectangle({ x: { low: min[0], high: max[0] }, y: { low: min[1], high: max[1] } })];
}
