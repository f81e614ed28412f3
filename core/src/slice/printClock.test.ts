import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { madeWith } from '../../test/solids.ts';
import type { Workshop } from '../solid/index.ts';
import {
  estimate,
  everydaySettings,
  layerEndS,
  printClock,
  progressAt,
  slice,
  type PrintClock,
  type PrintSettings,
  type Toolpath,
} from './index.ts';

let workshop: Workshop;
let toolpath: Toolpath;
let clock: PrintClock;
const settings: PrintSettings = { ...everydaySettings, colourChangesMm: [2] };
beforeAll(async () => {
  workshop = await nodeWorkshop();
  toolpath = slice(
    workshop.kernel,
    madeWith(workshop.kernel, ({ Manifold }) => Manifold.cube([20, 20, 4])),
    settings,
  );
  clock = printClock(toolpath, settings);
});

/** Every time in it, in the order of printing. */
const times = ({ layerStartsS, lineEndsS }: PrintClock) =>
  lineEndsS.flatMap((ends, layer) => [layerStartsS[layer], ...ends]);

describe('the clock of a print', () => {
  it('ends when the estimate says', () => {
    expect(clock.endS).toBeCloseTo(estimate(toolpath, settings).seconds, 6);
  });

  it('runs forwards, line after line', () => {
    const all = times(clock);
    expect(all).toHaveLength(toolpath.layers.reduce((sum, { paths }) => sum + 1 + paths.length, 0));
    for (const [i, each] of all.entries()) expect(each).toBeGreaterThanOrEqual(all[i - 1] ?? 0);
    expect(clock.endS).toBeGreaterThan(all.at(-1)!);
  });

  it('begins when the printer is warm, and takes as long as a straight line does', () => {
    const one: Toolpath = {
      layers: [
        {
          zMm: 0.2,
          thickMm: 0.2,
          pace: 1,
          paths: [
            {
              role: 'wall',
              points: [
                [0, 0],
                [100, 0],
              ],
              closed: false,
              widthMm: 0.4,
            },
          ],
        },
      ],
    };
    const plain = {
      ...settings,
      nozzleC: 220,
      bedC: 60,
      colourChangesMm: [],
      firstLayerMmPerS: 20,
      firstLayerMmPerS2: 500,
    };
    const { layerStartsS, lineEndsS } = printClock(one, plain);
    // From 20 °C the nozzle needs 200 K at 2.5 K/s; the bed is warm before. Going up 0.2 mm is done within a second.
    expect(layerStartsS[0]).toBeGreaterThan(80);
    expect(layerStartsS[0]).toBeLessThan(81);
    // 20 mm/s are reached after 0.04 s and 0.4 mm, and left behind as fast.
    expect(lineEndsS[0][0] - layerStartsS[0]).toBeCloseTo(0.08 + 99.2 / 20, 9);
  });

  it('waits for the change of filament before the layer that has the other colour', () => {
    const other = toolpath.layers.findIndex(({ zMm, thickMm }) => zMm - thickMm >= 2 - 1e-9);
    const pauses = toolpath.layers.map((_, i) => clock.layerStartsS[i] - layerEndS(clock, i - 1));
    expect(pauses[other]).toBeGreaterThan(60);
    for (const [i, pause] of pauses.entries()) if (i > 0 && i !== other) expect(pause).toBeLessThan(10);
  });
});

describe('how far a print has come', () => {
  it('is nothing while the printer warms up, and all of it at the end', () => {
    expect(progressAt(clock, 0)).toEqual({ layer: 0, lines: 0, share: 0 });
    const last = toolpath.layers.length - 1;
    const { length } = toolpath.layers[last].paths;
    expect(progressAt(clock, clock.endS)).toEqual({ layer: last, lines: length, share: 0 });
    expect(progressAt(clock, layerEndS(clock, 3))).toMatchObject({ layer: 3, share: 0 });
  });

  it('never goes back, and is what the clock says at each moment', () => {
    const moments = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(moments, moments, (a, b) => {
        const [early, late] = [Math.min(a, b), Math.max(a, b)].map((share) =>
          progressAt(clock, share * clock.endS),
        );
        const order = (p: typeof early) => [p.layer, p.lines, p.share];
        const [x, y] = [order(early), order(late)];
        const differs = x.findIndex((value, i) => value !== y[i]);
        if (differs >= 0) expect(x[differs]).toBeLessThan(y[differs]);
      }),
    );
    for (const [layer, ends] of clock.lineEndsS.entries()) {
      for (const [line, endS] of ends.entries()) {
        const startS = line === 0 ? clock.layerStartsS[layer] : ends[line - 1];
        if (endS - startS < 1e-6) continue;
        const half = progressAt(clock, (startS + endS) / 2);
        expect(half).toMatchObject({ layer, lines: line });
        expect(half.share).toBeCloseTo(0.5, 6);
      }
    }
  });
});
