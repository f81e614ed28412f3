import fc from 'fast-check';
import { beforeAll, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { star } from '../../../test/star.ts';
import { narrowestMm, type Region } from '../../plane/index.ts';
import { Area, inScope, type Scope, type Workshop } from '../../solid/index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const UP_TO_MM = 2;

const areaOf = (scope: Scope, region: Region) =>
  Area.kept(scope, new workshop.kernel.CrossSection(region as [number, number][][], 'EvenOdd'));

/*
 * A region that is said to be wide everywhere gets its lines without a look at what two lines have room for. That is
 * right only if looking would have changed nothing.
 */
it('what is nowhere narrow loses nothing where two lines have no room', () => {
  let told = 0;
  fc.assert(
    fc.property(
      star({ corners: 12, leastMm: 2, mostMm: 12 }),
      fc.integer({ min: 2, max: 9 }),
      (region, tenth) =>
        inScope((scope) => {
          const halfMm = (narrowestMm(region, UP_TO_MM) / 2) * 0.98;
          if (halfMm === 0) return;
          told++;
          const area = areaOf(scope, region);
          const lineMm = (halfMm * tenth) / 10;
          const wide = area.grown(-halfMm).grown(halfMm - lineMm, 'sharp');
          const lost = area.grown(-lineMm).without(wide).grown(-0.02);
          expect(lost.mm2()).toBeLessThan(1e-3);
        }),
    ),
    { numRuns: 400 },
  );
  expect(told).toBeGreaterThan(40);
});
