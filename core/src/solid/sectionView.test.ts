import { beforeAll, expect, it } from 'vitest';
import { madeWith, postWithShelf } from '../../test/solids.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import { classroomLimits } from '../inspect/index.ts';
import { extentOf, regionAreaOf } from '../plane/index.ts';
import { sectionView, type Kernel } from './index.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

it('tells what of a section hangs: a shelf where it begins, and no longer a layer higher', () => {
  const mesh = postWithShelf(kernel);
  const level = (atMm: number) => sectionView(kernel, mesh, { across: 'z', atMm }, classroomLimits);
  expect(level(10).hanging).toEqual([]);
  const { region, hanging } = level(14.1);
  expect(regionAreaOf(region)).toBeCloseTo(220, 3);
  // A layer of 0.2 mm reaches out by as much at 45°.
  expect(regionAreaOf(hanging)).toBeCloseTo((12 - 0.25) * 10, 0);
  expect(level(14.5).hanging).toEqual([]);
});

it('measures what is too thin', () => {
  const fin = madeWith(kernel, ({ Manifold }) => Manifold.cube([20, 0.6, 10], true).translate([0, 0, 5]));
  const { thin } = sectionView(kernel, fin, { across: 'z', atMm: 5 }, classroomLimits);
  expect(thin).toHaveLength(1);
  expect(thin[0].mm).toBeCloseTo(0.6, 3);
});

it('shows an upright cut as it is seen from the front or from the right, heights upwards', () => {
  // A step: 30 wide and 20 deep, 4 high, and on its right and back corner 10 × 8 mm up to 12.
  const mesh = madeWith(kernel, ({ Manifold }) =>
    Manifold.union(Manifold.cube([30, 20, 4]), Manifold.cube([10, 8, 12]).translate([20, 12, 0])),
  );
  const cut = (across: 'x' | 'y', atMm: number) =>
    sectionView(kernel, mesh, { across, atMm }, classroomLimits).region;
  for (const [across, atMm, high] of [
    ['y', 5, false],
    ['y', 15, true],
    ['x', 10, false],
    ['x', 25, true],
  ] as const) {
    const region = cut(across, atMm);
    const longMm = across === 'y' ? 30 : 20;
    const [wideMm, fromMm] = across === 'y' ? [10, 20] : [8, 12];
    // Its area says which way its outlines turn as well.
    expect(regionAreaOf(region)).toBeCloseTo(4 * longMm + (high ? 8 * wideMm : 0), 4);
    const { x, y } = extentOf(region);
    expect([x.low, x.high, y.low, y.high].map((mm) => Number(mm.toFixed(4)))).toEqual([
      0,
      longMm,
      0,
      high ? 12 : 4,
    ]);
    const raised = region
      .flat()
      .filter(([, height]) => height > 5)
      .map(([mm]) => mm);
    if (high) expect([Math.min(...raised), Math.max(...raised)]).toEqual([fromMm, longMm]);
  }
  expect(cut('x', 31)).toEqual([]);
});
