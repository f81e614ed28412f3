import { lengthAlong } from '../paths/lengths.ts';
import type { Layer, Path } from '../paths/toolpath.ts';

type Place = readonly [number, number];

/** A stretch of a line that has no plastic under its middle. */
export type Hanging = readonly [from: Place, to: Place];

/** How finely lines are looked at, mm. */
const STEP_MM = 0.25;
const CELL_MM = 0.1;
/** Plastic of the layer below holds a line whose middle lies this far beside it. */
const REACH_MM = 0.05;
/** The lines of supports are further apart than those of a part, and what crosses them is held between them. */
const REACH_OVER_SUPPORT_MM = 0.35;
/** A stretch shorter than this is held by what comes before and after it. */
const SHORTEST_MM = 0.8;

/**
 * The stretches of a layer's walls whose middle hangs in the air: they droop where nothing holds them at both ends.
 * Fill may cross the gaps between sparse lines below, and bridges are meant to, so only walls are looked at.
 *
 * @param lower the layers below that one, from above, of which supports hold across the gap that is left over them
 */
export function hangingOf({ paths }: Layer, under: Layer, lower: readonly Layer[] = []): Hanging[] {
  const held = new Set<string>();
  const isSupport = ({ role }: Path) => role === 'support';
  for (const path of [...under.paths, ...lower.flatMap((layer) => layer.paths.filter(isSupport))]) {
    const reachMm = isSupport(path) ? REACH_OVER_SUPPORT_MM : REACH_MM;
    const reach = Math.ceil((path.widthMm / 2 + reachMm) / CELL_MM);
    for (const [x, y] of stepsAlong(path, CELL_MM)) {
      const [column, row] = [Math.round(x / CELL_MM), Math.round(y / CELL_MM)];
      for (let dx = -reach; dx <= reach; dx++) {
        for (let dy = -reach; dy <= reach; dy++) {
          if (dx * dx + dy * dy <= reach * reach) held.add(`${column + dx} ${row + dy}`);
        }
      }
    }
  }
  const isHeld = ([x, y]: Place) => held.has(`${Math.round(x / CELL_MM)} ${Math.round(y / CELL_MM)}`);
  return paths
    .filter(({ role }) => role === 'wall' || role === 'thin')
    .flatMap((path) => stretches(stepsAlong(path, STEP_MM), isHeld));
}

/** Stretches of neighbouring places that are not held, as pairs of places. */
function stretches(places: readonly Place[], isHeld: (place: Place) => boolean): Hanging[] {
  const found: Hanging[] = [];
  let open: Place[] = [];
  const close = () => {
    const pairs = open.slice(1).map((to, i): Hanging => [open[i], to]);
    if (pairs.length > 0 && lengthAlong({ points: open, closed: false }) >= SHORTEST_MM) found.push(...pairs);
    open = [];
  };
  for (const place of places) {
    if (isHeld(place)) close();
    else open.push(place);
  }
  close();
  return found;
}

/** Places along a path no further apart than a step. */
function stepsAlong({ points, closed }: Path, stepMm: number): Place[] {
  const way = closed ? [...points, points[0]] : points;
  return way.flatMap(([x, y], i) => {
    if (i === 0) return [[x, y] as const];
    const [fromX, fromY] = way[i - 1];
    const steps = Math.max(1, Math.ceil(Math.hypot(x - fromX, y - fromY) / stepMm));
    return Array.from({ length: steps }, (_, k) => {
      const share = (k + 1) / steps;
      return [fromX + share * (x - fromX), fromY + share * (y - fromY)] as const;
    });
  });
}
