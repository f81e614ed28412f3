import { uprightSection, type Box, type SectionOutline, type SolidMesh } from '../mesh/index.ts';
import type { RoundFeature } from './roundFeatures.ts';
import { views, type CutPlane, type View } from './views.ts';

/** Which section a sheet shows. */
export type SectionWish = 'most' | 'front' | 'side' | 'none';

/** Corners of a section count up to so many, so that letters do not outweigh a hole. */
const MOST_CORNERS = 60;

/** The outlines of a part in an upright plane, as the view sees them. */
export function outlinesAt(mesh: SolidMesh, { view, atMm }: CutPlane): SectionOutline[] {
  const [x, y] = view.toward;
  return uprightSection(mesh, [x * atMm, y * atMm], [view.right[0], view.right[1]]);
}

/**
 * The upright plane, seen from the front or from a side, that shows most of what is inside a part: it goes through holes
 * where there are some, else through the middle.
 *
 * @param side the view that is drawn beside the front
 */
export function sectionPlane(
  mesh: SolidMesh,
  { min, max }: Box,
  rounds: readonly RoundFeature[],
  wish: SectionWish,
  side: View,
): CutPlane | undefined {
  if (wish === 'none') return undefined;
  const wanted = wish === 'most' ? [views.front, side] : [wish === 'front' ? views.front : side];
  const planes = wanted.flatMap((view) => {
    const axis = view.toward[0] === 0 ? 1 : 0;
    const holes = rounds.filter((each) => each.isHole && each.isWhole && each.axis !== axis);
    const places = [(min[axis] + max[axis]) / 2, ...holes.map(({ middle }) => middle[axis])];
    return [...new Set(places.map((mm) => Math.round(mm * 1000) / 1000))].map((mm) => {
      const plane: CutPlane = { view, atMm: mm * view.toward[axis] };
      const cut = holes.filter(({ middle }) => Math.abs(middle[axis] - mm) < 0.05).length;
      const corners = outlinesAt(mesh, plane).reduce((sum, { points }) => sum + points.length, 0);
      return { plane, worth: cut * MOST_CORNERS + Math.min(corners, MOST_CORNERS - 1), corners };
    });
  });
  const best = planes
    .filter(({ corners }) => corners > 0)
    .reduce<(typeof planes)[number] | undefined>((a, b) => (a && a.worth >= b.worth ? a : b), undefined);
  return best?.plane;
}
