import { extentOf } from '../plane/index.ts';
import { conflictsOf } from './conflicts.ts';
import { coveredBy, type Plate, type Placed } from './placement.ts';

/** How finely the places around are tried. */
const STEP_MM = 0.5;
const DIRECTIONS = 24;

/**
 * The place nearest to a part's own at which it lies on the plate and keeps its distance to the others, if there is one
 * no further away than `mostMm`. The part is not turned for that.
 */
export function nearestPlace(
  part: Placed,
  others: readonly Placed[],
  plate: Plate,
  gapMm: number,
  mostMm: number,
): { xMm: number; yMm: number } | undefined {
  const reach = mostMm + gapMm;
  const own = extentOf(coveredBy(part.footprint, part));
  const near = others.filter((other) => {
    const { x, y } = extentOf(coveredBy(other.footprint, other));
    return Math.max(x.low - own.x.high, own.x.low - x.high, y.low - own.y.high, own.y.low - y.high) < reach;
  });
  for (let awayMm = 0; awayMm <= mostMm; awayMm += STEP_MM) {
    const directions = awayMm === 0 ? 1 : DIRECTIONS;
    for (let i = 0; i < directions; i++) {
      const angle = (2 * Math.PI * i) / directions;
      const xMm = part.xMm + awayMm * Math.cos(angle);
      const yMm = part.yMm + awayMm * Math.sin(angle);
      const { pairs, outside } = conflictsOf([{ ...part, xMm, yMm }, ...near], plate, gapMm);
      const isOwn = (id: string) => id === part.id;
      if (!outside.some(isOwn) && !pairs.some((pair) => pair.some(isOwn))) return { xMm, yMm };
    }
  }
  return undefined;
}
