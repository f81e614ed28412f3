import { beforeAll, describe, expect, it } from 'vitest';
import { label } from '../../test/recipes.ts';
import { madeWith } from '../../test/solids.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import { built } from '../../test/evaluated.ts';
import { OutlineRuns } from '../plane/index.ts';
import { evaluate, inScope, Sections, type Workshop } from '../solid/index.ts';
import { starters } from '../starters/index.ts';
import {
  allowedSets,
  estimate,
  everydaySettings,
  settingsFor,
  slice,
  writeGcode,
  type Path,
  type PrintSettings,
} from './index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

/** Without a skirt, which is no part of the part. */
const settings: PrintSettings = { ...everydaySettings, skirtLines: 0 };
const cube = () => madeWith(workshop.kernel, ({ Manifold }) => Manifold.cube([20, 20, 4]));
/** So much a line may be off, which no nozzle can tell. */
const TINY_MM = 0.01;
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
    for (const i of [0, 1, 2, 17, 18, 19]) expect(roles[i]).toEqual(new Set(['wall', 'closed']));
    for (let i = 3; i < 17; i++) expect(roles[i]).toEqual(new Set(['wall', 'inside']));
    const [solid, sparse] = [0, 10].map((i) =>
      sum(layers[i].paths.filter(({ role }) => role !== 'wall').map(lengthOf)),
    );
    expect(sparse / solid).toBeCloseTo(settings.infillShare, 1);
  });
});

it('follows a wall that leans so little that one layer is hardly another than the one below', () => {
  const leaning = madeWith(workshop.kernel, ({ Manifold }) =>
    Manifold.cube([20, 20, 60]).warp((corner) => {
      corner[0] += corner[2] * 0.004;
    }),
  );
  for (const { zMm, thickMm, paths } of slice(workshop.kernel, leaning, settings).layers) {
    const left = Math.min(...paths.flatMap(({ points }) => points.map(([x]) => x)));
    const wall = (zMm - thickMm / 2) * 0.004;
    expect(Math.abs(left - settings.lineWidthMm / 2 - wall)).toBeLessThan(0.03);
  }
});

it('lays each layer as the part is half-way up it', () => {
  const cone = madeWith(workshop.kernel, ({ Manifold }) => Manifold.cylinder(4, 12, 2, 96));
  for (const { zMm, thickMm, paths } of slice(workshop.kernel, cone, settings).layers) {
    const radius = 12 - 2.5 * (zMm - thickMm / 2);
    const reach = Math.max(...paths.flatMap(({ points }) => points).map(([x, y]) => Math.hypot(x, y)));
    expect(Math.abs(reach - (radius - settings.lineWidthMm / 2))).toBeLessThan(0.02);
  }
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
  const solid = sum(top.paths.filter(({ role }) => role === 'closed').map(lengthOf));
  const sparse = sum(top.paths.filter(({ role }) => role === 'inside').map(lengthOf));
  expect(solid).toBeGreaterThan(20 * sparse);
});

describe('around a part', () => {
  const firstLayer = (changes: Partial<PrintSettings>) =>
    slice(workshop.kernel, cube(), { ...settings, ...changes }).layers[0].paths;

  it('a skirt comes first and keeps its distance, and only on the first layer', () => {
    const { layers } = slice(workshop.kernel, cube(), { ...settings, skirtLines: 2, skirtGapMm: 3 });
    expect(layers[0].paths.slice(0, 2).map(({ role }) => role)).toEqual(['skirt', 'skirt']);
    const left = (path: Path) => Math.min(...path.points.map(([x]) => x));
    expect(layers[0].paths.slice(0, 2).map(left)).toEqual([
      expect.closeTo(-3 - 1.5 * settings.lineWidthMm, 2),
      expect.closeTo(-3 - 0.5 * settings.lineWidthMm, 2),
    ]);
    expect(layers.slice(1).flatMap(({ paths }) => paths.filter(({ role }) => role === 'skirt'))).toEqual([]);
  });

  it('a skirt for which the plate has no room is left out', () => {
    const roles = (plateMm: [number, number]) =>
      firstLayer({ skirtLines: 1, plateMm }).map(({ role }) => role);
    expect(roles([28, 28])).toContain('skirt');
    expect(roles([26, 28])).not.toContain('skirt');
    expect(roles([28, 26])).not.toContain('skirt');
  });

  it('a brim lies line by line against the part, on the outside alone', () => {
    const brim = firstLayer({ brimMm: 3 }).filter(({ role }) => role === 'brim');
    const lefts = brim.map(({ points }) => Math.min(...points.map(([x]) => x)));
    expect(lefts).toHaveLength(Math.round(3 / settings.lineWidthMm));
    expect(lefts.at(-1)).toBeCloseTo(-settings.lineWidthMm / 2, 2);
    expect(lefts).toEqual([...lefts].sort((a, b) => a - b));
  });
});

describe('the inside', () => {
  it.each([1, 2, 3] as const)('is filled by a fifth in %s directions', (infillDirections) => {
    const { layers } = slice(workshop.kernel, cube(), { ...settings, infillDirections });
    const inner = (20 - 2 * settings.lineWidthMm * (settings.wallLines - 0.15)) ** 2;
    for (const { paths } of layers.slice(3, 17)) {
      const laid = sum(paths.filter(({ role }) => role === 'inside').map(lengthOf)) * settings.lineWidthMm;
      expect(laid / inner).toBeCloseTo(0.2, 1);
    }
  });
});

describe('of every example', () => {
  it.each(starters.map(({ title, recipe }) => ({ title, recipe })))(
    'walls are closed and nothing is laid outside: $title',
    ({ recipe }) => {
      const { mesh } = built(workshop, recipe);
      const once = slice(workshop.kernel, mesh, settings);
      inScope((scope) => {
        const solid = new Sections(workshop.kernel, scope, mesh);
        const seen = new Set<Path>();
        // Every fourth layer tells enough, and there are many.
        for (const { zMm, thickMm, paths } of once.layers.filter((_, i) => i % 4 === 0)) {
          const half = settings.lineWidthMm / 2;
          const fresh = paths.filter((path) => !seen.has(path));
          // Layers of one section share their paths.
          if (fresh.length === 0) continue;
          const outline = solid
            .at(scope, zMm - thickMm / 2)
            .grown(half + TINY_MM)
            .simplified(TINY_MM)
            .outlines()
            .map((points) => new OutlineRuns(points));
          const isCovered = (point: [number, number]) =>
            outline.filter((each) => each.holds(point)).length % 2 === 1;
          for (const path of fresh) {
            seen.add(path);
            if (path.role === 'wall') expect(path.closed).toBe(true);
            const touched = [...path.points, ...(path.way ?? [])];
            expect(touched.filter(([x, y]) => !isCovered([x, y]))).toEqual([]);
          }
        }
      });
    },
  );

  // The others are made of the same steps, and take long.
  it.each(['Seed-tray label', 'Cane clip', 'Leaf badge', 'Row token'])(
    'it is the same each time: %s',
    (title) => {
      const { mesh } = built(workshop, starters.find((each) => each.title === title)!.recipe);
      const written = () =>
        writeGcode(slice(workshop.kernel, mesh, settings), settings, { offsetMm: [110, 100] });
      expect(written()).toBe(written());
    },
  );
});

describe('a bridge', () => {
  /** A slab on two posts, 8 mm apart, turned about the vertical. */
  const portal = (angleDeg: number) =>
    madeWith(workshop.kernel, ({ Manifold }) =>
      Manifold.cube([20, 12, 2])
        .translate([0, 0, 4])
        .add(Manifold.cube([6, 12, 4]))
        .add(Manifold.cube([6, 12, 4]).translate([14, 0, 0]))
        .rotate([0, 0, angleDeg]),
    );

  it.each([0, 30, 90])(
    'is laid across its span, each line with both ends on a post, turned by %d°',
    (angle) => {
      const { layers } = slice(workshop.kernel, portal(angle), settings);
      const spans = layers.flatMap(({ zMm, paths }) =>
        paths.filter(({ role }) => role === 'span').map(({ points }) => ({ zMm, points })),
      );
      expect(spans.length).toBeGreaterThan(15);
      const turn = (-angle * Math.PI) / 180;
      for (const { zMm, points } of spans) {
        expect(zMm).toBeCloseTo(4.2);
        const xs = points.map(([x, y]) => x * Math.cos(turn) - y * Math.sin(turn)).sort((a, b) => a - b);
        expect(xs[0]).toBeLessThan(6);
        expect(xs[1]).toBeGreaterThan(14);
      }
    },
  );

  it('is not made of what hangs on one side alone', () => {
    const shelf = madeWith(workshop.kernel, ({ Manifold }) =>
      Manifold.cube([20, 12, 2])
        .translate([0, 0, 4])
        .add(Manifold.cube([8, 12, 4])),
    );
    const { layers } = slice(workshop.kernel, shelf, settings);
    expect(layers.flatMap(({ paths }) => paths.filter(({ role }) => role === 'span'))).toEqual([]);
  });
});

describe('a layer', () => {
  it.each([1, 2, 4])('has %d lines along its outline, a width apart, and is filled within', (wallLines) => {
    const { layers } = slice(workshop.kernel, cube(), { ...settings, wallLines });
    for (const { paths } of layers) {
      const walls = paths.filter(({ role }) => role === 'wall');
      const reach = walls.map(({ points }) => 20 - Math.max(...points.map(([x]) => x))).sort((a, b) => a - b);
      const expected = Array.from({ length: wallLines }, (_, i) => settings.lineWidthMm * (i + 0.5));
      expect(reach).toEqual(expected.map((mm) => expect.closeTo(mm, 1) as number));
    }
  });

  it('that is closed is filled slantwise, square to the one below it', () => {
    const { layers } = slice(workshop.kernel, cube(), settings);
    const directions = layers.slice(0, 3).map(({ paths }) => {
      const degrees = paths
        .filter(({ role }) => role === 'closed')
        .map(({ points: [[ax, ay], [bx, by]] }) => (Math.atan2(by - ay, bx - ax) * 180) / Math.PI);
      expect(degrees.length).toBeGreaterThan(40);
      return [...new Set(degrees.map((degree) => Math.round(degree + 360) % 180))];
    });
    expect(directions).toEqual([[45], [135], [45]]);
  });
});

describe('the ways to print', () => {
  it('are those whose layers the card allows, with its usual layers for the everyday one', () => {
    const card = {
      layerMm: 0.2,
      lineWidthMm: 0.45,
      buildVolumeMm: [180, 180, 180] as const,
      material: 'PLA',
    };
    const ids = (layerHeightsMm: number[]) => allowedSets({ layerHeightsMm }).map(({ id }) => id);
    expect(ids([0.15, 0.2, 0.3])).toEqual(['everyday', 'trial', 'detail']);
    expect(ids([0.2, 0.3])).toEqual(['everyday', 'trial']);
    expect(settingsFor(card)).toMatchObject({ layerMm: 0.2, plateMm: [180, 180] });
    expect(settingsFor({ ...card, layerMm: 0.3 })).toMatchObject({ layerMm: 0.3, firstLayerMm: 0.3 });
    expect(settingsFor(card, 'detail')).toMatchObject({ layerMm: 0.15, firstLayerMm: 0.2 });
    // A first layer is no thicker than it has to be, whatever the others usually are.
    expect(settingsFor({ ...card, layerMm: 0.3 }, 'detail')).toMatchObject({
      layerMm: 0.15,
      firstLayerMm: 0.2,
    });
  });
});

it('says in one sentence that an open surface cannot be sliced', () => {
  const { positions, triangles } = cube();
  expect(() => slice(workshop.kernel, { positions, triangles: triangles.slice(3) }, settings)).toThrow(
    'not that of a solid',
  );
});
