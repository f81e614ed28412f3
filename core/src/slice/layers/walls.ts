import { extentOf, narrowestMm, type Outline } from '../../plane/index.ts';
import type { Area } from '../../solid/index.ts';
import { centreLines, type Stroke } from './centreLines.ts';
import { filling, lengthAlong } from '../paths/lengths.ts';
import type { PrintSettings } from '../settings/printSettings.ts';
import { fromMarkedSeam, fromSeam } from '../paths/seam.ts';
import type { Path } from '../paths/toolpath.ts';

/** Where so much of two lines' width has room, both are laid: a wall of just two lines must not become a single one. */
const TWO_LINES = 1.9;
/** What is wider than that by so much surely has the room, wherever its corners were moved to on the way. */
const SPARE_MM = 0.03;
/** Narrower than this share of a line, nothing is laid. */
const LEAST = 1 / 3;

/** A corner that strays no further than this from the line between its neighbours only takes time. */
const STRAIGHT_MM = 0.01;
/** And one so near to it, between steps that follow each other. */
const FINE_MM = 0.003;
/**
 * So near to lines nothing is looked for that is thin: their edge lies on the outline, and all that rounding leaves
 * between the two would be gone through. What is thin ends at them, and loses nothing of its width.
 */
const BESIDE_MM = 0.02;
/** Less than this share of a square as wide as a line is a sliver beside a rounded corner. */
const SLIVER = 0.4;
/** And a line of less than this share of it a crumb at the tip of a wedge. */
const CRUMB = 0.2;

/** What goes along the outlines of a section, and what is left to fill within. */
export interface Walls {
  readonly paths: readonly Path[];
  readonly inside: Area;
}

/**
 * Lays lines along every outline of a section, as many as are wished or have room. Where two lines have no room beside
 * each other, in a thin wall, in the stroke of a letter or between the innermost lines, one line as wide as the place
 * runs along its middle; so every place is filled, and none twice.
 */
export function wallsOf(section: Area, { lineWidthMm, wallLines, seam, seamAtMm }: PrintSettings): Walls {
  const paths: Path[] = [];
  /** How wide a section is everywhere if two lines have room beside each other within so many rings. */
  const roomMm = (rings: number) => (2 * rings + TWO_LINES) * lineWidthMm + SPARE_MM;
  const narrowMm = narrowestMm(section.outlines(), roomMm(wallLines));
  const begun = (points: Outline) => (seamAtMm ? fromMarkedSeam(points, seamAtMm) : fromSeam(points, seam));
  let left = section;
  for (let ring = 0; ring < wallLines && !left.isEmpty(); ring++) {
    const isWide = narrowMm >= roomMm(ring);
    const line = isWide
      ? left.grown(-lineWidthMm / 2).simplified(STRAIGHT_MM)
      : wherever(left, lineWidthMm, -lineWidthMm / 2);
    for (const points of line.outlines()) {
      paths.push({ role: 'wall', points: begun(points), closed: true, widthMm: lineWidthMm });
    }
    if (!isWide) paths.push(...along(left, line.grown(lineWidthMm / 2 + BESIDE_MM), lineWidthMm));
    left = line.grown(-lineWidthMm / 2).simplified(FINE_MM);
  }
  if (narrowMm >= roomMm(wallLines)) return { paths, inside: left };
  const inside = wherever(left, lineWidthMm, 0);
  paths.push(...along(left, inside.grown(BESIDE_MM), lineWidthMm));
  return { paths, inside };
}

/** An area where two lines have room beside each other, shrunk by so much. */
function wherever(area: Area, lineWidthMm: number, byMm: number): Area {
  const half = (TWO_LINES / 2) * lineWidthMm;
  return area
    .grown(-half)
    .simplified(STRAIGHT_MM)
    .grown(half + byMm, 'sharp')
    .and(byMm === 0 ? area : area.grown(byMm))
    .simplified(STRAIGHT_MM);
}

/** The lines along the middle of what is thin in an area, beside what is `covered` there and {@link BESIDE_MM} around it. */
function along(area: Area, covered: Area, lineWidthMm: number): Path[] {
  const leastMm = LEAST * lineWidthMm;
  const places = area
    .without(covered)
    .grown(-leastMm / 2)
    .grown(leastMm / 2);
  return places.pieces().flatMap((place) => {
    if (place.mm2() < SLIVER * lineWidthMm ** 2) return [];
    const strokes = centreLines(place.outlines(), leastMm);
    const lines = strokes.filter(({ points, closed, widthMm }) => {
      return lengthAlong({ points, closed }) * widthMm >= CRUMB * lineWidthMm ** 2;
    });
    const paths = (lines.length > 0 ? lines : [dot(place)]).map((line): Path => ({ role: 'thin', ...line }));
    return filling(paths, place.mm2());
  });
}

/** What is as short as it is thin has no middle line: half its length is one. */
function dot(place: Area): Stroke {
  const { x, y } = extentOf(place.outlines());
  const [midX, midY] = [(x.low + x.high) / 2, (y.low + y.high) / 2];
  const [halfX, halfY] = [(x.high - x.low) / 4, (y.high - y.low) / 4];
  const isWide = halfX > halfY;
  return {
    points: isWide
      ? [
          [midX - halfX, midY],
          [midX + halfX, midY],
        ]
      : [
          [midX, midY - halfY],
          [midX, midY + halfY],
        ],
    closed: false,
    widthMm: 4 * (isWide ? halfY : halfX),
  };
}
