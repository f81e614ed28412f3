import type { Outline, Region } from '../recipe/steps/index.ts';

/** How far a straight edge may stray from the curve it stands for, in mm: a fortieth of a common nozzle. */
const CHORD_ERROR_MM = 0.005;

/**
 * The number of equal edges that stand for a circle of the given radius, a multiple of four so that its width and
 * depth are exact. From the sagitta s = r (1 − cos(π / n)).
 */
export function segmentsFor(radiusMm: number): number {
  const error = Math.min(CHORD_ERROR_MM, radiusMm / 4);
  const exact = Math.PI / Math.acos(1 - error / radiusMm);
  return Math.min(256, Math.max(24, 4 * Math.ceil(exact / 4)));
}

/** A circle about the origin whose corners lie on the true circle. */
export function circle(diameterMm: number): Region {
  const radius = diameterMm / 2;
  const segments = segmentsFor(radius);
  return [arc([0, 0], radius, 0, 2 * Math.PI, segments).slice(0, segments)];
}

/** A rectangle about the origin whose four corners are arcs of the given radius; 0 leaves them sharp. */
export function roundedRectangle(widthMm: number, depthMm: number, cornerMm: number): Region {
  const x = widthMm / 2 - cornerMm;
  const y = depthMm / 2 - cornerMm;
  if (cornerMm === 0) return [[[-x, -y], [x, -y], [x, y], [-x, y]]]; // prettier-ignore
  const quarter = segmentsFor(cornerMm) / 4;
  const corners: Outline = [];
  const middles: [number, number][] = [[x, y], [-x, y], [-x, -y], [x, -y]]; // prettier-ignore
  middles.forEach((middle, i) =>
    corners.push(...arc(middle, cornerMm, (i * Math.PI) / 2, Math.PI / 2, quarter)),
  );
  return [withoutRepeats(corners)];
}

function arc(
  middle: readonly [number, number],
  radius: number,
  from: number,
  sweep: number,
  segments: number,
): Outline {
  return Array.from({ length: segments + 1 }, (_, i) => {
    const angle = from + (sweep * i) / segments;
    return [middle[0] + radius * Math.cos(angle), middle[1] + radius * Math.sin(angle)];
  });
}

/** Corners of full radius meet in one point, which must stand in the outline once. */
function withoutRepeats(outline: Outline): Outline {
  return outline.filter(([x, y], i) => {
    const [px, py] = outline[(i + outline.length - 1) % outline.length];
    return Math.hypot(x - px, y - py) > 1e-9;
  });
}
