import type { Area } from '../../solid/index.ts';
import type { HeldLayer } from './heldLayer.ts';
import type { KeepAway } from './keepAway.ts';
import { SupportShape, type MakesArea } from './supportShape.ts';

/** What is narrower than this is not worth laying, mm. */
const NARROW_MM = 0.5;
/** Corners that stray less are none, mm; and areas that differ by less are the same, mm². */
const FINE_MM = 0.06;
const SAME_MM2 = 0.02;

/**
 * Supports that go straight down from what they hold, until they stand on the plate or on the part.
 *
 * @param held what the supports of each layer hold, from the plate upwards
 */
export function columns(
  held: readonly HeldLayer[],
  keepAway: KeepAway,
  makesArea: MakesArea,
): (SupportShape | undefined)[] {
  const shapes = held.map((): SupportShape | undefined => undefined);
  /** All that is wanted in the layer above, what is too narrow to be laid included: from layer to layer it becomes wide. */
  let above: Area | undefined;
  for (let index = held.length - 1; index >= 0; index--) {
    const { onto } = held[index];
    const wanted = above && onto ? above.with(onto) : (above ?? onto);
    if (!wanted) continue;
    const free = wanted.without(keepAway.at(index)).simplified(FINE_MM);
    // Nothing was taken away: it is the very area above.
    const isSame = wanted === above && wanted.mm2() - free.mm2() < SAME_MM2;
    shapes[index] = isSame ? shapes[index + 1] : shapeOf(usable(free), makesArea);
    above = isSame ? above : free.isEmpty() ? undefined : free;
  }
  return shapes;
}

const shapeOf = (area: Area | undefined, makesArea: MakesArea) => area && new SupportShape(makesArea, area);

/** An area without what is too narrow to be laid; undefined if nothing is left. */
export function usable(area: Area): Area | undefined {
  const left = area
    .grown(-NARROW_MM / 2, 'sharp')
    .grown(NARROW_MM / 2, 'sharp')
    .simplified(FINE_MM);
  return left.isEmpty() ? undefined : left;
}
