import { describe, expect, it } from 'vitest';
import { everydaySettings, type PrintSettings } from '../settings/printSettings.ts';
import type { Move } from './motion.ts';
import { MovementTime } from './movementTime.ts';

const settings: PrintSettings = {
  ...everydaySettings,
  retractMm: 2,
  retractMmPerS: 40,
  retractMmPerS2: 1000,
};

/** The time from rest to rest over a straight way. */
function straight(lengthMm: number, speed: number, acceleration: number): number {
  const reached = Math.min(speed, Math.sqrt(acceleration * lengthMm));
  return (2 * reached) / acceleration + (lengthMm - reached ** 2 / acceleration) / reached;
}

const move = (
  from: readonly [number, number],
  to: readonly [number, number],
  more: Partial<Move> = {},
): Move => ({
  line: 0,
  from,
  to,
  zMm: 0.2,
  lengthMm: Math.hypot(to[0] - from[0], to[1] - from[1]),
  speedMmPerS: 50,
  accelerationMmPerS2: 1000,
  filamentMm: 0,
  isSpan: false,
  retracted: false,
  ...more,
});
const there = straight(30, 50, 1000);

describe('the time of moves', () => {
  it('is one run where the way goes on straight, and a stop where it turns back', () => {
    const on = new MovementTime(settings);
    on.add(move([0, 0], [10, 0]));
    on.add(move([10, 0], [30, 0]));
    expect(on.seconds).toBeCloseTo(there, 9);
    const back = new MovementTime(settings);
    back.add(move([0, 0], [30, 0]));
    back.add(move([30, 0], [0, 0]));
    expect(back.seconds).toBeCloseTo(2 * there, 9);
  });

  it('is the same wherever on the plate they are, and whichever way they go', () => {
    const corners = [[0, 0], [10, 0], [18, 6], [18, 14], [4, 20]] as const; // oxfmt-ignore
    const seconds = (place: (at: readonly [number, number]) => readonly [number, number]) => {
      const time = new MovementTime(settings);
      for (const [i, to] of corners.slice(1).entries()) time.add(move(place(corners[i]), place(to)));
      return time.seconds;
    };
    const here = seconds((at) => at);
    expect(seconds(([x, y]) => [x + 80, y - 35])).toBeCloseTo(here, 9);
    expect(seconds(([x, y]) => [-y, x])).toBeCloseTo(here, 9);
    expect(seconds(([x, y]) => [y, x])).toBeCloseTo(here, 9);
  });

  it('has a stop, and the way of the filament back and forth, at either end of a travel that draws it back', () => {
    const time = new MovementTime(settings);
    time.add(move([0, 0], [30, 0]));
    time.add(move([30, 0], [60, 0], { retracted: true }));
    time.add(move([60, 0], [90, 0]));
    // 2 mm at 1000 mm/s² and 40 mm/s: 0.04 s up, 0.04 s down, 0.4 mm between.
    const drawn = 0.08 + 0.4 / 40;
    expect(time.seconds).toBeCloseTo(3 * there + 2 * drawn, 9);
    const still = new MovementTime(settings);
    still.add(move([0, 0], [0, 0], { retracted: true }));
    expect(still.seconds).toBeCloseTo(2 * drawn, 9);
  });

  it('has a stop where the nozzle rises', () => {
    const time = new MovementTime({ ...settings, liftMmPerS: 10, travelMmPerS2: 1500 });
    time.add(move([0, 0], [30, 0]));
    time.rise(0.2);
    time.add(move([30, 0], [60, 0]));
    expect(time.seconds).toBeCloseTo(2 * there + straight(0.2, 10, 1500), 9);
    time.rise(0);
    expect(time.seconds).toBeCloseTo(2 * there + straight(0.2, 10, 1500), 9);
  });

  it('is told at marks: at once while the nozzle stands, otherwise as soon as it is known', () => {
    const time = new MovementTime(settings);
    const told: number[] = [];
    time.mark((seconds) => told.push(seconds));
    expect(told).toEqual([0]);
    time.add(move([0, 0], [15, 0]));
    time.mark((seconds) => told.push(seconds));
    time.add(move([15, 0], [30, 0]));
    time.mark((seconds) => told.push(seconds));
    expect(told).toEqual([0]);
    expect(time.seconds).toBeCloseTo(there, 9);
    expect(told).toEqual([0, expect.closeTo(there / 2, 9), expect.closeTo(there, 9)]);
    time.mark((seconds) => told.push(seconds));
    time.add(move([30, 0], [60, 0]));
    time.mark((seconds) => told.push(seconds));
    expect(time.seconds).toBeCloseTo(2 * there, 9);
    expect(told.slice(3)).toEqual([expect.closeTo(there, 9), expect.closeTo(2 * there, 9)]);
  });
});
