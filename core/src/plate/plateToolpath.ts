import { boundsOf, type HangingFaces, type SolidMesh } from '../mesh/index.ts';
import { circlePoints, convexHull, moved, type Outline, type Point } from '../plane/index.ts';
import {
  endOf,
  paced,
  slice,
  type Layer,
  type Path,
  type PrintSettings,
  type Toolpath,
} from '../slice/index.ts';
import type { Kernel } from '../solid/index.ts';
import { onPlate, type Pose } from './placement.ts';

/** A part sliced by itself, in coordinates about the middle of its box. The paths of each layer are asked for once. */
export type SlicedPart = Toolpath;

/** A sliced part with its place on the plate. */
export interface LaidPart extends Pose {
  readonly part: SlicedPart;
}

/** Layers whose heights differ by less are one, mm. */
const SAME_HEIGHT_MM = 1e-4;

/**
 * Slices a part for a plate. Copies of a part are sliced once.
 *
 * @param settings with a seam that is marked from the middle of its box
 * @param hanging its faces that supports have to hold, where the settings ask for supports
 */
export function slicePart(
  kernel: Kernel,
  mesh: SolidMesh,
  settings: PrintSettings,
  hanging: readonly HangingFaces[] = [],
): SlicedPart {
  const { min, max } = boundsOf(mesh);
  const [middleX, middleY] = [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2];
  const toMiddle = placer({ xMm: -middleX, yMm: -middleY, turnDeg: 0 });
  const mark = settings.seamAtMm;
  const seamAtMm: typeof mark = mark && [mark[0] + middleX, mark[1] + middleY];
  // One skirt goes around the whole plate.
  const { layers } = slice(kernel, mesh, { ...settings, seamAtMm, skirtLines: 0 }, hanging, false);
  return { layers: layers.map((layer) => ({ ...layer, paths: layer.paths.map(toMiddle) })) };
}

/** The toolpath of a plate. */
export interface PlateToolpath extends Toolpath {
  /** The parts by number, in the order in which they are printed one after another; left out where all of them grow together. */
  readonly turns?: readonly number[];
}

/**
 * The toolpath of a whole plate, counted from the front left corner of the plate: layer by layer, or where the settings ask
 * for it part by part. The nozzle has to get past what stands there already, see {@link headConflicts}; where colours change at a height
 * all parts grow together.
 */
export function plateToolpath(parts: readonly LaidPart[], settings: PrintSettings): PlateToolpath {
  return settings.isOneByOne && settings.colourChangesMm.length === 0
    ? partByPart(parts, settings)
    : layerByLayer(parts, settings);
}

/** The lowest parts first, so that the beam above the nozzle passes over them. */
function partByPart(parts: readonly LaidPart[], settings: PrintSettings): PlateToolpath {
  const topMm = ({ part: { layers } }: LaidPart) => layers.at(-1)?.zMm ?? 0;
  const turns = parts.map((_, i) => i).sort((a, b) => topMm(parts[a]) - topMm(parts[b]));
  const placed = turns.map((turn) => {
    const put = placer(parts[turn]);
    return parts[turn].part.layers
      .map((layer) => ({ ...layer, paths: layer.paths.map(put) }))
      .filter(({ paths }) => paths.length > 0);
  });
  const around = skirt(
    placed.flatMap(([first]) => first?.paths ?? []),
    settings,
  );
  const layers = placed.flatMap((own, turn) =>
    own.map((layer, index): Layer => {
      const [{ way, ...first }, ...rest] = layer.paths;
      const paths = index === 0 ? [...(turn === 0 ? around : []), first, ...rest] : layer.paths;
      return paced({ ...layer, paths }, settings);
    }),
  );
  return { layers, turns };
}

function layerByLayer(parts: readonly LaidPart[], settings: PrintSettings): PlateToolpath {
  const puts = parts.map(placer);
  // The last layers of parts end at heights of their own, between those that all have in common; and layers that adapt to
  // slopes may end at the same height though they are not as thick.
  const heights = new Map<string, { layer: Layer; parts: LayerOfPart[] }>();
  for (const [part, { part: own }] of parts.entries()) {
    for (const layer of own.layers) {
      const key = [layer.zMm, layer.thickMm].map((mm) => Math.round(mm / SAME_HEIGHT_MM)).join(' ');
      const known = heights.get(key);
      if (known) known.parts.push({ part, layer });
      else heights.set(key, { layer, parts: [{ part, layer }] });
    }
  }
  let last: Stand = { at: [0, 0], part: undefined };
  const layers = [...heights.values()]
    .sort((a, b) => a.layer.zMm - b.layer.zMm || a.layer.thickMm - b.layer.thickMm)
    .flatMap(({ layer: { zMm, thickMm }, parts: laid }): Omit<Layer, 'pace'>[] => {
      const own = laid.map(({ part, layer }) => ({ part, paths: layer.paths.map(puts[part]) }));
      const { paths, end } = inTurn(
        own.filter((each) => each.paths.length > 0),
        last,
      );
      last = end;
      return paths.length > 0 ? [{ zMm, thickMm, paths }] : [];
    })
    .map(({ paths, ...layer }, index): Layer => {
      const around = index === 0 ? skirt(paths, settings) : [];
      return paced({ ...layer, paths: [...around, ...paths] }, settings);
    });
  return { layers };
}

/** Puts a path where its part is put. */
function placer(pose: Pose): (path: Path) => Path {
  const put = onPlate(pose);
  return ({ way, ...path }) => ({
    ...path,
    points: path.points.map(put),
    ...(way ? { way: way.map(put) } : {}),
  });
}

/** A layer of one part, by the number of that. */
interface LayerOfPart {
  readonly part: number;
  readonly layer: Layer;
}

/** What a layer of the plate has of one part. */
interface PartOfLayer {
  readonly part: number;
  readonly paths: readonly Path[];
}

/** Where the nozzle is, and over which part. */
interface Stand {
  readonly at: readonly [number, number];
  readonly part: number | undefined;
}

/**
 * The parts of a layer, the nearest next one after each, so that the nozzle crosses the plate little. It goes on where the
 * layer below ended: only over the same part does the way hold that the part was sliced with.
 */
function inTurn(parts: readonly PartOfLayer[], from: Stand): { paths: Path[]; end: Stand } {
  const left = [...parts];
  const ordered: Path[] = [];
  let end = from;
  while (left.length > 0) {
    const [x, y] = end.at;
    const away = left.map(({ paths: [{ points }] }) => Math.hypot(points[0][0] - x, points[0][1] - y));
    const [{ part, paths }] = left.splice(away.indexOf(Math.min(...away)), 1);
    const [{ way, ...first }, ...rest] = paths;
    ordered.push(way && part === end.part ? { ...first, way } : first, ...rest);
    end = { at: endOf(paths[paths.length - 1]), part };
  }
  return { paths: ordered, end };
}

/** Lines around everything on the plate, from the outside in; left out where the plate has no room. */
function skirt(paths: readonly Path[], settings: PrintSettings): Path[] {
  const { skirtLines, skirtGapMm, lineWidthMm } = settings;
  const hull = convexHull(paths.flatMap(({ points }) => points.map(([x, y]): Point => [x, y])));
  const rings = Array.from({ length: skirtLines }, (_, i) => {
    // Paths run half a line within what they cover.
    const points = grownHull(hull, skirtGapMm + lineWidthMm * (i + 1));
    return { role: 'skirt', points, closed: true, widthMm: lineWidthMm } satisfies Path;
  });
  const isOnPlate = (point: Point) => fromEdgeMm(point, settings) >= lineWidthMm / 2;
  return rings.every(({ points }) => points.every(isOnPlate)) ? rings.reverse() : [];
}

/** How far within the edge of the plate a point lies, mm. */
function fromEdgeMm(
  [x, y]: Point,
  { plateMm: [widthMm, depthMm], isPlateRound }: Pick<PrintSettings, 'plateMm' | 'isPlateRound'>,
): number {
  if (isPlateRound) return widthMm / 2 - Math.hypot(x - widthMm / 2, y - depthMm / 2);
  return Math.min(x, y, widthMm - x, depthMm - y);
}

/** A convex outline grown outwards, its corners rounded: the hull of circles about them. */
function grownHull(hull: Outline, mm: number): Outline {
  const circle = circlePoints(mm);
  return convexHull(hull.flatMap(([x, y]) => moved([circle], x, y)[0]));
}
