import { beforeAll, describe, expect, it } from 'vitest';
import { label } from '../../test/recipes.ts';
import { madeWith } from '../../test/solids.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import { evaluate, type Workshop } from '../solid/index.ts';
import { estimate, everydaySettings, slice, writeGcode, type Path, type PrintSettings } from './index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const settings: PrintSettings = everydaySettings;
const cube = () => madeWith(workshop.kernel, ({ Manifold }) => Manifold.cube([20, 20, 4]));
const sum = (values: number[]) => values.reduce((a, b) => a + b, 0);

function lengthOf({ points, closed }: Path): number {
  const around = closed ? [...points, points[0]] : points;
  return sum(around.slice(1).map(([x, y], i) => Math.hypot(x - around[i][0], y - around[i][1])));
}

describe('the toolpath of a block', () => {
  it('has a layer every layer height', () => {
    const { layers } = slice(workshop.kernel, cube(), settings);
    expect(layers).toHaveLength(20);
    expect(layers[0].zMm).toBeCloseTo(0.2);
    expect(layers.at(-1)!.zMm).toBeCloseTo(4);
  });

  it('runs its outer line half a line inside the outline', () => {
    for (const { paths } of slice(workshop.kernel, cube(), settings).layers) {
      const xs = paths.flatMap(({ points }) => points.map(([x]) => x));
      expect(Math.min(...xs)).toBeCloseTo(settings.lineWidthMm / 2, 2);
      expect(Math.max(...xs)).toBeCloseTo(20 - settings.lineWidthMm / 2, 2);
    }
  });

  it('lays the plastic of a solid block when the inside is filled', () => {
    const full = { ...settings, infillShare: 1 };
    const { filamentMm } = estimate(slice(workshop.kernel, cube(), full), full);
    const volume = (filamentMm * Math.PI * 1.75 ** 2) / 4;
    expect(volume / (20 * 20 * 4)).toBeGreaterThan(0.95);
    expect(volume / (20 * 20 * 4)).toBeLessThan(1.05);
  });

  it('fills solidly below and above, and sparsely between', () => {
    const { layers } = slice(workshop.kernel, cube(), settings);
    const roles = layers.map(({ paths }) => new Set(paths.map(({ role }) => role)));
    for (const i of [0, 1, 2, 17, 18, 19]) expect(roles[i]).toEqual(new Set(['perimeter', 'solid']));
    for (let i = 3; i < 17; i++) expect(roles[i]).toEqual(new Set(['perimeter', 'infill']));
    const [solid, sparse] = [0, 10].map((i) =>
      sum(layers[i].paths.filter(({ role }) => role !== 'perimeter').map(lengthOf)),
    );
    expect(sparse / solid).toBeCloseTo(settings.infillShare, 1);
  });
});

it('leaves a hole free of plastic in every layer', () => {
  const pierced = madeWith(workshop.kernel, ({ Manifold }) =>
    Manifold.cube([20, 20, 4], true)
      .subtract(Manifold.cylinder(9, 4, 4, 64, true))
      .translate([0, 0, 2]),
  );
  for (const { paths } of slice(workshop.kernel, pierced, settings).layers) {
    for (const { points } of paths) {
      for (let i = 1; i < points.length; i++) {
        const [mx, my] = [(points[i][0] + points[i - 1][0]) / 2, (points[i][1] + points[i - 1][1]) / 2];
        expect(Math.hypot(mx, my)).toBeGreaterThan(4);
      }
    }
  }
});

it('fills solidly under the open top of a label beside its letters', () => {
  const part = evaluate(label('I'), workshop);
  if (!part.ok) throw new Error(part.problem.message);
  const { layers } = slice(workshop.kernel, part.mesh, settings);
  const top = layers[11];
  expect(top.zMm).toBeCloseTo(2.4);
  const solid = sum(top.paths.filter(({ role }) => role === 'solid').map(lengthOf));
  const sparse = sum(top.paths.filter(({ role }) => role === 'infill').map(lengthOf));
  expect(solid).toBeGreaterThan(20 * sparse);
});

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
    expect(lines.slice(-6)).toEqual(['M107', 'M104 S0', 'M140 S0', 'G28 X', 'M84', '']);
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

  it('stays on the bed where it is told to', () => {
    const xs = gcode()
      .lines.flatMap((line) => / X([-\d.]+) Y/.exec(line)?.slice(1) ?? [])
      .map(Number);
    expect(Math.min(...xs)).toBeGreaterThanOrEqual(100);
    expect(Math.max(...xs)).toBeLessThanOrEqual(120);
  });

  it('keeps a note from becoming a command', () => {
    const { lines } = gcode();
    expect(lines[0]).toBe('; Max, G28M999');
  });
});

it('says in one sentence that an open surface cannot be sliced', () => {
  const { positions, triangles } = cube();
  expect(() => slice(workshop.kernel, { positions, triangles: triangles.slice(3) }, settings)).toThrow(
    'not that of a solid',
  );
});
