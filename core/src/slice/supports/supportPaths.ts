import { signedAreaOf } from '../../plane/index.ts';
import type { Area } from '../../solid/index.ts';
import { fillLines } from '../layers/fillLines.ts';
import { inOrderOfTravel, pieceByPiece } from '../paths/order.ts';
import { endOf, type Path } from '../paths/toolpath.ts';
import type { PrintSettings, SupportSettings } from '../settings/printSettings.ts';
import { circleOf, type Stem } from './stem.ts';

/** Under what they hold lines lie so many of their widths apart: near enough to hold, and far enough to be torn off. */
const DENSE_LINES = 1.5;
/** Lines keep to the same places in all layers, so that they stand on each other; the dense ones lie across them. */
const ALONG_DEG = 0;
const ACROSS_DEG = 90;
const STRAIGHT_MM = 0.06;
/** So many spaces between its lines the nozzle goes without drawing the filament back: a thread in a support does no harm. */
const NEAR_SPACES = 2.2;

/** A layer of supports: what it covers beside its stems, and where of that it is laid densely. */
export interface SupportLayer {
  readonly area?: Area;
  readonly dense?: Area;
  readonly stems: readonly Stem[];
}

type Lines = Pick<PrintSettings, 'lineWidthMm'> & Pick<SupportSettings, 'share'>;

/** The lines of a layer of supports: one around each, and lines within, those of the first layer side by side. */
export function supportPaths({ area, dense, stems }: SupportLayer, isFirst: boolean, lines: Lines): Path[] {
  const wide = area ? pathsOfArea(area, dense, isFirst, lines) : [];
  const around = stems.map((stem) => pathOf(stem, lines));
  if (around.length === 0) return wide;
  const last = wide.at(-1);
  return [...wide, ...inOrderOfTravel(around, last && endOf(last))];
}

/** The line around a stem, which begins and ends with one across it. */
function pathOf(stem: Stem, { lineWidthMm }: Lines): Path {
  const rim = circleOf(stem, stem.radiusMm - lineWidthMm / 2);
  const opposite = rim[rim.length / 2];
  return { role: 'support', points: [...rim, rim[0], opposite], closed: false, widthMm: lineWidthMm };
}

function pathsOfArea(
  area: Area,
  dense: Area | undefined,
  isFirst: boolean,
  { lineWidthMm, share }: Lines,
): Path[] {
  const rim = area.grown(-lineWidthMm / 2, 'sharp').simplified(STRAIGHT_MM);
  const walls = rim
    .outlines()
    .map((points): Path => ({ role: 'support', points, closed: true, widthMm: lineWidthMm }));
  // The lines within end on the one around: one outline serves for both, and a support need not be neat.
  const lines = (place: Area, deg: number, apartMm: number) =>
    fillLines(place.outlines(), deg, apartMm, 'support', lineWidthMm);
  const fill = isFirst
    ? lines(rim, ALONG_DEG, lineWidthMm)
    : [
        ...(dense ? lines(rim.and(dense), ACROSS_DEG, DENSE_LINES * lineWidthMm) : []),
        ...lines(dense ? rim.without(dense) : rim, ALONG_DEG, lineWidthMm / share),
      ];
  const isOnePiece = rim.outlines().filter((outline) => signedAreaOf(outline) > 0).length < 2;
  const pieces = isOnePiece ? [] : rim.pieces().map((piece) => piece.outlines());
  const nearMm = (NEAR_SPACES * lineWidthMm) / share;
  return pieceByPiece(walls, fill, pieces).map((path, i, all) => {
    if (i === 0) return path;
    const [x, y] = endOf(all[i - 1]);
    const mm = Math.hypot(path.points[0][0] - x, path.points[0][1] - y);
    return mm <= nearMm ? { ...path, way: [] } : path;
  });
}
