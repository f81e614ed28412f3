import { beforeAll, describe, expect, it } from 'vitest';
import { madeWith } from '../../../test/solids.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { classroomLimits } from '../../inspect/index.ts';
import { type Workshop } from '../../solid/index.ts';
import {
  estimate,
  everydaySettings,
  settingsFor,
  slice,
  writeGcode,
  type PrintSettings,
  type Toolpath,
} from '../index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

/** Without a skirt, which is no part of the part. */
const settings: PrintSettings = { ...everydaySettings, skirtLines: 0 };
const cube = () => madeWith(workshop.kernel, ({ Manifold }) => Manifold.cube([20, 20, 4]));
const sum = (values: number[]) => values.reduce((a, b) => a + b, 0);

describe('G-code', () => {
  const gcode = () => {
    const path = slice(workshop.kernel, cube(), settings);
    return {
      path,
      lines: writeGcode(path, settings, { offsetMm: [100, 90], notes: ['Mäx; G28\nM999'] }).split('\n'),
    };
  };

  it('heats before it moves, and turns everything off at the end', () => {
    const { lines } = gcode();
    const order = ['M190 S60', 'M109 S210', 'G28'].map((line) => lines.indexOf(line));
    expect(order.every((at, i) => at > 0 && (i === 0 || at > order[i - 1]))).toBe(true);
    expect(lines.indexOf('G28')).toBeLessThan(lines.findIndex((line) => line.startsWith('G1 ')));
    expect(lines.slice(-5)).toEqual(['M400', 'M104 S0', 'M140 S0', 'M84', '']);
  });

  it.each([
    ['a printer with room above the part', 200],
    ['a part as high as its printer', 4],
  ])('ends clear of %s: it rises first, and never moves sideways below its top', (_, heightMm) => {
    const high = { ...settings, heightMm };
    const path = slice(workshop.kernel, cube(), high);
    const topMm = path.layers.at(-1)!.zMm;
    const lines = writeGcode(path, high, { offsetMm: [100, 90] }).split('\n');
    const last = lines.findLastIndex((line) => / E[\d.]/.test(line));
    const end = lines.slice(last + 1);
    let zMm = topMm;
    for (const line of end) {
      const z = / Z([\d.]+)/.exec(line);
      if (z) zMm = Number(z[1]);
      if (/ [XY]/.test(line)) expect(zMm).toBeGreaterThanOrEqual(Math.min(topMm + 10, heightMm));
      expect(line).not.toMatch(/^G28/);
    }
    // Clear of the part, with the plate in front, before the motors let go.
    const park = end.findIndex((line) => line.startsWith(`G0 X0 Y${high.plateMm[1]} `));
    expect(park).toBeGreaterThan(end.findIndex((line) => line.startsWith('G0 Z')));
    expect(end.indexOf('M84')).toBeGreaterThan(park);
    expect(end[1]).toMatch(/^G1 E-/);
  });

  it('blows as the material wants it, and never on the first layers', () => {
    const fans = (material: string) => {
      const own = { ...settingsFor({ ...classroomLimits, material }), skirtLines: 0 };
      const lines = writeGcode(slice(workshop.kernel, cube(), own), own, { offsetMm: [100, 90] }).split('\n');
      return lines.flatMap((line, i) => {
        const fan = /^M106 S(\d+)/.exec(line);
        const before = lines.slice(0, i).filter((each) => each.startsWith('; layer')).length;
        return fan ? [{ fan: Number(fan[1]), before }] : [];
      });
    };
    expect(fans('PLA')).toEqual([{ fan: 255, before: 3 }]);
    expect(fans('ABS')).toEqual([]);
    expect(fans('ASA').every(({ fan }) => fan < 50)).toBe(true);
    for (const material of ['PETG', 'TPU'])
      expect(fans(material).every(({ fan, before }) => fan < 255 && before > 2)).toBe(true);
  });

  it('pushes the filament that the estimate counts', () => {
    const { path, lines } = gcode();
    const pushed = sum(
      lines.flatMap((line) =>
        (line.includes('X') ? (/ E([\d.]+)/.exec(line)?.slice(1) ?? []) : []).map(Number),
      ),
    );
    expect(pushed / estimate(path, settings).filamentMm).toBeCloseTo(1, 3);
  });

  it('stays on the plate where it is told to', () => {
    const { lines } = gcode();
    const xs = lines
      .filter((line) => !line.startsWith('G0 X0 Y'))
      .flatMap((line) => / X([-\d.]+) Y/.exec(line)?.slice(1) ?? [])
      .map(Number);
    expect(Math.min(...xs)).toBeGreaterThanOrEqual(100);
    expect(Math.max(...xs)).toBeLessThanOrEqual(120);
  });

  it('says where each line goes, to a thousandth, with its filament, its speed a minute and its acceleration', () => {
    const path: Toolpath = {
      layers: [
        { zMm: 0.2, thickMm: 0.2, pace: 1, paths: [{ role: 'wall', points: [[0.1234, 0], [10.1237, -0.00001]], closed: false, widthMm: 0.5 }] }, // oxfmt-ignore
        { zMm: 0.4, thickMm: 0.2, pace: 1, paths: [{ role: 'inside', points: [[20, 5], [20, 15]], closed: false, widthMm: 0.5 }] }, // oxfmt-ignore
      ],
    };
    const own = { ...settings, filamentDiameterMm: 2, stillLayers: 1, colourChangesMm: [0.2] };
    const lines = writeGcode(path, own, { offsetMm: [-0.5, 0] }).split('\n');
    const from = lines.indexOf('; layer 1 of 2');
    // 10.0003 · 0.5 · 0.2 mm³ of filament with π mm².
    expect(lines.slice(from, -9)).toEqual([
      '; layer 1 of 2',
      'G0 Z0.2 F600',
      'G0 X-0.377 Y0 F7200',
      'M204 P500',
      'G1 X9.624 Y0 E0.31832 F1200',
      '; layer 2 of 2',
      'G0 Z0.4 F600',
      'M600',
      'G1 E-0.8 F2100',
      'G0 X19.5 Y5 F7200',
      'G1 E0.8 F2100',
      'M106 S255',
      'M204 P1200',
      'G1 X19.5 Y15 E0.31831 F3600',
    ]);
    expect(lines.slice(-9)).toEqual(['M107', 'G1 E-2 F2100', 'G0 Z10.4 F600', `G0 X0 Y${own.plateMm[1]} F7200`, 'M400', 'M104 S0', 'M140 S0', 'M84', '']); // oxfmt-ignore
  });

  it('has the fan blow over open air as the material wants it there, and says so where that changes alone', () => {
    const line = (role: 'wall' | 'span', y: number) =>
      ({ role, points: [[0, y], [10, y]], closed: false, widthMm: 0.5 }) as const; // oxfmt-ignore
    const layer = (zMm: number, paths: ReturnType<typeof line>[]) => ({ zMm, thickMm: 0.2, pace: 1, paths });
    const path: Toolpath = {
      layers: [
        layer(0.2, [line('wall', 0)]),
        layer(0.4, [line('wall', 0), line('wall', 1), line('span', 2), line('span', 3)]),
        layer(0.6, [line('wall', 0)]),
      ],
    };
    const fans = (change: Partial<typeof settings>) =>
      writeGcode(path, { ...settings, stillLayers: 1, ...change }, { offsetMm: [0, 0] }).match(
        /^M10[67].*/gm,
      );
    expect(fans({ fanShare: 0.4, spanFanShare: 1 })).toEqual(['M107', 'M106 S102', 'M106 S255', 'M106 S102', 'M107']); // oxfmt-ignore
    expect(fans({ fanShare: 0, spanFanShare: 0.2 })).toEqual(['M107', 'M106 S51', 'M106 S0', 'M107']);
    expect(fans({ fanShare: 1, spanFanShare: 1 })).toEqual(['M107', 'M106 S255', 'M107']);
  });

  it('keeps a note from becoming a command', () => {
    const { lines } = gcode();
    expect(lines[0]).toBe('; Max, G28M999');
  });
});
