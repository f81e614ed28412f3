import { roles, type Layer, type Path, type SupportNotes, type Toolpath } from './toolpath.ts';

/**
 * A toolpath as columns of numbers: a tenth of the memory, and quick to hand from one thread to another. Nothing is rounded.
 */
export interface PackedToolpath {
  /** Of each layer: its height and thickness in mm, and its pace. */
  readonly layers: Float64Array;
  /** The first path of each layer, and after the last layer the number of paths. */
  readonly firstPath: Uint32Array;
  /** Of each path: its role by number, twice that and one more if it is closed. */
  readonly kinds: Uint8Array;
  readonly widthsMm: Float64Array;
  /** Of each path: how many points it has, and how many its way has and one more, or 0 if it has none. */
  readonly counts: Uint32Array;
  /** The first point of each path in `points`, those of its way first. */
  readonly firstPoint: Uint32Array;
  /** x and y in turn, mm. */
  readonly points: Float64Array;
  readonly supports?: SupportNotes;
}

/** A toolpath as columns of numbers. */
export function packed({ layers, supports }: Toolpath): PackedToolpath {
  const paths = layers.flatMap((layer) => layer.paths);
  const countOf = ({ points, way }: Path) => points.length + (way?.length ?? 0);
  const to = {
    layers: Float64Array.from(layers.flatMap(({ zMm, thickMm, pace }) => [zMm, thickMm, pace])),
    firstPath: new Uint32Array(layers.length + 1),
    kinds: new Uint8Array(paths.length),
    widthsMm: new Float64Array(paths.length),
    counts: new Uint32Array(2 * paths.length),
    firstPoint: new Uint32Array(paths.length),
    points: new Float64Array(2 * paths.reduce((sum, path) => sum + countOf(path), 0)),
  };
  for (const [i, layer] of layers.entries()) to.firstPath[i + 1] = to.firstPath[i] + layer.paths.length;
  let at = 0;
  for (let i = 0; i < paths.length; i++) {
    const { role, points, closed, widthMm, way } = paths[i];
    to.kinds[i] = 2 * roles.indexOf(role) + (closed ? 1 : 0);
    to.widthsMm[i] = widthMm;
    to.counts[2 * i] = points.length;
    to.counts[2 * i + 1] = way ? way.length + 1 : 0;
    to.firstPoint[i] = at / 2;
    for (const places of way ? [way, points] : [points]) {
      for (let k = 0; k < places.length; k++) {
        to.points[at++] = places[k][0];
        to.points[at++] = places[k][1];
      }
    }
  }
  return { ...to, ...(supports ? { supports } : {}) };
}

/** The toolpath that was packed. The paths of a layer are made each time that they are asked for, and not kept. */
export function unpacked(from: PackedToolpath): Toolpath {
  const { layers, firstPath, supports } = from;
  return {
    layers: Array.from({ length: firstPath.length - 1 }, (_, i): Layer => {
      const [zMm, thickMm, pace] = layers.subarray(3 * i, 3 * i + 3);
      return {
        zMm,
        thickMm,
        pace,
        get paths() {
          return Array.from({ length: firstPath[i + 1] - firstPath[i] }, (_, j) =>
            pathAt(from, firstPath[i] + j),
          );
        },
      };
    }),
    ...(supports ? { supports } : {}),
  };
}

function pathAt({ kinds, widthsMm, counts, firstPoint, points }: PackedToolpath, i: number): Path {
  const [count, wayAndOne] = [counts[2 * i], counts[2 * i + 1]];
  const wayCount = Math.max(0, wayAndOne - 1);
  const placesFrom = (first: number, count: number) => {
    const places: (readonly [number, number])[] = [];
    for (let k = 2 * first; k < 2 * (first + count); k += 2) places.push([points[k], points[k + 1]]);
    return places;
  };
  return {
    role: roles[kinds[i] >> 1],
    points: placesFrom(firstPoint[i] + wayCount, count),
    closed: kinds[i] % 2 === 1,
    widthMm: widthsMm[i],
    ...(wayAndOne > 0 ? { way: placesFrom(firstPoint[i], wayCount) } : {}),
  };
}
