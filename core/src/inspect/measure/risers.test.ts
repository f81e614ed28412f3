import fc from 'fast-check';
import type { Manifold } from 'manifold-3d';
import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { madeWith } from '../../../test/solids.ts';
import { star } from '../../../test/star.ts';
import { isInside, OutlineRuns, type Point } from '../../plane/index.ts';
import type { Kernel } from '../../solid/index.ts';
import { overlap, risersOf } from './risers.ts';
import { subjectOf } from './subject.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

const box = (size: [number, number, number], at: [number, number, number]) =>
  kernel.Manifold.cube(size).translate(at);
const risers = (solid: () => Manifold) => risersOf(subjectOf(madeWith(kernel, solid)));
const near = (mm: number) => expect.closeTo(mm, 1) as number;

describe('what rises', () => {
  it.each([0, 90, 33])('is a post by itself: as tall and as narrow as it is, turned by %d°', (deg) => {
    const [whole, ...others] = risers(() => box([4, 9, 40], [0, 0, 0]).rotate([0, 0, deg]));
    expect(whole).toMatchObject({ heightMm: near(40), widthMm: near(4), isWhole: true });
    expect(whole.slenderness).toBeCloseTo(10, 1);
    const [cos, sin] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
    expect(whole.at).toEqual([near(2 * cos - 4.5 * sin), near(2 * sin + 4.5 * cos), near(20)]);
    // Triangles of its four walls.
    expect(whole.faces.length).toBeGreaterThanOrEqual(4);
    for (const other of others) expect(other.slenderness).toBeLessThanOrEqual(whole.slenderness);
  });

  it('is a post on a plate from where it stands, and the plate with it', () => {
    const all = risers(() => box([40, 30, 3], [0, 0, 0]).add(box([3, 3, 27], [10, 10, 3])));
    expect(all[0]).toMatchObject({ heightMm: near(27), widthMm: near(3), isWhole: false });
    expect(all[0].at).toEqual([near(11.5), near(11.5), near(16.5)]);
    const whole = all.find(({ isWhole }) => isWhole)!;
    expect(whole).toMatchObject({ heightMm: near(30), widthMm: near(30) });
  });

  it('is each of two posts, the more slender first', () => {
    const all = risers(() =>
      box([40, 30, 3], [0, 0, 0])
        .add(box([4, 4, 20], [5, 5, 3]))
        .add(box([2, 5, 24], [25, 5, 3])),
    );
    const posts = all.filter(({ isWhole, heightMm }) => !isWhole && heightMm > 15);
    expect(posts.slice(0, 2).map(({ widthMm }) => Math.round(widthMm))).toEqual([2, 4]);
    expect(posts[0].slenderness).toBeCloseTo(12, 1);
  });

  it('ends under a beam that something else holds as well, and goes on through one that nothing does', () => {
    const leg = (x: number) => box([3, 3, 20], [x, 0, 0]);
    const portal = risers(() =>
      leg(0)
        .add(leg(30))
        .add(box([33, 3, 3], [0, 0, 20])),
    );
    // Each leg counts to the beam that both of them hold.
    expect(portal[0]).toMatchObject({ heightMm: near(20), widthMm: near(3) });
    const sign = risers(() => leg(15).add(box([33, 3, 3], [0, 0, 20])));
    expect(sign[0]).toMatchObject({ heightMm: near(23), widthMm: near(3), isWhole: true });
  });

  it('is as wide as it gets within its own width: a ball on the plate is none', () => {
    const ball = risers(() => kernel.Manifold.sphere(10, 64).translate([0, 0, 9.9]));
    expect(ball[0].slenderness).toBeLessThan(2);
    // A cone on its tip widens by half of what it rises: it is 0.4 mm wide there, and 0.8 mm up to 0.8 mm.
    const cone = risers(() => kernel.Manifold.cylinder(30, 0.2, 0.2 + 30 / 4, 64));
    expect(cone[0].widthMm).toBeGreaterThan(0.7);
    expect(cone[0].widthMm).toBeLessThan(0.9);
  });

  it('is nothing that is lower than a millimetre', () => {
    const all = risers(() => box([40, 30, 3], [0, 0, 0]).add(box([0.3, 0.3, 0.8], [10, 10, 3])));
    expect(all.filter(({ widthMm }) => widthMm < 1)).toEqual([]);
  });

  it('is found where it begins between the levels that are looked at', () => {
    // A staircase of sixty steps, and a thin post on one of them that begins and ends between others.
    const stairs = () =>
      kernel.Manifold.union(
        Array.from({ length: 60 }, (_, i) => box([1.2, 30, 0.5 * (i + 1)], [1.2 * i, 0, 0])),
      );
    const all = risers(() => stairs().add(box([1, 1, 17.13], [20.1, 14, 8.2])));
    const post = all.find(({ widthMm }) => widthMm < 1.1)!;
    expect(post.heightMm).toBeGreaterThan(15);
    expect(post.heightMm).toBeLessThan(17.2);
  });
});

describe('whether two outlines share ground', () => {
  it('is told as a net of places tells', () => {
    const shape = star({ corners: 7, leastMm: 1, mostMm: 6 });
    const offset = fc.tuple(fc.integer({ min: -9, max: 9 }), fc.integer({ min: -9, max: 9 }));
    let shared = 0;
    fc.assert(
      fc.property(shape, shape, offset, ([a], [b], [dx, dy]) => {
        const moved = b.map(([x, y]): Point => [x + dx, y + dy]);
        let both = 0;
        for (let x = -6; x <= 6; x += 0.25)
          for (let y = -6; y <= 6; y += 0.25) if (isInside([x, y], a) && isInside([x, y], moved)) both++;
        const told = overlap(new OutlineRuns(a), new OutlineRuns(moved));
        expect(overlap(new OutlineRuns(moved), new OutlineRuns(a))).toBe(told);
        // Where one lies wholly in the other, or far from it, there is no doubt; where they cross, an edge may be missed.
        if (both === 0 && Math.hypot(dx, dy) > 12.1) expect(told).toBe(false);
        const isHeld = moved.every((at) => isInside(at, a)) || a.every((at) => isInside(at, moved));
        if (both > 3 && isHeld) expect(told).toBe(true);
        if (both > 0) shared++;
      }),
      { numRuns: 150 },
    );
    expect(shared).toBeGreaterThan(20);
  });
});
