import { beforeAll, expect, it } from 'vitest';
import { madeWith, postWithShelf } from '../../test/solids.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import { classroomLimits } from '../inspect/index.ts';
import { regionAreaOf } from '../plane/index.ts';
import { sectionView, type Kernel } from './index.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

it('tells what of a section hangs: a shelf where it begins, and no longer a layer higher', () => {
  const mesh = postWithShelf(kernel);
  expect(sectionView(kernel, mesh, 10, classroomLimits).hanging).toEqual([]);
  const { region, hanging } = sectionView(kernel, mesh, 14.1, classroomLimits);
  expect(regionAreaOf(region)).toBeCloseTo(220, 3);
  // A layer of 0.2 mm reaches out by as much at 45°.
  expect(regionAreaOf(hanging)).toBeCloseTo((12 - 0.25) * 10, 0);
  expect(sectionView(kernel, mesh, 14.5, classroomLimits).hanging).toEqual([]);
});

it('measures what is too thin', () => {
  const fin = madeWith(kernel, ({ Manifold }) => Manifold.cube([20, 0.6, 10], true).translate([0, 0, 5]));
  const { thin } = sectionView(kernel, fin, 5, classroomLimits);
  expect(thin).toHaveLength(1);
  expect(thin[0].mm).toBeCloseTo(0.6, 3);
});
