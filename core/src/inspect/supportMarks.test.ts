import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { madeWith, postWithShelf } from '../../test/solids.ts';
import { readThreeMf, writeThreeMf } from '../format/index.ts';
import { faceFinder, facesOf, setDown, type SolidMesh, type Vec3 } from '../mesh/index.ts';
import { estimate, everydaySettings, slice, supportSettings } from '../slice/index.ts';
import type { Kernel } from '../solid/index.ts';
import {
  classroomLimits,
  facesToHold,
  Inspecting,
  marksStillOn,
  supportMarks,
  type LimitsCard,
  type SupportMark,
} from './index.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

const holding: LimitsCard = { ...classroomLimits, supports: 'plate' };
/** A post with a shelf on two sides, whose undersides lie at 14 and at 10 mm. */
const twoShelves = () =>
  setDown(
    madeWith(kernel, ({ Manifold }) =>
      Manifold.cube([10, 10, 20])
        .add(Manifold.cube([14, 10, 4]).translate([10, 0, 14]))
        .add(Manifold.cube([14, 10, 4]).translate([-14, 0, 10])),
    ),
  );
const right: Vec3 = [17, 5, 14];
const left: Vec3 = [-7, 5, 10];
const marks = (...all: readonly (readonly [Vec3, SupportMark['wish']])[]): SupportMark[] =>
  all.map(([at, wish]) => ({ at: [...at] as [number, number, number], wish }));
/** The heights of what is held. */
const heldAt = (mesh: SolidMesh, all: readonly SupportMark[]) => {
  const { positions, triangles } = mesh;
  const faces = facesToHold(mesh, holding, all).flatMap((each) => each.faces);
  return [...new Set(faces.map((face) => Math.round(positions[3 * triangles[3 * face] + 2])))].toSorted(
    (a, b) => a - b,
  );
};
const grams = (mesh: SolidMesh, all: readonly SupportMark[]) => {
  const settings = { ...everydaySettings, supports: supportSettings.parse({}) };
  const toolpath = slice(kernel, mesh, settings, facesToHold(mesh, holding, all));
  return estimate(toolpath, settings).supports?.grams ?? 0;
};

it('is a place that a part can have, and is refused far beyond', () => {
  for (const mm of [-2000, 0, 140.5, 2000]) expect(supportMarks.safeParse(marks([[mm, 5, mm], 'free'])).success).toBe(true); // oxfmt-ignore
  for (const mm of [-2001, 2001]) expect(supportMarks.safeParse(marks([[0, mm, 0], 'hold'])).success).toBe(false); // oxfmt-ignore
});

it('stays on a part that was changed elsewhere, and not where its face is gone', () => {
  const both = marks([right, 'free'], [left, 'hold']);
  const changed = setDown(
    madeWith(kernel, ({ Manifold }) =>
      // The left shelf hangs two millimetres lower; the right one is wider.
      Manifold.cube([10, 10, 24])
        .add(Manifold.cube([20, 10, 4]).translate([10, 0, 14]))
        .add(Manifold.cube([14, 10, 4]).translate([-14, 0, 8])),
    ),
  );
  expect(marksStillOn(twoShelves(), both)).toEqual(both);
  expect(marksStillOn(changed, both)).toEqual([both[0]]);
});

describe('a face around a place', () => {
  it('is all that looks the same way there, and nothing around the corner', () => {
    const mesh = twoShelves();
    const { areas, normals } = facesOf(mesh);
    const face = faceFinder(mesh)(right);
    expect(face.reduce((sum, each) => sum + areas[each], 0)).toBeCloseTo(140, 6);
    for (const each of face) expect(normals[3 * each + 2]).toBeCloseTo(-1, 9);
  });

  it('ends where a rounding has turned away', () => {
    const ball = madeWith(kernel, ({ Manifold }) => Manifold.sphere(10, 64).translate([0, 0, 10]));
    const { areas } = facesOf(ball);
    const area = faceFinder(ball)([0, 0, 0]).reduce((sum, each) => sum + areas[each], 0);
    // A cap of 25° on a ball of 10 mm, give or take a ring of triangles.
    const cap = 2 * Math.PI * 100 * (1 - Math.cos((25 * Math.PI) / 180));
    expect(area / cap).toBeGreaterThan(0.7);
    expect(area / cap).toBeLessThan(1.3);
  });
});

describe('marked faces', () => {
  it('are kept free of supports, and the others still held', () => {
    const mesh = twoShelves();
    expect(heldAt(mesh, [])).toEqual([10, 14]);
    expect(heldAt(mesh, marks([right, 'free']))).toEqual([10]);
    expect(heldAt(mesh, marks([right, 'free'], [left, 'free']))).toEqual([]);
    expect(grams(mesh, marks([right, 'free']))).toBeLessThan(0.6 * grams(mesh, []));
    expect(grams(mesh, marks([right, 'free'], [left, 'free']))).toBe(0);
  });

  it('are held though they could be printed without, and the later mark on a face counts', () => {
    // Steeper than the limit, so that nothing of it hangs.
    const cone = madeWith(kernel, ({ Manifold }) => Manifold.cylinder(10, 4, 10, 48));
    const side: SupportMark['at'] = [7, 0, 5];
    expect(grams(cone, [])).toBe(0);
    expect(grams(cone, marks([side, 'hold']))).toBeGreaterThan(0);
    expect(grams(cone, marks([side, 'hold'], [side, 'free']))).toBe(0);
    expect(heldAt(twoShelves(), marks([right, 'free'], [right, 'hold']))).toEqual([10, 14]);
  });

  it('that look up, stand upright or lie on the plate are never held', () => {
    const mesh = twoShelves();
    const places: Vec3[] = [[17, 5, 18], [24, 5, 16], [5, 5, 0]]; // oxfmt-ignore
    for (const place of places) expect(heldAt(mesh, marks([place, 'hold']))).toEqual([10, 14]);
  });

  it('are found again in the print file', () => {
    const mesh = twoShelves();
    const file = readThreeMf(writeThreeMf(mesh, { title: 'Shelves', colours: [] }));
    expect(heldAt(setDown(file), marks([right, 'free']))).toEqual([10]);
  });

  it('are said to sag where they are free, which is a warning', () => {
    const inspecting = (all: readonly SupportMark[]) =>
      new Inspecting(postWithShelf(kernel), holding, { brief: { mayBeHeld: true }, supportMarks: all });
    const [held] = inspecting([]).check('overhang').findings;
    const [free] = inspecting([{ at: held.at, wish: 'free' }]).check('overhang').findings;
    expect(held.message).toMatch(/Supports hold it/);
    expect(free).toMatchObject({ verdict: 'warn', message: expect.stringMatching(/kept free of supports, and may sag\.$/) as string }); // oxfmt-ignore
    expect(inspecting([{ at: held.at, wish: 'free' }]).heldFaces()).toEqual([]);
  });
});
