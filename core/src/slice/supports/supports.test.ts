import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { hangingParts } from '../../../test/hangingParts.ts';
import { madeWith } from '../../../test/solids.ts';
import { witness } from '../../../test/witness/witness.ts';
import { classroomLimits, facesToHold } from '../../inspect/index.ts';
import { sectionAt, setDown, type SolidMesh } from '../../mesh/index.ts';
import { isInRegion, nearestOnOutlines, type Region } from '../../plane/index.ts';
import type { Kernel } from '../../solid/index.ts';
import {
  estimate,
  everydaySettings,
  slice,
  SUPPORTS_BEYOND_MM,
  writeGcode,
  type SupportSettings,
  type Toolpath,
} from '../index.ts';
import { hangingOf } from '../layers/hanging.ts';
import { lengthAlong } from '../paths/lengths.ts';
import { supportForms, supportSettings } from '../settings/printSettings.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

const held = (mesh: SolidMesh, wish: Partial<SupportSettings> = {}): Toolpath =>
  slice(
    kernel,
    mesh,
    { ...everydaySettings, skirtLines: 0, supports: supportSettings.parse(wish) },
    facesToHold(mesh, classroomLimits),
  );
const made = (make: (k: Kernel) => ReturnType<Kernel['Manifold']['cube']>) => setDown(madeWith(kernel, make));
const post = () =>
  made(({ Manifold }) => Manifold.cube([10, 10, 20]).add(Manifold.cube([14, 10, 4]).translate([10, 0, 14])));
const linesOf = (toolpath: Toolpath) =>
  toolpath.layers.flatMap(({ zMm, thickMm, paths }) =>
    paths.filter(({ role }) => role === 'support').map((path) => ({ zMm, thickMm, path })),
  );

/** All of them take a minute; `./run bench --supports` looks at all. */
const EVERY = 7;

/** Branches of these parts come down on slopes of the part, where no more may be laid than stands there. */
const landsOnSlopes = new Set([
  'pegs of 6 mm under a table',
  'a lying tunnel of Ø 18 mm over a floor',
  'a lying tunnel of Ø 22 mm over a floor',
]);

describe.each(supportForms)('held by %s', (form) => {
  it.each(
    hangingParts.filter(({ name }, i) =>
      form === 'columns' ? i % EVERY === 0 : i % EVERY === 3 || landsOnSlopes.has(name),
    ),
  )('nothing of $name hangs, and no support touches it', ({ make }) => {
    const mesh = setDown(make(kernel));
    const toolpath = held(mesh, { stand: 'part', form });
    const { islands, longestLooseMm, longestSpanMm } = witness(
      writeGcode(toolpath, everydaySettings, { offsetMm: [100, 100] }),
      {
        reachLayers: 2,
      },
    );
    expect(toolpath.supports).toEqual({ unheld: [], closedIn: [] });
    // Supports stand on the plate, on the part or on what is below them of their own.
    expect(islands).toEqual([]);
    // A branch that comes to stand on an edge of the part may reach a little over it.
    expect(longestLooseMm).toBeLessThan(form === 'columns' ? 2.5 : 3.5);
    expect(longestSpanMm).toBeLessThan(classroomLimits.maxBridgeMm);
    expect(linesOf(toolpath).length).toBeGreaterThan(0);
    for (const { zMm, thickMm, path } of linesOf(toolpath)) {
      const part: Region = sectionAt(mesh, zMm - thickMm / 2).map(({ points }) => points);
      for (const [x, y] of path.points) {
        expect(isInRegion([x, y], part)).toBe(false);
        if (part.length === 0) continue;
        const [nearX, nearY] = nearestOnOutlines([x, y], part);
        // A line of half its width lies beside its middle, and the gap is half a millimetre.
        expect(Math.hypot(nearX - x, nearY - y)).toBeGreaterThan(0.5);
      }
    }
  });
});

it('leaves a layer free under what it holds, and stands on the plate with a foot', () => {
  const lines = linesOf(held(post()));
  // The shelf begins at 14 mm.
  expect(Math.max(...lines.map(({ zMm }) => zMm))).toBeCloseTo(13.8, 6);
  const widthAt = (layer: number) => {
    const xs = lines.filter(({ zMm }) => Math.abs(zMm - layer * 0.2) < 1e-6).flatMap(({ path }) => path.points.map(([x]) => x)); // oxfmt-ignore
    return Math.max(...xs) - Math.min(...xs);
  };
  expect(widthAt(1) - widthAt(2)).toBeGreaterThan(0.8);
});

it('lies on the plate line beside line, and apart above it', () => {
  const lines = linesOf(held(post()));
  const lengthIn = (layer: number) =>
    lines.filter(({ zMm }) => Math.abs(zMm - layer * 0.2) < 1e-6).reduce((sum, { path }) => sum + lengthAlong(path), 0); // oxfmt-ignore
  // The foot covers 14.8 mm by 10.8 mm and a little more, in lines of 0.45 mm.
  expect(lengthIn(1)).toBeGreaterThan(330);
  expect(lengthIn(2)).toBeLessThan(lengthIn(1) / 2);
});

it.each(supportForms)(
  'reaches with %s no further beyond the part than its place on a plate is grown for',
  (form) => {
    const xs = linesOf(held(post(), { form })).flatMap(({ path }) => path.points.map(([x]) => x));
    // Half a line lies beside its middle; the part reaches from 0 to 24 mm.
    expect(Math.max(...xs) + everydaySettings.lineWidthMm / 2).toBeLessThan(24 + SUPPORTS_BEYOND_MM + 0.05);
    expect(Math.max(...xs)).toBeGreaterThan(23.7);
  },
);

it('holds nothing where nothing hangs, and nothing where it is not asked to', () => {
  const cube = made(({ Manifold }) => Manifold.cube([10, 10, 10]));
  expect(linesOf(held(cube))).toEqual([]);
  const plain = slice(kernel, post(), everydaySettings, facesToHold(post(), classroomLimits));
  expect(linesOf(plain)).toEqual([]);
  expect(plain.supports).toBeUndefined();
});

it('lays the same lines where nothing is noted of them', () => {
  const settings = { ...everydaySettings, supports: supportSettings.parse({ stand: 'part' }) };
  const faces = facesToHold(post(), classroomLimits);
  const { supports, ...noted } = slice(kernel, post(), settings, faces);
  expect(supports).toBeDefined();
  expect(slice(kernel, post(), settings, faces, false)).toEqual(noted);
});

it('takes less plastic and fewer places on the plate with branches', () => {
  const table = made(({ Manifold }) =>
    Manifold.cube([8, 8, 30]).add(Manifold.cube([50, 50, 3]).translate([-21, -21, 27])),
  );
  const [columns, branches] = supportForms.map((form) => held(table, { form }));
  const gramsOf = (toolpath: Toolpath) => estimate(toolpath, everydaySettings).grams;
  expect(gramsOf(branches)).toBeLessThan(gramsOf(columns) - 1);
  /** The length of the lines on the plate. */
  const coveredOf = ({ layers: [first] }: Toolpath) =>
    first.paths.filter(({ role }) => role === 'support').reduce((sum, path) => sum + lengthAlong(path), 0);
  expect(coveredOf(branches)).toBeLessThan(coveredOf(columns) / 2);
});

it.each(supportForms)('holds what is smaller than a branch, by %s', (form) => {
  const shelf = made(({ Manifold }) => Manifold.cube([6, 6, 14]).add(Manifold.cube([4, 5, 2]).translate([6, 0, 12]))); // oxfmt-ignore
  expect(linesOf(held(shelf, { form })).length).toBeGreaterThan(10);
});

it.each(supportForms)('is the same wherever the part stands, held by %s', (form) => {
  const table = (x: number, y: number) => {
    const { positions, triangles } = made(({ Manifold }) =>
      Manifold.cube([8, 8, 16]).add(Manifold.cube([26, 20, 3]).translate([-9, -6, 13])),
    );
    return { triangles, positions: positions.map((each, i) => each + [x, y, 0][i % 3]) };
  };
  const linesAt = (x: number, y: number) => {
    const lines = linesOf(held(table(x, y), { form, stand: 'part' }));
    return { mm: lines.reduce((sum, { path }) => sum + lengthAlong(path), 0), count: lines.length };
  };
  const [near, far] = [linesAt(0, 0), linesAt(41.4, -27.9)];
  expect(near.count).toBeGreaterThan(50);
  expect(far.mm / near.mm).toBeCloseTo(1, 1);
  expect(far.count / near.count).toBeCloseTo(1, 1);
});

it('says where nothing can be held from the plate alone', () => {
  const overFloor = () =>
    made(({ Manifold }) =>
      Manifold.cube([40, 20, 3])
        .add(Manifold.cube([8, 20, 20]))
        .add(Manifold.cube([40, 20, 3]).translate([0, 0, 17])),
    );
  const { supports } = held(overFloor(), { stand: 'plate' });
  expect(supports!.unheld.length).toBeGreaterThan(0);
  expect(supports!.unheld[0][2]).toBeCloseTo(17, 1);
  expect(held(overFloor(), { stand: 'part' }).supports!.unheld).toEqual([]);
});

describe('what nobody can take out', () => {
  const box = (doorMm: number) =>
    made(({ Manifold }) =>
      Manifold.cube([40, 40, 24], true)
        .subtract(Manifold.cube([34, 34, 18], true))
        .subtract(Manifold.cube([20, doorMm, doorMm], true).translate([20, 0, 0]))
        .translate([0, 0, 12]),
    );
  it('is told where the part is all around it, and not where there is a door', () => {
    expect(held(box(1), { stand: 'part' }).supports!.closedIn).toHaveLength(1);
    expect(held(box(14), { stand: 'part' }).supports!.closedIn).toEqual([]);
  });

  it('is reached from above through an open top', () => {
    const pot = made(({ Manifold }) =>
      Manifold.cylinder(30, 20, 20, 48)
        .subtract(Manifold.cylinder(30, 17, 17, 48).translate([0, 0, 2]))
        .add(Manifold.cube([14, 10, 3]).translate([-18, -5, 14])),
    );
    const { supports } = held(pot, { stand: 'part' });
    expect(supports).toEqual({ unheld: [], closedIn: [] });
  });
});

it('is seen to hold the walls over it', () => {
  const walls = (wish?: SupportSettings) => {
    const { layers } = wish ? held(post(), wish) : slice(kernel, post(), everydaySettings);
    // The shelf begins with this layer.
    return hangingOf(layers[70], layers[69], [layers[68]]);
  };
  expect(walls().length).toBeGreaterThan(0);
  expect(walls(supportSettings.parse({}))).toEqual([]);
});
