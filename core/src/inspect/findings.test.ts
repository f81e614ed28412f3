import type { Manifold } from 'manifold-3d';
import { beforeAll, describe, expect, it } from 'vitest';
import { boxMesh } from '../../test/meshes.ts';
import { madeWith } from '../../test/solids.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import type { Kernel } from '../solid/index.ts';
import {
  classroomLimits,
  inspect,
  parseBriefRules,
  parseLimits,
  type CheckResult,
  type LimitsCard,
} from './index.ts';
import { placeDrawing } from './placeDrawing.ts';

/* Where a finding is shown and in which words it is told, on parts whose places and figures are reckoned by hand. */

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

const box = (w: number, d: number, h: number, x = 0, y = 0, z = 0): Manifold =>
  kernel.Manifold.cube([w, d, h]).translate([x, y, z]);

function check(id: string, make: () => Manifold, limits: Partial<LimitsCard> = {}): CheckResult {
  const mesh = madeWith(kernel, make);
  return inspect(mesh, { ...classroomLimits, ...limits }).checks.find((each) => each.id === id)!;
}
/** Each finding's place, what it measures and how many triangles it marks. */
const places = ({ findings }: CheckResult) =>
  findings.map(({ at, measured, triangles }) => [at, measured, triangles.length]);
const words = ({ findings }: CheckResult) => findings.map(({ message }) => message);

describe('what begins in mid-air', () => {
  const beside = (make: () => Manifold) =>
    check('island', () => box(10, 10, 10).add(make().translate([15, 0, 3])));

  it('is told where it is large enough to be laid, or grows to be', () => {
    expect(beside(() => box(1, 1, 5)).findings).toHaveLength(1);
    // A cone that stands on its tip.
    expect(beside(() => kernel.Manifold.cylinder(5, 0.01, 2, 32)).findings).toHaveLength(1);
  });

  it('is no crumb that no line of plastic is laid for', () => {
    expect(beside(() => box(0.13, 0.08, 5)).findings).toEqual([]);
  });
});

describe('size', () => {
  it.each([
    ['left to right', [230, 20, 8], 220, [235, 50, 4], '; turned by 25° it would fit'],
    ['front to back', [20, 230, 8], 200, [15, 270, 4], '; turned by 35° it would fit'],
    ['up', [20, 20, 230], 180, [15, 50, 230], ''],
    ['left to right', [225, 150, 8], 220, [230, 115, 4], ''],
    ['left to right', [225, 20, 150], 220, [230, 50, 75], '; turned by 20° it would fit'],
    ['front to back', [180, 205, 8], 200, [95, 245, 4], '; turned by a quarter it would fit'],
    ['up', [180, 170, 190], 180, [95, 125, 190], '; laid down it would fit'],
  ] as const)('too long %s: %j mm', (way, size, room, at, more) => {
    const result = check('size', () => box(size[0], size[1], size[2], 5, 40));
    const longest = size[way === 'left to right' ? 0 : way === 'front to back' ? 1 : 2];
    expect(places(result)).toEqual([[at, longest, 2]]);
    expect(words(result)).toEqual([
      `The part is ${longest} mm ${way}, but the printer has ${room} mm${more}.`,
    ]);
  });

  it('too small, and close to the limit', () => {
    const thin = check('size', () => box(0.3, 20, 8, 5, 40));
    expect(places(thin)).toEqual([[[5.3, 50, 4], 0.3, 2]]);
    expect(words(thin)[0]).toMatch(/0.3 mm left to right: too small to print, .* takes 0.45 mm\.$/);
    const close = check('size', () => box(215, 20, 8, 5, 40));
    expect([close.verdict, words(close)]).toEqual(['warn', ['The part is 215 mm left to right, which only just fits: the printer has 220 mm.']]); // oxfmt-ignore
  });

  it('as it comes out when plastic has shrunk', () => {
    // By 0.3 %: 42.27, 31.21 and 6.18.
    expect(words(check('size', () => box(42.4, 31.3, 6.2)))).toEqual([expect.stringContaining('about 42.3 × 31.2 × 6.2 mm')]); // oxfmt-ignore
  });
});

describe('base', () => {
  it('in the middle of what is lowest', () => {
    const cone = () => kernel.Manifold.cylinder(10, 0, 8, 40).translate([12, 7, 0]);
    expect(check('base', cone).findings[0].at).toEqual([12, 7, 0]);
    expect(words(check('base', cone))[0]).toMatch(/^Nothing flat touches the plate/);
    expect(places(check('base', () => box(7, 7.36, 4, 3, 9)))).toEqual([[[6.5, 12.68, 0], 51.52, 2]]);
  });

  it('by the faces that meet an edge that it stands on, each once', () => {
    const onEdge = check('base', () => box(10, 20, 10).rotate([0, 45, 0]));
    const [{ triangles }] = onEdge.findings;
    expect(new Set(triangles).size).toBe(triangles.length);
    expect(triangles.length).toBeGreaterThanOrEqual(4);
  });

  it('by its area and its narrowest way across', () => {
    expect(words(check('base', () => box(3, 2.52, 4)))).toEqual(['Only 7.6 mm² rest on the plate; the narrowest place is 2.5 mm wide. At least 50 mm² are needed to hold on.']); // oxfmt-ignore
    expect(words(check('base', () => box(7, 7.36, 4)))).toEqual(['52 mm² rest on the plate; the narrowest place is 7 mm wide. That is only just enough to hold on.']); // oxfmt-ignore
    expect(words(check('base', () => box(30, 2.52, 4)))).toEqual(['76 mm² rest on the plate; the narrowest place is 2.5 mm wide.']); // oxfmt-ignore
  });
});

describe('stability', () => {
  it('half-way up what is slender', () => {
    const pin = check('stability', () => box(30, 20, 4).add(box(2, 2, 20, 8, 3, 4)));
    expect(places(pin)).toEqual([[[9, 4, 14], 10, 4]]);
    expect(words(pin)).toEqual(['This is 20 mm tall but only 2 mm wide, 10 times as tall as wide. The nozzle knocks off anything over 5 times.']); // oxfmt-ignore
    const close = check('stability', () => box(4, 6, 19.5, 8, 3));
    expect(places(close)).toEqual([[[10, 6, 9.75], 4.875, 4]]);
    expect(words(close)).toEqual(['The part is 19.5 mm tall but only 4 mm wide, 4.9 times as tall as wide. That is close to the most that stays up, 5 times.']); // oxfmt-ignore
  });

  it('at the centre of mass of what tips over', () => {
    // 1,000 mm³ about (5, 5, 5) and 6,000 mm³ about (30, 5, 15); its base ends at x = 10.
    const result = check('stability', () => box(10, 10, 10).add(box(60, 10, 10, 0, 0, 10)));
    expect(places(result)).toEqual([[[26.429, 5, 13.571], 16.429, 2]]);
    expect(words(result)).toEqual(['The part would tip over: its weight lies 16.4 mm beyond what touches the plate.']); // oxfmt-ignore
  });
});

describe('bodies', () => {
  it('counts what does not touch, and shows each with its surface', () => {
    expect(check('bodies', () => box(10, 10, 10)).measured).toBe(1);
    const three = check('bodies', () =>
      box(10, 10, 10)
        .add(box(4, 4, 4, 20, 5))
        .add(box(3, 3, 3, 40, 5)),
    );
    expect(three.measured).toBe(3);
    expect(three.findings.map(({ measured }) => measured)).toEqual([96, 54]);
    for (const [i, [from, size]] of [
      [20, 4],
      [40, 3],
    ].entries())
      // oxfmt-ignore
      expect(Math.abs(three.findings[i].at[0] - from - size / 2)).toBeLessThanOrEqual(size / 2);
    expect(words(three)[0]).toMatch(/^This piece, with 96 mm² of surface, does not touch the rest/);
  });

  it('shows a neck where it is', () => {
    const neck = check('bodies', () =>
      box(10, 10, 5)
        .add(box(10, 10, 5, 13))
        .add(box(4, 0.5, 5, 9.5, 4)),
    );
    expect(neck.findings).toHaveLength(1);
    const [x, y, z] = neck.findings[0].at;
    expect(neck.findings[0].measured).toBe(0.5);
    expect([y, z]).toEqual([4.25, 2.5]);
    expect(Math.abs(x - 11.5)).toBeLessThanOrEqual(1.5);
    expect(words(neck)[0]).toContain('joined by only 0.5 mm here');
  });
});

describe('walls', () => {
  it('half-way through a floor, within it', () => {
    const pocket = check('wall', () => box(20, 20, 10).subtract(box(12, 12, 10, 4, 4, 0.5)));
    expect(pocket.findings).toHaveLength(1);
    const [x, y, z] = pocket.findings[0].at;
    expect([z, pocket.measured]).toEqual([0.25, 0.5]);
    expect(Math.max(Math.abs(x - 10), Math.abs(y - 10))).toBeLessThanOrEqual(6);
    expect(words(pocket)[0]).toMatch(/^From top to bottom this is only 0.5 mm thick/);
  });

  it('over a floor that is as narrow as it is thin there is none', () => {
    const pit = (mm: number) => check('wall', () => box(20, 20, 10).subtract(box(mm, mm, 10, 4, 4, 0.5)));
    expect(pit(0.7).verdict).toBe('pass');
    expect(pit(2).verdict).toBe('fail');
  });

  it('beside a hole also where the wall leans by 25°', () => {
    // The side leans in to x = 25 − 6 · tan 25° at the top; a twentieth below it 0.48 mm are left of the wall.
    const leaning = check('hole', () =>
      box(30, 20, 6)
        .subtract(kernel.Manifold.cylinder(8, 2, 2, 64).translate([20, 10, -1]))
        .subtract(box(20, 40, 20).rotate([0, -25, 0]).translate([25, -5, 0])),
    );
    const thin = leaning.findings.find(({ verdict }) => verdict === 'fail')!;
    expect(thin.measured).toBeCloseTo(25 - 5.4 * Math.tan((25 * Math.PI) / 180) - 22, 1);
    expect(thin.at[2]).toBeCloseTo(5.4, 2);
    expect(thin.at[0]).toBeCloseTo(22 + thin.measured / 2, 1);
    expect(thin.at[1]).toBeCloseTo(10, 0);
  });
});

describe('what hangs', () => {
  it('begins in mid-air under a block that comes down from a beam', () => {
    const hanging = check('island', () =>
      box(20, 20, 3)
        .add(box(4, 20, 20))
        .add(box(16, 4, 3, 4, 8, 17))
        .add(box(3, 3, 5, 14, 8, 12.5)),
    );
    const { at, measured, triangles } = hanging.findings[0];
    expect([at[2], measured, new Set(triangles).size, triangles.length]).toEqual([12.5, 12.5, 2, 2]);
    expect([Math.abs(at[0] - 15.5) < 1.5, Math.abs(at[1] - 9.5) < 1.5]).toEqual([true, true]);
    expect(words(hanging)[0]).toContain('12.5 mm above the plate');
  });

  it('is shown on the face that hangs, in three numbers', () => {
    const shelf = check('overhang', () => box(10, 10, 20).add(box(6, 10, 4, 10, 0, 10)));
    const portal = check('bridge', () =>
      box(5, 10, 20)
        .add(box(5, 10, 20, 25))
        .add(box(30, 10, 4, 0, 0, 20)),
    );
    for (const [result, from, to, z, figure] of [
      [shelf, 10, 16, 10, 90],
      [portal, 5, 25, 20, 20],
    ] as const) {
      // oxfmt-ignore
      const { at, measured, triangles } = result.findings[0];
      expect([measured, triangles.length, at.length, at[2]]).toEqual([figure, 2, 3, z]);
      expect(at[0] > from && at[0] < to && at[1] > 0 && at[1] < 10).toBe(true);
    }
  });
});

it('a blade is shown in the middle of its edge and on both of its sides, its ends as points', () => {
  const wedge = check('comfort', () => kernel.Manifold.extrude([[[0, 0], [20, 0], [0, 5]]], 10)); // oxfmt-ignore
  const [points, edge] = wedge.findings;
  // The angle between its sides is atan(5 / 20), and a point of it has as much of a sphere.
  const deg = (Math.atan(1 / 4) * 180) / Math.PI;
  expect(points.measured).toBeCloseTo(deg, 2);
  expect(edge.measured).toBeCloseTo(2 * deg, 2);
  expect([edge.at, new Set(edge.triangles).size]).toEqual([[20, 0, 5], 2]);
});

describe('a place as a drawing', () => {
  const drawn = (z: number) =>
    placeDrawing(boxMesh([20, 10, 6], [3, 2, 0]), { at: [5, 4, z], triangles: [0], message: 'A < B', verdict: 'fail', measured: 0, unit: '', steps: [] }); // oxfmt-ignore
  it('is a section just inside the part, with what is marked', () => {
    expect(drawn(0)).toContain('A &lt; B (section at 0.01 mm)');
    expect(drawn(6)).toContain('(section at 5.99 mm)');
    expect(drawn(3)).toContain('(section at 3 mm)');
    expect(drawn(3)).toContain('viewBox="-2 -17 30 20" width="30mm" height="20mm"');
    expect(drawn(3)).toContain('<circle cx="5" cy="-4" r="1"');
    expect(drawn(3)).toMatch(/<path d="M3 -2L3 -12L23 -12Z" fill="none"/);
  });
});

describe('a card and a brief', () => {
  it('are those of an ordinary classroom unless they say otherwise', () => {
    // Each of these numbers judges every part of every school, so none is changed without meaning to.
    expect(classroomLimits).toMatchObject({
      buildVolumeMm: [220, 200, 180],
      layerMm: 0.2,
      lineWidthMm: 0.45,
      layerHeightsMm: [0.15, 0.2, 0.3],
      minWallMm: 0.9,
      minHoleMm: 2,
      minGapMm: 0.4,
      minReliefMm: 0.6,
      maxOverhangDeg: 45,
      maxBridgeMm: 10,
      minBaseMm2: 50,
      maxSlenderness: 5,
      material: 'PLA',
      maxMinutes: 120,
      maxGrams: 60,
      filamentPricePerKg: 20,
      currency: 'EUR',
      shrinkagePercent: 0.3,
    });
  });

  it('say what is wrong, and in which place of a list', () => {
    const card = (changes: object) => parseLimits({ ...classroomLimits, ...changes });
    expect(card({ material: 'X' }).ok).toBe(true);
    expect(card({ material: 'X'.repeat(24) }).ok).toBe(true);
    expect(card({ material: 'X'.repeat(25) }).ok).toBe(false);
    expect(card({ shrinkagePercent: 10.5 }).ok).toBe(false);
    expect(card({ maxOverhangDeg: 91 }).ok).toBe(false);
    const brief = parseBriefRules({
      requirements: [{ kind: 'rounded' }, { kind: 'object', acrossMm: 'wide' }],
    });
    expect(brief).toMatchObject({ ok: false, message: expect.stringMatching(/^requirements › 2/) as string });
    expect(parseBriefRules(7)).toMatchObject({ ok: false, message: expect.stringMatching(/^(?!: )/) as string }); // oxfmt-ignore
  });
});
