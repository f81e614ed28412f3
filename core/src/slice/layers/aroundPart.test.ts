import { beforeAll, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { Area, inScope, type Kernel } from '../../solid/index.ts';
import { lengthAlong } from '../paths/lengths.ts';
import { everydaySettings, type PrintSettings } from '../settings/printSettings.ts';
import { aroundPart } from './aroundPart.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

/** What lies around a square of 20 mm with an opening of 8. */
const around = (settings: Partial<PrintSettings>) =>
  inScope((scope) => {
    const frame = kernel.CrossSection.square([20, 20], true).subtract(
      kernel.CrossSection.square([8, 8], true),
    );
    return aroundPart(Area.kept(scope, frame), { ...everydaySettings, ...settings });
  });

it('holds a part by closed lines beside each other, the outermost first, and none in an opening', () => {
  const brim = around({ skirtLines: 0, brimMm: 2.25, lineWidthMm: 0.45 });
  expect(brim).toHaveLength(5);
  for (const [i, path] of brim.entries()) {
    expect(path).toMatchObject({ role: 'brim', closed: true, widthMm: 0.45 });
    const awayMm = 0.45 * (4 - i + 0.5);
    expect(lengthAlong(path)).toBeCloseTo(80 + 2 * Math.PI * awayMm, 0);
    expect(Math.max(...path.points.map(([x]) => x))).toBeCloseTo(10 + awayMm, 2);
  }
});

it('keeps the skirt at its distance from the brim, as long as the plate has room for it', () => {
  const whole = { skirtLines: 2, skirtGapMm: 3, brimMm: 0.9, lineWidthMm: 0.45 };
  const reach = ({ points }: { points: readonly (readonly [number, number])[] }) =>
    Math.max(...points.map(([, y]) => y));
  const skirt = around(whole).filter(({ role }) => role === 'skirt');
  expect(skirt.map(reach)).toEqual(
    [10 + 3.9 + 0.675, 10 + 3.9 + 0.225].map((mm) => expect.closeTo(mm, 2) as number),
  );
  // 2 · 14.575 mm from side to side, and half a line more on both.
  for (const [depthMm, roles] of [
    [29.7, ['skirt', 'skirt', 'brim', 'brim']],
    [29.5, ['brim', 'brim']],
  ] as const) {
    expect(around({ ...whole, plateMm: [200, depthMm] }).map(({ role }) => role)).toEqual(roles);
    expect(around({ ...whole, plateMm: [depthMm, 200] }).map(({ role }) => role)).toEqual(roles);
  }
});
