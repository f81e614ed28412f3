import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { disagreements } from '../../test/witness/disagreements.ts';
import { madeWith } from '../../test/solids.ts';
import { truthTable } from '../../test/truthTable.ts';
import { wildParts } from '../../test/wildParts/index.ts';
import { witness } from '../../test/witness/witness.ts';
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

  it('sees the nozzle cross the open with the filament not drawn back', () => {
    const apart = [...line(0.6, [0, 0], [2, 0]), 'G0 X8 Y4', ...line(0.6, [8, 4], [8, 0])];
    const crossed = seenIn(apart);
    // The way of 7.2 mm leads over the line below at first, and ends on another.
    expect(crossed.openTravelMm).toBeGreaterThan(4.5);
    expect(crossed.openTravelMm).toBeLessThan(6.5);
    const drawnBack = apart.flatMap((word) => (word === 'G0 X8 Y4' ? ['G1 E-2', word, 'G1 E2'] : [word]));
    expect(seenIn(drawnBack).openTravelMm).toBe(0);
  });

  it('sees what of a section is not drawn, and how much is free around a place', () => {
    const lines = [...two, ...line(0.6, [0, 0], [10, 0])].join('\n');
    const section = [
      [[-0.2, -0.2], [10.2, -0.2], [10.2, 0.2], [-0.2, 0.2]],
      [[2, 3], [5, 3], [5, 5], [2, 5]],
    ] as const; // oxfmt-ignore
    const seen = witness(lines, {
      corners: [
        [0, 0],
        [10, 5],
      ],
      places: [[4, 3, 0.5]],
      sectionAt: (zMm) => (zMm > 0.45 ? section : []),
    });
    expect(seen.freeMm[0]).toBeCloseTo(3 - 0.225, 0);
    expect(seen.lost.map(({ mm2 }) => Math.round(mm2))).toEqual([6]);
  });

  it('sees whether the nozzle is lifted and left cold after the last line', () => {
    expect(seenIn().ending).toMatchObject({ isDrawnBack: false, liftMm: 0, isCold: true });
    const well = witness(['M104 S210', ...two, 'G1 E-2', 'G0 Z10', 'M104 S0'].join('\n'));
    expect(well.ending).toMatchObject({
      isDrawnBack: true,
      liftMm: expect.closeTo(9.6, 6) as number,
      isCold: true,
    });
    expect(witness(['M104 S210', ...two].join('\n')).ending.isCold).toBe(false);
  });
});
