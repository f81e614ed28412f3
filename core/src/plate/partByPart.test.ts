import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { madeWith } from '../../test/solids.ts';
import { exampleSheets, ordinaryHead } from '../machine/index.ts';
import { extentOf } from '../plane/index.ts';
import {
  climbsOf,
  estimate,
  everydaySettings,
  liesOnPlate,
  printClock,
  settingsOn,
  spansOf,
  writeGcode,
  type PrintSettings,
} from '../slice/index.ts';
import type { Kernel } from '../solid/index.ts';
import {
  coveredBy,
  footprintOf,
  headConflicts,
  layOut,
  plateToolpath,
  slicePart,
  type LaidPart,
} from './index.ts';

const settings: PrintSettings = { ...everydaySettings, isOneByOne: true };
const plate = { widthMm: 220, depthMm: 200, edgeMm: 5 };
let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

/** Blocks laid as far apart as a head asks for. */
function laid(sizes: readonly (readonly [number, number, number])[], besideMm = ordinaryHead.besideMm) {
  const meshes = sizes.map((size) => madeWith(kernel, ({ Manifold }) => Manifold.cube([...size], true).translate([0, 0, size[2] / 2]))); // oxfmt-ignore
  const parts = meshes.map((mesh, id) => ({ id: String(id), footprint: footprintOf(kernel, mesh, 0) }));
  const { placed, left } = layOut(parts, plate, besideMm);
  expect(left).toEqual([]);
  return placed.map((part) => ({ ...part, part: slicePart(kernel, meshes[Number(part.id)], settings) }));
}

/** Where the nozzle goes, by the lines of G-code alone: the end of each move, and whether plastic was laid on the way. */
function* nozzleIn(gcode: string) {
  let [x, y, z] = [0, 0, 0];
  for (const line of gcode.split('\n')) {
    const words = new Map([...line.replace(/;.*/, '').matchAll(/([A-Z])(-?[\d.]+)/g)].map(([, letter, value]) => [letter, Number(value)])); // oxfmt-ignore
    if (words.get('G') !== 0 && words.get('G') !== 1) continue;
    const from = [x, y] as const;
    [x, y, z] = [words.get('X') ?? x, words.get('Y') ?? y, words.get('Z') ?? z];
    const isMove = words.has('X') || words.has('Y');
    yield { from, x, y, z, isLaid: isMove && (words.get('E') ?? 0) > 0 };
  }
}

/** How near the head comes to what stands higher than the nozzle is, and by how much of that the beam would be above it. */
function nearest(gcode: string, { besideMm, beamMm }: { besideMm: number; beamMm: number }) {
  /** How high plastic stands, by places a millimetre apart. */
  const stands = new Map<string, { x: number; y: number; z: number }>();
  let [leastBesideMm, leastBeamMm] = [Infinity, Infinity];
  for (const { from, x, y, z, isLaid } of nozzleIn(gcode)) {
    const steps = Math.max(1, Math.ceil(Math.hypot(x - from[0], y - from[1]) / 5));
    for (let i = 0; i <= steps; i++) {
      const at = [0, 1].map((axis) => from[axis] + (i / steps) * ([x, y][axis] - from[axis]));
      for (const part of stands.values()) {
        if (part.z < z + 0.3) continue;
        leastBesideMm = Math.min(leastBesideMm, Math.hypot(part.x - at[0], part.y - at[1]));
        leastBeamMm = Math.min(leastBeamMm, z + beamMm - part.z);
      }
    }
    if (isLaid) stands.set(`${Math.round(x)} ${Math.round(y)}`, { x, y, z });
  }
  return { isBeside: leastBesideMm >= besideMm - 0.5, isBelow: leastBeamMm >= 0, leastBesideMm };
}

describe('parts that are printed one after another', () => {
  it('are never touched by the head, nor by the beam above it', () => {
    const parts = laid([[20, 20, 16], [30, 12, 40], [14, 14, 6]]); // oxfmt-ignore
    const toolpath = plateToolpath(parts, { ...settings, hopMm: 0.4 });
    const gcode = writeGcode(toolpath, settings, { offsetMm: [0, 0] });
    const { isBeside, isBelow, leastBesideMm } = nearest(gcode, ordinaryHead);
    expect(isBeside).toBe(true);
    expect(isBelow).toBe(true);
    // The rule has room for nothing more.
    expect(leastBesideMm).toBeLessThan(ordinaryHead.besideMm + 15);
    // Laid as near as parts that grow together they would be touched.
    const near = plateToolpath(laid([[20, 20, 16], [30, 12, 40]], 3), settings); // oxfmt-ignore
    expect(nearest(writeGcode(near, settings, { offsetMm: [0, 0] }), ordinaryHead).isBeside).toBe(false);
  });

  it('come whole, the lowest first, each with a slow layer on the plate', () => {
    const parts = laid([[20, 20, 4], [12, 12, 2]]); // oxfmt-ignore
    const { layers, turns } = plateToolpath(parts, settings);
    const order = [parts.findIndex(({ id }) => id === '1'), parts.findIndex(({ id }) => id === '0')];
    expect(turns).toEqual(order);
    const heights = (tops: number) =>
      Array.from({ length: tops }, (_, i) => expect.closeTo(0.2 * (i + 1), 6) as number);
    expect(layers.map(({ zMm }) => zMm)).toEqual([...heights(10), ...heights(20)]);
    expect(layers.filter(liesOnPlate)).toHaveLength(2);
    for (const [i, layer] of layers.entries()) {
      const { xMm, yMm, footprint, turnDeg } = parts[turns![i < 10 ? 0 : 1]];
      const box = extentOf(coveredBy(footprint, { xMm, yMm, turnDeg }));
      for (const { points, role } of layer.paths) {
        if (role === 'skirt') continue;
        for (const [x, y] of points) {
          expect(x).toBeGreaterThan(box.x.low);
          expect(x).toBeLessThan(box.x.high);
          expect(y).toBeGreaterThan(box.y.low);
          expect(y).toBeLessThan(box.y.high);
        }
      }
    }
    // One skirt, around both.
    const skirts = layers.flatMap(({ paths }) => paths.filter(({ role }) => role === 'skirt'));
    expect(skirts).toHaveLength(1);
    const topsMm = layers.map(({ zMm }) => zMm);
    expect(climbsOf(topsMm).at(-1)).toBeCloseTo(6, 6);
    expect(spansOf(topsMm)).toEqual([[0, expect.closeTo(2, 6)], [expect.closeTo(2, 6), expect.closeTo(6, 6)]]); // oxfmt-ignore
  });

  it('are passed over with the filament drawn back, two millimetres above the highest, and the fan still again', () => {
    const parts = laid([[20, 20, 4], [12, 12, 2]]); // oxfmt-ignore
    const lines = writeGcode(plateToolpath(parts, settings), settings, { offsetMm: [0, 0] }).split('\n');
    const at = lines.indexOf('; layer 11 of 30');
    expect(lines.slice(at + 1, at + 6).map((line) => line.replace(/ F.*| Y.*/, ''))).toEqual([
      'G1 E-0.8',
      'G0 Z4',
      expect.stringMatching(/^G0 X/),
      'G0 Z0.2',
      'G1 E0.8',
    ]);
    const fans = lines.filter((line) => /^M106/.test(line));
    expect(fans.slice(0, 4)).toEqual(
      ['M106 S255', 'M106 S0', 'M106 S255', expect.anything()].slice(0, fans.length),
    );
  });

  it('take as long as is said: the clock and the estimate agree, and the way over is in it', () => {
    const parts = laid([[12, 12, 2], [12, 12, 2]]); // oxfmt-ignore
    const toolpath = plateToolpath(parts, settings);
    const { seconds } = estimate(toolpath, settings);
    expect(printClock(toolpath, settings).endS).toBeCloseTo(seconds, 6);
    // Lifting and coming down so slowly that it is nearly all of what both take.
    const slow = { ...settings, liftMmPerS: 0.01 };
    const alone = plateToolpath([parts[0]], slow);
    const rises = (path: typeof alone) =>
      (estimate(path, slow).seconds - estimate(path, settings).seconds) * 0.01;
    // The layers of the second, up 2 mm from the first and down to its first layer.
    expect(rises(plateToolpath(parts, slow)) - rises(alone)).toBeCloseTo(1.8 + 2 + 3.8, 1);
  });

  it('grow together where their colours change at a height', () => {
    const parts = laid([[20, 20, 4], [12, 12, 2]]); // oxfmt-ignore
    const coloured = { ...settings, colourChangesMm: [1] };
    const { layers, turns } = plateToolpath(parts, coloured);
    expect(turns).toBeUndefined();
    expect(layers).toEqual(plateToolpath(parts, { ...coloured, isOneByOne: false }).layers);
  });

  it('are written without complaint for each printer that there is a sheet of', () => {
    for (const sheet of exampleSheets) {
      const parts: LaidPart[] = laid([[20, 20, 4], [12, 12, 2]], sheet.head.besideMm); // oxfmt-ignore
      const on = settingsOn(sheet, settings);
      const toolpath = plateToolpath(parts, on);
      const gcode = writeGcode(toolpath, on, { offsetMm: [0, 0] });
      expect(nearest(gcode, sheet.head)).toMatchObject({ isBeside: true, isBelow: true });
    }
  });
});

describe('the beam', () => {
  const of = (...heights: number[]) => heights.map((heightMm, i) => ({ id: 'abc'[i], heightMm }));
  it('passes over all but the highest part, which is printed last', () => {
    expect(headConflicts(of(60, 12, 20), { beamMm: 20 })).toEqual([]);
    expect(headConflicts(of(60, 12, 20.1), { beamMm: 20 })).toEqual(['c']);
    expect(headConflicts(of(30, 30, 40), { beamMm: 20 })).toEqual(['a', 'b']);
    expect(headConflicts(of(90), { beamMm: 0 })).toEqual([]);
  });
});
