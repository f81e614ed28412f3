import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { disagreements } from '../../test/disagreements.ts';
import { madeWith } from '../../test/solids.ts';
import { truthTable } from '../../test/truthTable.ts';
import { wildParts } from '../../test/wildParts/index.ts';
import { witness } from '../../test/witness.ts';
import { setDown, triangleCount } from '../mesh/index.ts';
import type { Kernel } from '../solid/index.ts';

/* What the inspection says of air under a part, against what the lines of its G-code lie on. */

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

/** Of all parts, which take minutes, so many are looked at here; `./run bench --witness` looks at all. */
const EVERY = 4;
/** Meshes of more triangles take seconds. */
const MANY = 2500;

const parts = [
  ...truthTable.map((part) => ({ name: part.name, make: () => madeWith(kernel, (k) => part.make(k, 48)) })),
  ...wildParts.map(({ name, make }) => ({ name, make })),
];

describe('the G-code hangs where the inspection says so, and nowhere else', () => {
  it.each(parts.filter((_, i) => i % EVERY === 1))('$name', ({ make }) => {
    const mesh = setDown(make());
    if (triangleCount(mesh) <= MANY) expect(disagreements(kernel, mesh)).toEqual([]);
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
