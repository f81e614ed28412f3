import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { madeWith } from '../../test/solids.ts';
import { truthTable } from '../../test/truthTable.ts';
import { wildParts } from '../../test/wildParts/index.ts';
import { witness } from '../../test/witness.ts';
import { classroomLimits, inspect } from '../inspect/index.ts';
import { setDown, triangleCount, type SolidMesh } from '../mesh/index.ts';
import type { Kernel } from '../solid/index.ts';
import { everydaySettings, slice, writeGcode } from './index.ts';

/* What the inspection says of air under a part, against what the lines of its G-code lie on. */

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

/** Filled, so that only what the part itself leaves open is air. */
const settings = { ...everydaySettings, skirtLines: 0, infillShare: 1 };
const { maxBridgeMm } = classroomLimits;
/** Lines reach a little onto what holds them, and squares are as fine as they are, mm. */
const ABOUT_MM = 1;
/** Meshes of more triangles take seconds. */
const MANY = 4000;

const parts = [
  ...truthTable.map((part) => ({ name: part.name, make: () => madeWith(kernel, (k) => part.make(k, 48)) })),
  ...wildParts.map(({ name, make }) => ({ name, make })),
];

/** Where the two do not agree, a line each. */
function disagreements(mesh: SolidMesh): string[] {
  const seen = witness(writeGcode(slice(kernel, mesh, settings), settings, { offsetMm: [100, 100] }));
  const { checks } = inspect(mesh, classroomLimits, { isForeign: true });
  const failing = (id: string) => checks.find((check) => check.id === id)!.verdict === 'fail';
  const told = failing('island') || failing('overhang') || failing('bridge');
  const spanMm = checks.find(({ id }) => id === 'bridge')!.measured ?? 0;
  const span = seen.longestSpanMm.toFixed(1);
  return [
    failing('island') !== seen.islands.length > 0 && `${seen.islands.length} pieces begin in the air`,
    !told && seen.longestSpanMm > maxBridgeMm + ABOUT_MM && `${span} mm are spanned and pass`,
    !told && seen.longestLooseMm > ABOUT_MM && `${seen.longestLooseMm.toFixed(1)} mm hang loose and pass`,
    failing('bridge') &&
      Math.max(seen.longestSpanMm, seen.longestLooseMm) < maxBridgeMm - ABOUT_MM &&
      `a bridge of ${spanMm} mm fails, and ${span} mm are spanned`,
    failing('overhang') &&
      seen.unsupportedMm < ABOUT_MM &&
      'an overhang fails, and all lines lie on something',
  ].filter((each): each is string => each !== false);
}

describe('the G-code hangs where the inspection says so, and nowhere else', () => {
  it.each(parts)('$name', ({ make }) => {
    const mesh = setDown(make());
    if (triangleCount(mesh) <= MANY) expect(disagreements(mesh)).toEqual([]);
  });
});

describe('the witness', () => {
  type At = readonly [number, number];
  /** A line at a height, as wide as lines are. */
  const line = (zMm: number, ...points: readonly At[]) => {
    const words = points.map(([x, y], i) => {
      if (i === 0) return `G0 X${x} Y${y}`;
      const mm = Math.hypot(x - points[i - 1][0], y - points[i - 1][1]);
      return `G1 X${x} Y${y} E${(0.0374 * mm).toFixed(5)}`;
    });
    return [`G0 Z${zMm}`, ...words];
  };
  const two = [...line(0.2, [0, 0], [10, 0]), ...line(0.4, [0, 0], [10, 0])];
  const seenIn = (...lines: readonly string[][]) => witness([...two, ...lines.flat()].join('\n'));

  it('sees a line that spans the air from one support to another', () => {
    const seen = seenIn(line(0.6, [0, 0], [3, 0]), line(0.6, [8, 0], [10, 0]), line(0.8, [0, 0], [10, 0]));
    // Lines reach half their width beyond their ends.
    expect(seen.longestSpanMm).toBeCloseTo(5 - 0.45, 0);
    expect(seen).toMatchObject({ islands: [], longestLooseMm: 0 });
  });

  it('sees a line that ends in the air, and one that turns there', () => {
    expect(seenIn(line(0.6, [5, 0], [16, 0])).longestLooseMm).toBeCloseTo(6 - 0.2, 0);
    const around = seenIn(line(0.6, [2, 0], [2, 5], [7, 5], [7, 0]));
    expect(around.longestLooseMm).toBeCloseTo(15 - 0.4, 0);
    expect(around.longestSpanMm).toBe(0);
  });

  it('sees a piece that lies on nothing', () => {
    const { islands } = seenIn(line(0.6, [0, 0], [10, 0]), line(0.6, [0, 5], [4, 5]));
    expect(islands).toHaveLength(1);
    expect(islands[0].zMm).toBe(0.6);
    expect(islands[0].mm2).toBeCloseTo(4 * 0.45 + Math.PI * 0.225 ** 2, 0);
  });
});
