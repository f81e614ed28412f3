import { describe, expect, it } from 'vitest';
import { estimate, estimateCopies, readySeconds } from './estimate.ts';
import { COLOUR_CHANGE_S } from './layers/colours.ts';
import type { Path, Toolpath } from './paths/toolpath.ts';
import { everydaySettings, type PrintSettings } from './settings/printSettings.ts';

const settings: PrintSettings = { ...everydaySettings, filamentDiameterMm: 2, filamentGramsPerCm3: 1.25 };
const line: Path = { role: 'wall', points: [[0, 0], [40, 0]], closed: false, widthMm: 0.5 }; // oxfmt-ignore
const back: Path = { ...line, points: line.points.toReversed() };
const layersOf = (count: number): Toolpath => ({
  layers: Array.from({ length: count }, (_, i) => ({
    zMm: (i + 1) / 4,
    thickMm: 0.25,
    pace: 1,
    paths: [i % 2 === 0 ? line : back],
  })),
});

/** The time from rest to rest over a straight way that is long enough for full speed. */
const straight = (lengthMm: number, speed: number, acceleration: number) =>
  lengthMm / speed + speed / acceleration;

describe('warming up', () => {
  it('takes as long as the slower of nozzle and bed, from the temperature of a room', () => {
    expect(readySeconds({ nozzleC: 220, bedC: 60, readyS: 0 })).toBeCloseTo(80, 9);
    expect(readySeconds({ nozzleC: 220, bedC: 110, readyS: 30 })).toBeCloseTo(120, 9);
    expect(readySeconds({ nozzleC: 20, bedC: 0, readyS: 0 })).toBe(0);
  });
});

describe('what a toolpath takes', () => {
  const heating = readySeconds(settings);
  const lift = (mm: number) =>
    Math.min(straight(mm, settings.liftMmPerS, settings.travelMmPerS2), 2 * Math.sqrt(mm / settings.travelMmPerS2)); // oxfmt-ignore
  const rise = (mm: number) =>
    mm * settings.travelMmPerS2 > settings.liftMmPerS ** 2
      ? straight(mm, settings.liftMmPerS, settings.travelMmPerS2)
      : lift(mm);

  it('is its filament by volume and weight, and the time of its lines, its layers and what comes before and after', () => {
    const all = estimate(layersOf(2), settings);
    // Each line is 40 · 0.5 · 0.25 = 5 mm³, of 6.25 mg.
    expect(all.grams).toBeCloseTo(0.0125, 9);
    expect(all.filamentMm).toBeCloseTo(10 / Math.PI, 9);
    expect(all.layers).toBe(2);
    expect(all.colourGrams).toEqual([expect.closeTo(0.0125, 9)]);
    const lines = straight(40, 20, 500) + straight(40, 40, 800);
    expect(all.seconds).toBeCloseTo(heating + 2 * rise(0.25) + lines + rise(10), 6);
  });

  it('has a change of filament for each colour that begins below its top, and what each takes', () => {
    const changed = estimate(layersOf(4), { ...settings, colourChangesMm: [0.25, 0.75, 5] });
    const plain = estimate(layersOf(4), settings);
    expect(changed.colourGrams.map((grams) => grams * 1000)).toEqual([6.25, 12.5, 6.25].map((mg) => expect.closeTo(mg, 9) as number)); // oxfmt-ignore
    expect(changed.seconds - plain.seconds).toBeCloseTo(2 * 120, 6);
    expect(changed.grams).toBeCloseTo(plain.grams, 9);
  });

  it('is told for several copies from one: what is done once is counted once', () => {
    const one = { seconds: heating + COLOUR_CHANGE_S + 100, grams: 3, colourGrams: [1, 2] };
    expect(estimateCopies(one, 4, settings)).toEqual({
      seconds: heating + COLOUR_CHANGE_S + 400,
      grams: 12,
    });
    expect(estimateCopies({ seconds: heating + 100, grams: 3, colourGrams: [3] }, 1, settings)).toEqual({
      seconds: heating + 100,
      grams: 3,
    });
  });
});
