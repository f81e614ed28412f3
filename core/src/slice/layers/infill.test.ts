import { describe, expect, it } from 'vitest';
import { lengthAlong } from '../paths/lengths.ts';
import type { Path } from '../paths/toolpath.ts';
import { everydaySettings, type PrintSettings } from '../settings/printSettings.ts';
import { infillLines, infillTurn } from './infill.ts';

const square: [number, number][] = [[-40, -40], [40, -40], [40, 40], [-40, 40]]; // oxfmt-ignore
const settingsOf = (infillDirections: PrintSettings['infillDirections'], infillShare: number) => ({
  ...everydaySettings,
  infillDirections,
  infillShare,
});
const plastic = (paths: readonly Path[]) =>
  paths.reduce((sum, path) => sum + lengthAlong(path) * path.widthMm, 0);

/** The directions of lines, in whole degrees from 0 to 179. */
function directionsOf(paths: readonly Path[]): number[] {
  const degrees = paths.map(({ points: [[ax, ay], [bx, by]] }) =>
    Math.round((Math.atan2(by - ay, bx - ax) * 180) / Math.PI),
  );
  return [...new Set(degrees.map((each) => (each + 180) % 180))].sort((a, b) => a - b);
}

describe('the inside', () => {
  it.each([
    [1, [[45], [135]]],
    [2, [[45, 135]]],
    [3, [[0, 60, 120]]],
  ] as const)('has lines in %i directions, those of each layer in its turn', (directions, turns) => {
    const settings = settingsOf(directions, 0.2);
    for (let layer = 0; layer < 5; layer++) {
      const turn = infillTurn(directions, layer);
      expect(turn).toBe(layer % turns.length);
      expect(directionsOf(infillLines([square], settings, turn))).toEqual(turns[turn]);
    }
  });

  it.each([1, 2, 3] as const)('has its share of plastic in %i directions', (directions) => {
    for (const share of [0.08, 0.2, 0.5]) {
      const filled = plastic(infillLines([square], settingsOf(directions, share), 0)) / 80 ** 2;
      expect(filled / share).toBeGreaterThan(0.93);
      expect(filled / share).toBeLessThan(1.07);
    }
  });

  it('is empty where nothing is to be in it', () => {
    expect(infillLines([square], settingsOf(2, 0), 0)).toEqual([]);
  });
});
