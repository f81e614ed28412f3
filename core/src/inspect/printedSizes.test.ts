import { expect, it } from 'vitest';
import { plateWithHole } from '../../test/solids.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import { boundsOf } from '../mesh/index.ts';
import { classroomLimits, inspect, printedSizes } from './index.ts';

it('tells outer sizes and holes as they come out, less the shrinkage', async () => {
  const mesh = plateWithHole((await nodeWorkshop()).kernel, 4);
  const limits = { ...classroomLimits, shrinkagePercent: 1 };
  expect(printedSizes(inspect(mesh, limits), boundsOf(mesh), limits)).toEqual([
    { of: 'width', drawnMm: 40, printedMm: 39.6, at: [0, -15, 0] },
    { of: 'depth', drawnMm: 30, printedMm: 29.7, at: [20, 0, 0] },
    { of: 'height', drawnMm: 6, printedMm: 5.94, at: [20, -15, 3] },
    {
      of: 'hole',
      drawnMm: expect.closeTo(4, 2),
      printedMm: expect.closeTo(3.96, 2),
      at: [0, 0, 3].map((mm) => expect.closeTo(mm, 2)),
    },
  ]);
});

it('says of the whole part how large it comes out, at no place of its own', async () => {
  const mesh = plateWithHole((await nodeWorkshop()).kernel, 4);
  const size = inspect(mesh, { ...classroomLimits, shrinkagePercent: 1 }).checks.find(
    ({ id }) => id === 'size',
  )!;
  expect(size.findings).toMatchObject([
    {
      verdict: 'pass',
      measured: 40,
      at: [0, 0, 0],
      message: expect.stringContaining('39.6 × 29.7 × 5.9 mm') as string,
    },
  ]);
});
