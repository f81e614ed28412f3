import { signedAreaOf } from '../../plane/index.ts';
import type { Area } from '../../solid/index.ts';
import type { PrintSettings } from '../settings/printSettings.ts';
import type { Path, Role } from '../paths/toolpath.ts';

/**
 * What is laid around a part on the plate before it: the skirt, which the part does not touch, and the brim, which holds
 * it, from the outside in. A skirt for which the plate has no room is left out.
 */
export function aroundPart(first: Area, settings: PrintSettings): Path[] {
  const { lineWidthMm, skirtLines, skirtGapMm, brimMm, plateMm } = settings;
  const rings = (role: Role, count: number, fromMm: number): Path[] =>
    Array.from({ length: count }, (_, i) => first.grown(fromMm + lineWidthMm * (i + 0.5)).simplified(0.02))
      .flatMap((area) => area.outlines())
      // Around openings nothing has to flow or to hold.
      .filter((points) => signedAreaOf(points) > 0)
      .map((points): Path => ({ role, points, closed: true, widthMm: lineWidthMm }))
      .reverse();
  const skirt = rings('skirt', skirtLines, brimMm + skirtGapMm);
  const corners = skirt.flatMap(({ points }) => points);
  const fits = [0, 1].every((axis) => {
    const along = corners.map((point) => point[axis]);
    return Math.max(...along) - Math.min(...along) <= plateMm[axis] - lineWidthMm;
  });
  return [...(fits ? skirt : []), ...rings('brim', Math.round(brimMm / lineWidthMm), 0)];
}
