import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { star } from '../../test/star.ts';
import { mapped, turned, type Outline, type Point, type Region } from './index.ts';
import { thicknessAlong, thinWalls } from './thickness.ts';

/*
 * The walls of a region against the slowest way to find them: at a place on an edge the circle inside is made larger
 * until something is in it, and every edge is looked at each time.
 */

const UP_TO_MM = 3;

/** A plate with a slot in it, turned: it has walls beside the slot and at its ends. */
const slotted: fc.Arbitrary<Region> = fc
  .record({
    left: fc.integer({ min: 3, max: 60 }),
    right: fc.integer({ min: 3, max: 60 }),
    low: fc.integer({ min: 3, max: 60 }),
    high: fc.integer({ min: 3, max: 60 }),
    deg: fc.integer({ min: 0, max: 359 }),
  })
  .map(({ left, right, low, high, deg }) => {
    const [x0, x1, y0, y1] = [left / 10, left / 10 + 8, low / 10, low / 10 + 2];
    const [w, h] = [x1 + right / 10, y1 + high / 10];
    const outer: Outline = [[0, 0], [w, 0], [w, h], [0, h]]; // oxfmt-ignore
    const slot: Outline = [[x0, y0], [x0, y1], [x1, y1], [x1, y0]]; // oxfmt-ignore
    return turned([outer, slot], deg);
  });

const region = fc.oneof(star({ corners: 9, leastMm: 1, mostMm: 10 }), slotted);

/** How far a place is from an edge, and where it is nearest. */
function nearest([px, py]: Point, [ax, ay]: Point, [bx, by]: Point): { far: number; at: Point } {
  const [ex, ey] = [bx - ax, by - ay];
  const share = Math.max(0, Math.min(1, ((px - ax) * ex + (py - ay) * ey) / (ex * ex + ey * ey)));
  const at: Point = [ax + share * ex, ay + share * ey];
  return { far: Math.hypot(px - at[0], py - at[1]), at };
}

const edgesOf = (of: Region) =>
  of.flatMap((outline) => outline.map((from, i) => [from, outline[(i + 1) % outline.length]] as const));

/** The largest circle inside that touches an edge at a place, up to a radius, and what else it touches. */
function inscribed(of: Region, at: Point, [nx, ny]: Point, most: number) {
  const edges = edgesOf(of);
  const middle = (radius: number): Point => [at[0] + radius * nx, at[1] + radius * ny];
  const fits = (radius: number) =>
    edges.every(([from, to]) => nearest(middle(radius), from, to).far >= radius - 1e-7);
  if (fits(most)) return undefined;
  let [low, high] = [0, most];
  for (let i = 0; i < 50; i++) {
    const half = (low + high) / 2;
    if (fits(half)) low = half;
    else high = half;
  }
  const c = middle(low);
  // What it touches besides the place itself, or nearly touches: seen from the middle, the furthest from it.
  const facing = (slack: number) =>
    Math.min(
      ...edges
        .map(([from, to]) => nearest(c, from, to))
        .filter(({ far }) => far < low * slack + 1e-6)
        .map(({ at: [x, y] }) => ((x - c[0]) * -nx + (y - c[1]) * -ny) / Math.hypot(x - c[0], y - c[1])),
    );
  return { widthMm: 2 * low, touching: facing(1.001), near: facing(1.07) };
}

const inwardAt = (outline: Outline, edge: number): Point => {
  const [from, to] = [outline[edge], outline[(edge + 1) % outline.length]];
  const long = Math.hypot(to[0] - from[0], to[1] - from[1]);
  return [-(to[1] - from[1]) / long, (to[0] - from[0]) / long];
};

describe('the thickness at a place', () => {
  it('is that of the largest circle that fits there, wherever the other side lies opposite', () => {
    fc.assert(
      fc.property(region, (of) => {
        thicknessAlong(of, UP_TO_MM, 0.7).forEach((walk, i) => {
          for (const { at, edge, widthMm, across } of walk) {
            const inward = inwardAt(of[i], edge);
            const found = inscribed(of, at, inward, UP_TO_MM / 2);
            if (Number.isFinite(widthMm)) {
              const c: Point = [at[0] + (inward[0] * widthMm) / 2, at[1] + (inward[1] * widthMm) / 2];
              const clear = Math.min(...edgesOf(of).map(([from, to]) => nearest(c, from, to).far));
              expect(clear).toBeGreaterThan((widthMm / 2) * 0.95 - 1e-6);
              expect(Math.hypot(across[0] - c[0], across[1] - c[1])).toBeCloseTo(widthMm / 2, 6);
              expect(
                Math.min(...edgesOf(of).map(([from, to]) => nearest(across, from, to).far)),
              ).toBeLessThan(1e-6);
            }
            // The other side faces the place by far more than the least that counts.
            if (
              found &&
              found.widthMm > 1e-3 &&
              found.widthMm < 0.97 * UP_TO_MM &&
              found.touching < Math.cos((153 * Math.PI) / 180)
            )
              expect(Math.abs(widthMm / found.widthMm - 1)).toBeLessThan(0.05);
            if (!found) expect(widthMm).toBeGreaterThan(0.95 * UP_TO_MM);
            else if (found.near > Math.cos((147 * Math.PI) / 180)) expect(widthMm).toBe(Infinity);
          }
        });
      }),
      { numRuns: 60 },
    );
  });

  it('is told for every bit of the outline, once', () => {
    fc.assert(
      fc.property(region, fc.double({ min: 0.2, max: 5, noNaN: true }), (of, apartMm) => {
        thicknessAlong(of, UP_TO_MM, apartMm).forEach((walk, i) => {
          const round = of[i].reduce((sum, [x, y], k) => {
            const [nextX, nextY] = of[i][(k + 1) % of[i].length];
            return sum + Math.hypot(nextX - x, nextY - y);
          }, 0);
          expect(walk.reduce((sum, { lengthMm }) => sum + lengthMm, 0)).toBeCloseTo(round, 6);
        });
      }),
    );
  });
});

it('is that of a wall, also where something reaches over it', () => {
  // A post of 1 mm on a base, and an arm above it that comes from the other side of the base.
  const hook: Outline = [[0, 0], [0, -3], [30, -3], [30, 15], [-15, 15], [-15, 12], [27, 12], [27, 0], [1, 0], [1, 10], [0, 10]]; // oxfmt-ignore
  const post = thicknessAlong([hook], 8, 0.5)[0].filter(({ at }) => at[0] === 0 && at[1] > 1 && at[1] < 9);
  expect(post.length).toBeGreaterThan(10);
  for (const { widthMm } of post) expect(widthMm).toBeCloseTo(1, 6);
});

describe('the thinnest wall of a slotted plate', () => {
  const plate = (leftMm: number, lowMm: number): Region => [
    [[0, 0], [leftMm + 14, 0], [leftMm + 14, lowMm + 8], [0, lowMm + 8]],
    [[leftMm, lowMm], [leftMm, lowMm + 2], [leftMm + 8, lowMm + 2], [leftMm + 8, lowMm]],
  ]; // oxfmt-ignore

  it('is the one beside the slot, told for both of its sides', () => {
    fc.assert(
      fc.property(fc.integer({ min: 4, max: 25 }), (tenths) => {
        const found = thinWalls(plate(6, tenths / 10), UP_TO_MM);
        expect(found.map(({ outline }) => outline).sort()).toEqual([0, 1]);
        for (const { widthMm } of found) expect(widthMm).toBeCloseTo(tenths / 10, 6);
        expect(found.find(({ outline }) => outline === 0)!.edges).toEqual([0]);
        expect(found.find(({ outline }) => outline === 1)!.edges).toEqual([3]);
      }),
    );
  });

  it('comes first of several', () => {
    const widths = thinWalls([...plate(6, 2), ...mapped(plate(6, 1), ([x, y]) => [x + 100, y])], UP_TO_MM);
    expect(widths.map(({ widthMm }) => Math.round(10 * widthMm) / 10)).toEqual([1, 1, 2, 2]);
  });

  it('is none where it is as wide as what is looked for, or goes on for less than twice its width', () => {
    expect(thinWalls(plate(6, UP_TO_MM), UP_TO_MM)).toEqual([]);
    // A bridge of 2.5 mm that is 2 mm long: the slot's narrow end near the edge.
    expect(thinWalls(plate(2.5, 6), UP_TO_MM)).toEqual([]);
    // It is 0.8 mm wide there and goes on for 2 mm.
    expect(thinWalls(plate(0.8, 6), UP_TO_MM).map(({ widthMm }) => Math.round(10 * widthMm) / 10)).toEqual([
      0.8, 0.8,
    ]);
  });
});
