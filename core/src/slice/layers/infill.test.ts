import { describe, expect, it } from 'vitest';
import { lengthAlong } from '../paths/lengths.ts';
import type { Path } from '../paths/toolpath.ts';
import { everydaySettings, type PrintSettings } from '../settings/printSettings.ts';
import { infillLines, infillTurn } from './infill.ts';
import { waveLines } from './waves.ts';

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
      const turn = infillTurn(settings, layer);
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

  it.each(['honeycomb', 'waves'] as const)(
    'has its share of plastic as %s, in the mean of its layers',
    (infillWay) => {
      for (const share of [0.08, 0.2, 0.4]) {
        const settings = { ...settingsOf(1, share), infillWay };
        // Every fifth layer of some periods, which are no multiples of that.
        const layers = Array.from({ length: 48 }, (_, i) => 5 * i);
        const filled = layers.map((layer) =>
          plastic(infillLines([square], settings, infillTurn(settings, layer))),
        );
        const mean = filled.reduce((sum, each) => sum + each, 0) / layers.length;
        expect(mean / 80 ** 2 / share).toBeGreaterThan(0.9);
        expect(mean / 80 ** 2 / share).toBeLessThan(1.1);
      }
    },
  );

  it('lies as waves on one surface through all layers', () => {
    const extent = { x: { low: -20, high: 20 }, y: { low: -20, high: 20 } };
    const period = (3.0915 * (Math.PI / 4) * 0.45) / 0.2;
    for (const zMm of [0, 0.2, 1, 1.7, 2.4, 3.1, 4]) {
      for (const point of waveLines(extent, zMm, 0.2, 0.45).flat()) {
        const [x, y, z] = [...point, zMm].map((mm) => (mm / period) * 2 * Math.PI);
        const away = Math.sin(x) * Math.cos(y) + Math.sin(y) * Math.cos(z) + Math.sin(z) * Math.cos(x);
        expect(Math.abs(away)).toBeLessThan(1e-9);
      }
    }
  });

  it('crosses itself in no layer of waves and in no honeycomb', () => {
    for (const infillWay of ['honeycomb', 'waves'] as const) {
      const settings = { ...settingsOf(1, 0.15), infillWay };
      for (const turn of [0, 3, 7, 11]) {
        const paths = infillLines([square], settings, turn);
        for (const [i, path] of paths.entries())
          for (const other of paths.slice(i + 1)) expect(crossingsOf(path, other)).toBe(0);
      }
    }
  });
});

/** How often two lines cross. */
function crossingsOf({ points: a }: Path, { points: b }: Path): number {
  const side = (p: Path['points'][number], q: Path['points'][number], r: Path['points'][number]) =>
    Math.sign((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]));
  let count = 0;
  for (let i = 1; i < a.length; i++)
    for (let j = 1; j < b.length; j++)
      if (
        side(a[i - 1], a[i], b[j - 1]) * side(a[i - 1], a[i], b[j]) < 0 &&
        side(b[j - 1], b[j], a[i - 1]) * side(b[j - 1], b[j], a[i]) < 0
      )
        count++;
  return count;
}
