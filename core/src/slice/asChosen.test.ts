import { beforeAll, describe, expect, it } from 'vitest';
import { madeWith } from '../../test/solids.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import type { Workshop } from '../solid/index.ts';
import { movesOf } from './motion/motion.ts';
import { lengthAlong } from './paths/lengths.ts';
import { estimate, everydaySettings, slice, writeGcode, type Path, type PrintSettings } from './index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

/** Without a skirt, which is no part of the part. */
const settings: PrintSettings = { ...everydaySettings, skirtLines: 0 };
const cube = () => madeWith(workshop.kernel, ({ Manifold }) => Manifold.cube([20, 20, 4]));
const sum = (values: number[]) => values.reduce((a, b) => a + b, 0);

describe('from line to line and from layer to layer', () => {
  it('the nozzle of a comb goes over what is printed, and the filament is drawn back for the skirt alone', () => {
    const comb = madeWith(workshop.kernel, ({ Manifold }) =>
      Array.from({ length: 6 }, (_, i) => Manifold.cube([1.8, 31, 3]).translate([i * 3.64, 0, 0])).reduce(
        (solid, tooth) => solid.add(tooth),
        Manifold.cube([20, 5, 3]),
      ),
    );
    const toolpath = slice(workshop.kernel, comb, everydaySettings);
    const moves = [...movesOf(toolpath, everydaySettings)];
    expect(moves.filter(({ move }) => move.retracted)).toHaveLength(1);
    // Whoever is over the comb is over its back or over a tooth.
    const isOver = (x: number, y: number) => y <= 5 || (x >= 0 && x % 3.64 <= 1.8);
    for (const { move } of moves) {
      if (move.filamentMm > 0 || move.retracted || move.lengthMm <= 2) continue;
      for (let t = 0; t <= 1; t += 0.05) {
        const [x, y] = [0, 1].map((axis) => move.from[axis] + t * (move.to[axis] - move.from[axis]));
        expect(isOver(x, y), `${x}, ${y}`).toBe(true);
      }
    }
  });
});

it('the nozzle rises where the filament is drawn back, and comes down before it goes on', () => {
  const pins = madeWith(workshop.kernel, ({ Manifold }) =>
    Manifold.cube([5, 5, 2]).add(Manifold.cube([5, 5, 2]).translate([20, 0, 0])),
  );
  const toolpath = slice(workshop.kernel, pins, settings);
  const low = { ...settings, heightMm: 2.2 };
  const hopping = { ...low, hopMm: 0.4 };
  const lines = writeGcode(toolpath, hopping, { offsetMm: [0, 0] }).split('\n');
  const isBack = (line: string) => /^G1 E-0\.8 /.test(line);
  const backs = lines.flatMap((line, i) => (isBack(line) ? [i] : []));
  expect(backs.length).toBeGreaterThanOrEqual(10);
  let zMm = 0;
  let moreS = 0;
  for (const [i, line] of lines.entries()) {
    const z = /^G0 Z([\d.]+)/.exec(line)?.[1];
    if (!backs.includes(i)) {
      zMm = z === undefined ? zMm : Number(z);
      continue;
    }
    // No higher than the printer reaches.
    const highMm = Math.min(zMm + 0.4, 2.2);
    // Up and down at 10 mm/s, reached and left at 1500 mm/s².
    moreS += 2 * ((highMm - zMm) / 10 + 10 / 1500);
    expect(lines[i + 1]).toMatch(new RegExp(`^G0 Z${Number(highMm.toFixed(3))} `));
    expect(lines[i + 2]).toMatch(/^G0 X/);
    expect(lines[i + 3]).toMatch(new RegExp(`^G0 Z${Number(zMm.toFixed(3))} `));
    expect(lines[i + 4]).toMatch(/^G1 E0\.8 /);
  }
  const secondsMore = estimate(toolpath, hopping).seconds - estimate(toolpath, low).seconds;
  expect(secondsMore).toBeCloseTo(moreS, 3);
});

it('goes once more over what is seen from above, and over nothing else, with little plastic', () => {
  const steps = madeWith(workshop.kernel, ({ Manifold }) =>
    Manifold.cube([30, 20, 2]).add(Manifold.cube([15, 20, 4])),
  );
  const smoothed = slice(workshop.kernel, steps, { ...settings, smoothsTops: true });
  const found = smoothed.layers.flatMap(({ zMm, paths }) =>
    paths.filter(({ role }) => role === 'smooth').map((path) => ({ zMm, path })),
  );
  expect([...new Set(found.map(({ zMm }) => zMm.toFixed(1)))]).toEqual(['2.0', '4.0']);
  const xs = (zMm: number) =>
    found
      .filter((each) => Math.abs(each.zMm - zMm) < 0.01)
      .flatMap(({ path }) => path.points.map(([x]) => x));
  expect(Math.min(...xs(2))).toBeGreaterThan(14.9);
  expect(Math.max(...xs(2))).toBeLessThan(29.2);
  expect(Math.max(...xs(4))).toBeLessThan(14.2);
  // The lower face is 14 × 18 mm within its walls, and its lines lie 0.15 mm apart.
  const lower = sum(found.filter(({ zMm }) => zMm < 3).map(({ path }) => lengthAlong(path)));
  expect(lower / ((14.1 * 18.2) / 0.15)).toBeCloseTo(1, 1);
  const [plain, smooth] = [slice(workshop.kernel, steps, settings), smoothed].map((each) =>
    estimate(each, settings),
  );
  expect(smooth.grams / plain.grams).toBeLessThan(1.02);
  expect(smooth.seconds).toBeGreaterThan(plain.seconds + 60);
});

describe('true sizes', () => {
  const extentOf = (paths: readonly Path[]) => {
    const xs = paths.filter(({ role }) => role === 'wall').flatMap(({ points }) => points.map(([x]) => x));
    return [Math.min(...xs), Math.max(...xs)];
  };
  it('lay the first layer within its outline, and no other', () => {
    const { layers } = slice(workshop.kernel, cube(), { ...settings, firstLayerInsetMm: 0.15 });
    const half = settings.lineWidthMm / 2;
    expect(extentOf(layers[0].paths)[0]).toBeCloseTo(0.15 + half, 2);
    expect(extentOf(layers[0].paths)[1]).toBeCloseTo(20 - 0.15 - half, 2);
    expect(extentOf(layers[1].paths)[0]).toBeCloseTo(half, 2);
  });

  it('lay a hole wider, leave the peg that stands in it, and leave the inside of a box', () => {
    const plate = madeWith(workshop.kernel, ({ Manifold }) => {
      const hole = Manifold.cylinder(4, 4, 4, 64).translate([12, 20, 0]);
      const peg = Manifold.cylinder(4, 1.5, 1.5, 64).translate([12, 20, 0]);
      const box = Manifold.cube([24, 30, 4]).translate([26, 5, 0]);
      return Manifold.cube([55, 40, 4]).subtract(hole).subtract(box).add(peg);
    });
    const area = (holeGrowthMm: number) => {
      const { layers } = slice(workshop.kernel, plate, { ...settings, holeGrowthMm });
      const radii = (of: readonly [number, number]) =>
        layers[5].paths
          .filter(({ role }) => role === 'wall' || role === 'thin')
          .flatMap(({ points }) => points.map(([x, y]) => Math.hypot(x - of[0], y - of[1])));
      const around = radii([12, 20]).filter((r) => r < 8);
      const box = layers[5].paths
        .filter(({ role }) => role === 'wall')
        .flatMap(({ points }) => points)
        .filter(([x, y]) => x > 20 && x < 50 && y > 10 && y < 30)
        .map(([x]) => x);
      return {
        hole: Math.min(...around.filter((r) => r > 3)),
        peg: Math.max(...around.filter((r) => r < 3)),
        box: Math.max(...box),
      };
    };
    const [as, wider] = [area(0), area(0.1)];
    expect(wider.hole - as.hole).toBeCloseTo(0.1, 2);
    expect(wider.peg).toBeCloseTo(as.peg, 3);
    expect(wider.box).toBeCloseTo(as.box, 3);
  });
});

describe('the ways to fill the inside', () => {
  const block = () => madeWith(workshop.kernel, ({ Manifold }) => Manifold.cube([30, 30, 10]));
  const insideOf = (infillWay: PrintSettings['infillWay']) =>
    slice(workshop.kernel, block(), { ...settings, infillWay })
      .layers.flatMap(({ paths }) => paths)
      .filter(({ role }) => role === 'inside');
  const plastic = (paths: readonly Path[]) => sum(paths.map((path) => lengthAlong(path) * path.widthMm));

  it('lies along the outline from half a space within it, and then a space apart', () => {
    const spaceMm = settings.lineWidthMm / settings.infillShare;
    const sides = insideOf('outline').map(({ points }) => Math.min(...points.map(([x]) => x)));
    const rings = [...new Set(sides.map((mm) => Number(mm.toFixed(3))))].toSorted((a, b) => a - b);
    expect(rings[1] - rings[0]).toBeCloseTo(spaceMm, 2);
    const plain = insideOf('lines').flatMap(({ points }) => points.map(([x]) => x));
    // Lines reach to the walls.
    expect(rings[0] - Math.min(...plain)).toBeCloseTo(spaceMm / 2, 1);
  });

  it.each(['outline', 'honeycomb', 'waves'] as const)(
    'lays about as much as straight lines, and within the walls: %s',
    (way) => {
      const paths = insideOf(way);
      const share = plastic(paths) / plastic(insideOf('lines'));
      expect(share).toBeGreaterThan(0.8);
      expect(share).toBeLessThan(1.2);
      for (const [x, y] of paths.flatMap(({ points }) => points))
        for (const at of [x, y]) {
          expect(at).toBeGreaterThan(0.7);
          expect(at).toBeLessThan(29.3);
        }
    },
  );
});
