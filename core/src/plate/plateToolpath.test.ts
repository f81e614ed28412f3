import { describe, expect, it } from 'vitest';
import { everydaySettings, type Path, type Role } from '../slice/index.ts';
import { plateToolpath, type LaidPart } from './plateToolpath.ts';

/** No layer waits for itself, and nothing lies around the parts. */
const settings = {
  ...everydaySettings,
  minLayerS: 0,
  skirtLines: 0,
  plateMm: [200, 150] as [number, number],
};

type Points = Path['points'];
const path = (points: Points, closed = false, role: Role = 'wall'): Path => ({
  role,
  points,
  closed,
  widthMm: 0.4,
});

/** A part of some layers, each of the same paths. */
const part = (layers: number, ...paths: readonly Path[]) => ({
  layers: Array.from({ length: layers }, (_, i) => ({ zMm: 0.2 * (i + 1), thickMm: 0.2, pace: 1, paths })),
});
const at = (xMm: number, yMm: number, laid: LaidPart['part'], turnDeg = 0): LaidPart => ({
  part: laid,
  xMm,
  yMm,
  turnDeg,
});
const begins = (parts: readonly LaidPart[], layer = 0) =>
  plateToolpath(parts, settings).layers[layer].paths.map(({ points }) => points[0].map(Math.round));

describe('the toolpath of a plate', () => {
  const corner: Points = [[-5, -3], [5, -3], [5, 3]]; // oxfmt-ignore

  it('puts each path where its part lies, turned as it is, and the way to it, too', () => {
    const withWay = { ...path(corner), way: [[0, 0]] as Points };
    const [lower, { paths }] = plateToolpath([at(50, 40, part(2, withWay), 90)], settings).layers;
    const expected = (points: readonly (readonly [number, number])[]) =>
      points.map((point) => point.map((mm) => expect.closeTo(mm, 9) as number));
    expect(paths[0].points).toEqual(expected([[53, 35], [53, 45], [47, 45]])); // oxfmt-ignore
    expect(paths[0].way).toEqual(expected([[50, 40]]));
    // The nozzle that comes from elsewhere was nowhere on it.
    expect(lower.paths[0].way).toBeUndefined();
  });

  it('goes to the nearest next part, from the front left corner and then from where the last one ended', () => {
    const dash = part(1, path([[-30, 0], [30, 0]])); // oxfmt-ignore
    // The first ends at 70, which is nearer to 100 than to 10.
    expect(begins([at(130, 50, dash), at(40, 100, dash), at(40, 20, dash)])).toEqual([[10, 20], [100, 50], [10, 100]]); // oxfmt-ignore
    // A closed path ends where it began.
    const ring = part(1, path([[-30, 0], [30, 0], [30, 9]], true)); // oxfmt-ignore
    expect(begins([at(130, 50, ring), at(40, 100, ring), at(40, 20, ring)])).toEqual([[10, 20], [10, 100], [100, 50]]); // oxfmt-ignore
    // The front left corner is where the first one is measured from.
    expect(begins([at(120, 30, dash), at(40, 120, dash)])).toEqual([
      [90, 30],
      [10, 120],
    ]);
  });

  it('has as many layers as its highest part, each of those that reach so high', () => {
    const low = at(60, 50, part(1, path(corner)));
    const high = at(120, 50, part(3, path(corner)));
    const { layers } = plateToolpath([low, high], settings);
    expect(layers.map(({ paths }) => paths.length)).toEqual([2, 1, 1]);
    expect(layers.map(({ zMm }) => zMm)).toEqual(
      [0.2, 0.4, 0.6].map((mm) => expect.closeTo(mm, 9) as number),
    );
  });

  it('takes heights that only rounding tells apart for one', () => {
    const added = [0.1 + 0.2, 3 * 0.2, 0.7 + 0.2].map((zMm) => ({
      zMm,
      thickMm: 0.3,
      pace: 1,
      paths: [path(corner)],
    }));
    const written = [0.3, 0.6, 0.9].map((zMm) => ({ zMm, thickMm: 0.3, pace: 1, paths: [path(corner)] }));
    const { layers } = plateToolpath(
      [at(60, 50, { layers: added }), at(120, 50, { layers: written })],
      settings,
    );
    expect(layers.map(({ paths }) => paths.length)).toEqual([2, 2, 2]);
  });

  it('has lines around everything at their distance, from the outside in, as long as the plate has room', () => {
    const square = path([[-10, -10], [10, -10], [10, 10], [-10, 10]], true); // oxfmt-ignore
    const own = { ...settings, skirtLines: 2, skirtGapMm: 3, lineWidthMm: 0.5 };
    const skirtAt = (xMm: number, yMm: number) =>
      plateToolpath([at(xMm, yMm, part(2, square))], own).layers.map(({ paths }) =>
        paths.filter(({ role }) => role === 'skirt'),
      );
    const [first, second] = skirtAt(100, 70);
    expect(second).toEqual([]);
    const reach = ({ points }: Path) => Math.max(...points.map(([x]) => x)) - 110;
    expect(first.map(reach)).toEqual([4, 3.5].map((mm) => expect.closeTo(mm, 2) as number));
    expect(first.every(({ closed, widthMm }) => closed && widthMm === 0.5)).toBe(true);
    // 10 of the part, 4 to the outer line and a quarter of a millimetre of that: a little more than 14.
    for (const [x, y] of [[14.3, 70], [185.7, 70], [100, 14.3], [100, 135.7]]) expect(skirtAt(x, y)[0]).toHaveLength(2); // oxfmt-ignore
    for (const [x, y] of [[14.2, 70], [185.8, 70], [100, 14.2], [100, 135.8]]) expect(skirtAt(x, y)[0]).toEqual([]); // oxfmt-ignore
  });
});
