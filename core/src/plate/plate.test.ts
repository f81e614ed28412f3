import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { built } from '../../test/evaluated.ts';
import { madeWith } from '../../test/solids.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import { extentOf, isInside, regionAreaOf, type Region } from '../plane/index.ts';
import { endOf, estimate, everydaySettings, slice, type Layer, type Path } from '../slice/index.ts';
import { lengthAlong } from '../slice/paths/lengths.ts';
import type { Workshop } from '../solid/index.ts';
import { starters } from '../starters/index.ts';
import {
  conflictsOf,
  coveredBy,
  distanceBetween,
  footprintOf,
  layOut,
  plateToolpath,
  slicePart,
  type Plate,
  type Placeable,
} from './index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const plate: Plate = { widthMm: 220, depthMm: 200, edgeMm: 5 };
const GAP_MM = 3;
const box = (width: number, depth: number): Region => [
  [
    [-width / 2, -depth / 2],
    [width / 2, -depth / 2],
    [width / 2, depth / 2],
    [-width / 2, depth / 2],
  ],
];
const example = (title: string) =>
  built(workshop, starters.find((each) => each.title === title)!.recipe).mesh;
const copies = (count: number, ...footprints: Region[]): Placeable[] =>
  Array.from({ length: count }, (_, i) => ({
    id: `part ${i}`,
    footprint: footprints[i % footprints.length],
  }));

describe('a footprint', () => {
  it('is what a part covers from above, about the middle of its box, without its openings', () => {
    const ring = madeWith(workshop.kernel, ({ Manifold }) =>
      Manifold.cylinder(4, 10, 10, 64)
        .subtract(Manifold.cylinder(9, 6, 6, 64, true))
        .translate([30, 40, 0]),
    );
    const footprint = footprintOf(workshop.kernel, ring);
    expect(regionAreaOf(footprint)).toBeCloseTo(Math.PI * 100, -1);
    const { x, y } = extentOf(footprint);
    expect([x.low, x.high, y.low, y.high]).toEqual(
      [-10, 10, -10, 10].map((mm) => expect.closeTo(mm, 1) as number),
    );
  });

  it('counts what leans over the plate further up', () => {
    const mushroom = madeWith(workshop.kernel, ({ Manifold }) =>
      Manifold.cylinder(5, 3, 3, 32).add(Manifold.cylinder(2, 12, 12, 64).translate([0, 0, 5])),
    );
    const { x } = extentOf(footprintOf(workshop.kernel, mushroom));
    expect(x.high).toBeCloseTo(12, 1);
  });

  it('counts what is smaller than a square millimetre', () => {
    const pins = madeWith(workshop.kernel, ({ Manifold }) =>
      Manifold.cube([0.6, 0.6, 4]).add(Manifold.cube([0.6, 0.6, 2]).translate([9.4, 0, 0])),
    );
    const footprint = footprintOf(workshop.kernel, pins);
    expect(footprint).toHaveLength(2);
    expect(regionAreaOf(footprint)).toBeCloseTo(0.72, 2);
    expect(extentOf(footprint).x).toEqual({ low: -5, high: 5 });
  });
});

describe('a layout', () => {
  it('has room for a part as large as the usable plate, and for none that is larger', () => {
    const [widthMm, depthMm] = [plate.widthMm - 2 * plate.edgeMm, plate.depthMm - 2 * plate.edgeMm];
    const alone = (footprint: Region) => layOut(copies(1, footprint), plate, GAP_MM).placed.length;
    // Room is taken in whole cells.
    expect(alone(box(widthMm - 2, depthMm - 2))).toBe(1);
    expect(alone(box(widthMm + 1, depthMm - 2))).toBe(0);
    // What is too long for one side lies across.
    expect(alone(box(20, depthMm + 1))).toBe(1);
    const odd = { ...plate, widthMm: plate.widthMm + 0.3, depthMm: plate.depthMm + 0.3 };
    expect(layOut(copies(1, box(widthMm + 0.4, depthMm - 2)), odd, GAP_MM).placed).toEqual([]);
    expect(layOut(copies(1, box(widthMm - 2, depthMm + 0.4)), odd, GAP_MM).placed).toEqual([]);
    expect(alone(box(widthMm + 1, depthMm + 1))).toBe(0);
  });

  it('slices a part about its own middle, wherever it stood', () => {
    const cube = madeWith(workshop.kernel, ({ Manifold }) =>
      Manifold.cube([20, 10, 2], false).translate([33, -47, 0]),
    );
    const { layers } = slicePart(workshop.kernel, cube, { ...everydaySettings, plateMm: [220, 200] });
    const points = layers.flatMap(({ paths }) => paths.flatMap((each) => [...each.points]));
    const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
    expect(Math.min(...xs) + Math.max(...xs)).toBeCloseTo(0, 3);
    expect(Math.min(...ys) + Math.max(...ys)).toBeCloseTo(0, 3);
    expect(Math.max(...xs)).toBeGreaterThan(9);
  });
});

describe('conflicts', () => {
  const at = (id: string, xMm: number, yMm: number, turnDeg = 0) => ({
    id,
    footprint: box(40, 10),
    xMm,
    yMm,
    turnDeg,
  });

  it('names parts that are too near, and those that reach over the edge', () => {
    const placed = [at('a', 50, 50), at('b', 50, 62), at('c', 50, 75.5), at('d', 214, 100), at('e', 24, 190)];
    const { pairs, outside } = conflictsOf(placed, plate, GAP_MM);
    expect(pairs).toEqual([['a', 'b']]);
    expect(outside).toEqual(['d', 'e']);
  });

  it('goes by the turned part and not by its box', () => {
    expect(conflictsOf([at('a', 50, 50, 45), at('b', 70, 50, 45)], plate, GAP_MM).pairs).toEqual([]);
    expect(conflictsOf([at('a', 50, 50, 45), at('b', 62, 50, 45)], plate, GAP_MM).pairs).toEqual([
      ['a', 'b'],
    ]);
  });

  it('finds a part that lies wholly on another', () => {
    expect(distanceBetween(box(40, 40), box(4, 4))).toBe(0);
    expect(distanceBetween(box(4, 4), box(40, 40))).toBe(0);
    expect(distanceBetween(box(40, 4), box(4, 40))).toBe(0);
  });
});

describe('laying out', () => {
  it('keeps every part on the plate and away from the others, whatever the parts are', () => {
    const part = fc.tuple(fc.integer({ min: 3, max: 90 }), fc.integer({ min: 3, max: 90 }), fc.boolean());
    fc.assert(
      fc.property(
        fc.array(part, { minLength: 1, maxLength: 12 }),
        fc.integer({ min: 0, max: 6 }),
        (sizes, gapMm) => {
          const parts = sizes.map(([width, depth, isTriangle], i): Placeable => {
            const corners = box(width, depth)[0];
            return { id: String(i), footprint: [isTriangle ? corners.slice(0, 3) : corners] };
          });
          const { placed, left } = layOut(parts, plate, gapMm);
          expect([...placed.map(({ id }) => id), ...left].toSorted()).toEqual(
            parts.map(({ id }) => id).toSorted(),
          );
          expect(conflictsOf(placed, plate, gapMm)).toEqual({ pairs: [], outside: [] });
        },
      ),
      { numRuns: 4 },
    );
  });

  it('lays the same parts the same way each time', () => {
    const parts = copies(9, footprintOf(workshop.kernel, example('Leaf badge')), box(30, 12));
    expect(layOut(parts, plate, GAP_MM)).toEqual(layOut(parts, plate, GAP_MM));
  });

  it('lays one part in the middle of the plate', () => {
    const [only] = layOut(copies(1, box(30, 20)), plate, GAP_MM).placed;
    const { x, y } = extentOf(coveredBy(only.footprint, only));
    expect([(x.low + x.high) / 2, (y.low + y.high) / 2]).toEqual([110, 100]);
  });

  it('leaves what has no room, and what is larger than the plate', () => {
    const { placed, left } = layOut(
      [{ id: 'large', footprint: box(300, 20) }, ...copies(3, box(200, 90))],
      plate,
      GAP_MM,
    );
    expect(left).toContain('large');
    expect(placed).toHaveLength(2);
  });

  it('keeps clear of parts that were laid before', () => {
    const fixed = { id: 'fixed', footprint: box(100, 100), xMm: 110, yMm: 100, turnDeg: 30 };
    const { placed } = layOut(copies(6, box(40, 40)), plate, GAP_MM, [fixed]);
    expect(placed.length).toBeGreaterThan(2);
    // The fixed part lies between cells, so its cells may be half a cell off.
    expect(conflictsOf([fixed, ...placed], plate, GAP_MM - 0.5).pairs).toEqual([]);
  });

  it('finds room for a seventh more hooks, clips and badges than their boxes would have', () => {
    const footprints = ['Hose hook', 'Cane clip', 'Leaf badge'].map((title) =>
      footprintOf(workshop.kernel, example(title)),
    );
    const boxes = footprints.map((footprint) => {
      const { x, y } = extentOf(footprint);
      return box(x.high - x.low, y.high - y.low);
    });
    const most = (of: Region[]) => {
      let count = 23;
      while (layOut(copies(count + 1, ...of), plate, GAP_MM).left.length === 0) count++;
      return count;
    };
    expect(most(footprints) / most(boxes)).toBeGreaterThan(1.15);
  });
});

describe('the toolpath of a plate', () => {
  const settings = { ...everydaySettings, skirtLines: 1 };

  it('prints each part where it was laid', () => {
    const part = slicePart(workshop.kernel, example('Leaf badge'), settings);
    const footprint = footprintOf(workshop.kernel, example('Leaf badge'));
    const { placed } = layOut(copies(4, footprint), plate, GAP_MM);
    const { layers } = plateToolpath(
      placed.map((place) => ({ ...place, part })),
      settings,
    );
    expect(layers).toHaveLength(part.layers.length);
    const covered = placed.map((place) => coveredBy(place.footprint, place));
    const isOn = ({ points }: Path, region: Region) =>
      points.every(([x, y]) => region.some((outline) => isInside([x, y], outline)));
    for (const [i, { paths }] of layers.entries()) {
      const own = paths.filter(({ role }) => role !== 'skirt');
      const counts = covered.map((region) => own.filter((path) => isOn(path, region)).length);
      expect(counts).toEqual(covered.map(() => part.layers[i].paths.length));
    }
  });

  it('lays what ends at one height with the plastic of its own thickness', () => {
    const adapted = { ...settings, adaptLayersMm: [0.1, 0.2] as [number, number] };
    const parts = [example('Drip peg'), example('Leaf badge')].map((mesh, i) => ({
      part: slicePart(workshop.kernel, mesh, adapted),
      xMm: 50 + 100 * i,
      yMm: 100,
      turnDeg: 0,
    }));
    const volume = (layers: readonly Layer[]) =>
      layers.reduce(
        (sum, { thickMm, paths }) =>
          sum +
          paths
            .filter(({ role }) => role !== 'skirt')
            .reduce((own, path) => own + lengthAlong(path) * path.widthMm * thickMm, 0),
        0,
      );
    const alone = parts.reduce((sum, { part }) => sum + volume(part.layers), 0);
    expect(volume(plateToolpath(parts, adapted).layers)).toBeCloseTo(alone, 6);
  });

  it('goes from part to part once a layer, and over a part itself where it stays on it', () => {
    const part = slicePart(workshop.kernel, example('Drip peg'), settings);
    const { layers } = plateToolpath(
      [40, 180].map((xMm) => ({ part, xMm, yMm: 100, turnDeg: 0 })),
      settings,
    );
    const sideOf = ({ points }: Path) => (points[0][0] < 110 ? 'left' : 'right');
    const sides = layers.flatMap(({ paths }) =>
      paths.filter(({ role }) => role !== 'skirt').map((path) => ({ side: sideOf(path), path })),
    );
    const crossings = sides.slice(1).filter(({ side }, i) => side !== sides[i].side);
    // The layer above begins with the part on which the one below ended.
    expect(crossings).toHaveLength(layers.length);
    for (const { path } of crossings) expect(path.way).toBeUndefined();
    const farFirsts = layers.slice(1).flatMap(({ paths: [first] }, i) => {
      const [x, y] = endOf(layers[i].paths.at(-1)!);
      return Math.hypot(first.points[0][0] - x, first.points[0][1] - y) > 2 ? [first] : [];
    });
    expect(farFirsts.length).toBeGreaterThan(5);
    expect(farFirsts.filter(({ way }) => way !== undefined).length).toBe(farFirsts.length);
  });

  it('has one skirt around everything, or none where the plate has no room', () => {
    const part = slicePart(workshop.kernel, example('Drip peg'), settings);
    const on = (xMm: number) =>
      plateToolpath(
        [
          { part, xMm, yMm: 100, turnDeg: 0 },
          { part, xMm: 150, yMm: 100, turnDeg: 90 },
        ],
        settings,
      ).layers[0].paths.filter(({ role }) => role === 'skirt');
    expect(on(60)).toHaveLength(1);
    const { x } = extentOf([on(60)[0].points.map(([px, py]) => [px, py])]);
    expect(x.low).toBeLessThan(60 - 11);
    expect(x.high).toBeGreaterThan(150 + 28);
    expect(on(12)).toEqual([]);
  });

  it('takes the plastic of its parts, and less time than they take one by one', () => {
    const mesh = example('Leaf badge');
    const bare = { ...settings, skirtLines: 0 };
    const alone = estimate(slice(workshop.kernel, mesh, bare), bare);
    const part = slicePart(workshop.kernel, mesh, bare);
    const four = [60, 110].flatMap((xMm) => [60, 110].map((yMm) => ({ part, xMm, yMm, turnDeg: 0 })));
    const together = estimate(plateToolpath(four, bare), bare);
    expect(together.grams / alone.grams).toBeCloseTo(4, 3);
    // It is heated once, and no layer has to wait until it is hard.
    expect(together.seconds).toBeLessThan(4 * alone.seconds);
  });
});
