import { describe, expect, it } from 'vitest';
import type { Layer, Path, Role } from '../paths/toolpath.ts';
import { everydaySettings, type PrintSettings } from '../settings/printSettings.ts';
import { movesOf, movesOfLayer } from './motion.ts';
import { paced } from './pace.ts';

const settings: PrintSettings = { ...everydaySettings, filamentDiameterMm: 2 };
const line = (role: Role, points: Path['points'], more: Partial<Path> = {}): Path => ({
  role,
  points,
  closed: false,
  widthMm: 0.5,
  ...more,
});
const layer = (paths: readonly Path[], more: Partial<Layer> = {}): Layer => ({
  zMm: 0.2,
  thickMm: 0.2,
  pace: 1,
  paths,
  ...more,
});
const square = line('wall', [[0, 0], [10, 0], [10, 10], [0, 10]], { closed: true }); // oxfmt-ignore

describe('the moves of a layer', () => {
  it('lay each line with the filament of its length, and come back where it is closed', () => {
    const moves = [...movesOfLayer(layer([square]), false, settings)];
    expect(moves.map(({ to }) => to)).toEqual([[0, 0], [10, 0], [10, 10], [0, 10], [0, 0]]); // oxfmt-ignore
    expect(moves.map(({ lengthMm }) => lengthMm)).toEqual([0, 10, 10, 10, 10]);
    // 10 mm of line are 1 mm³, which filament of 2 mm has in 1/π mm.
    expect(moves[0].filamentMm).toBe(0);
    for (const { filamentMm } of moves.slice(1)) expect(filamentMm).toBeCloseTo(1 / Math.PI, 9);
    const open = [...movesOfLayer(layer([{ ...square, closed: false }]), false, settings)];
    expect(open.map(({ to }) => to)).toEqual(square.points);
  });

  it('go at the speed of what they lay, and the first layer slowly', () => {
    const speeds = (isFirst: boolean) =>
      (['wall', 'thin', 'span', 'closed', 'inside', 'skirt'] as const).map((role) => {
        const [, move] = movesOfLayer(layer([line(role, [[0, 0], [10, 0]])]), isFirst, settings); // oxfmt-ignore
        return [move.speedMmPerS, move.accelerationMmPerS2];
      });
    expect(speeds(false)).toEqual([[40, 800], [40, 800], [25, 800], [60, 1200], [60, 1200], [60, 1200]]); // oxfmt-ignore
    expect(new Set(speeds(true).flat())).toEqual(new Set([20, 500]));
  });

  it('travel to the next line, drawing the filament back where the way is long and not known', () => {
    const second = (x: number, way?: Path['way']) =>
      [...movesOfLayer(layer([line('wall', [[0, 0], [10, 0]]), line('wall', [[x, 0], [x + 5, 0]], { way })]), false, settings)].slice(2); // oxfmt-ignore
    expect(second(15).map(({ retracted, speedMmPerS }) => [retracted, speedMmPerS])).toEqual([[true, 120], [false, 40]]); // oxfmt-ignore
    expect(second(11.9).map(({ retracted }) => retracted)).toEqual([false, false]);
    expect(second(12.1).map(({ retracted }) => retracted)).toEqual([true, false]);
    const along = second(15, [[10, 8], [15, 8]]); // oxfmt-ignore
    expect(along.map(({ to }) => to)).toEqual([[10, 8], [15, 8], [15, 0], [20, 0]]); // oxfmt-ignore
    expect(along.map(({ retracted, filamentMm }) => retracted || filamentMm > 0)).toEqual([false, false, false, true]); // oxfmt-ignore
    expect(along.map((move) => move.line)).toEqual([1, 1, 1, 1]);
  });

  it('go on from where the last layer ended', () => {
    const toolpath = { layers: [layer([square]), layer([line('inside', [[3, 4], [9, 4]])], { zMm: 0.4 })] }; // oxfmt-ignore
    const moves = [...movesOf(toolpath, settings)];
    expect(moves.map((each) => each.layer)).toEqual([0, 0, 0, 0, 0, 1, 1]);
    expect(moves[5].move).toMatchObject({ from: [0, 0], to: [3, 4], lengthMm: 5, zMm: 0.4 });
    expect(moves[1].move.speedMmPerS).toBe(20);
    expect(moves[6].move.speedMmPerS).toBe(60);
  });
});

describe('the pace of a layer', () => {
  const small = { zMm: 0.2, thickMm: 0.2, paths: [square] };
  const above = { ...small, zMm: 0.4 };

  it('makes one that would be done too soon take as long as layers shall, but for what is as slow as it may be', () => {
    const { pace } = paced(above, { ...settings, minLayerS: 2 });
    // 40 mm at 40 mm/s, with corners: a little over a second.
    expect(pace).toBeGreaterThan(0.5);
    expect(pace).toBeLessThan(0.65);
    expect(paced(above, { ...settings, minLayerS: 4 }).pace).toBeCloseTo(pace / 2, 9);
    const speeds = (share: number) =>
      [...movesOfLayer({ ...small, pace: share }, false, settings)].slice(1).map((each) => each.speedMmPerS);
    expect(speeds(0.5)).toEqual([20, 20, 20, 20]);
    expect(speeds(0.1)).toEqual([10, 10, 10, 10]);
    // What is slower than that by itself stays as it is.
    const slow = { ...settings, wallMmPerS: 8 };
    expect([...movesOfLayer({ ...small, pace: 0.5 }, false, slow)][1].speedMmPerS).toBe(8);
  });

  it('is full for the first layer, for one that takes long enough, and where no time is asked for', () => {
    expect(paced(small, { ...settings, minLayerS: 60 }).pace).toBe(1);
    expect(paced(above, { ...settings, minLayerS: 0.5 }).pace).toBe(1);
    expect(paced(above, { ...settings, minLayerS: 0 }).pace).toBe(1);
  });
});
