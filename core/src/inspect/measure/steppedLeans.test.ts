import type { Manifold } from 'manifold-3d';
import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { madeWith } from '../../../test/solids.ts';
import type { Kernel } from '../../solid/index.ts';
import { classroomLimits } from '../index.ts';
import { steppedLeans } from './steppedLeans.ts';
import { subjectOf, type Subject } from './subject.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

const limits = { ...classroomLimits, layerMm: 0.2, maxOverhangDeg: 45, lineWidthMm: 0.4, maxBridgeMm: 10 };
const box = (size: [number, number, number], at: [number, number, number]) =>
  kernel.Manifold.cube(size).translate(at);
/** All faces that look down above the plate. */
const hanging = ({ mesh: { positions: p, triangles: t }, faces: { normals: n } }: Subject) =>
  Array.from({ length: t.length / 3 }, (_, f) => f).filter(
    (f) => n[3 * f + 2] < -0.5 && p[3 * t[3 * f] + 2] > 0.01,
  );
const leans = (solid: () => Manifold, more: object = {}) => {
  const subject = subjectOf(madeWith(kernel, solid));
  return { subject, found: steppedLeans(subject, hanging(subject), { ...limits, ...more }) };
};

/** A block of 20 mm, over whose right side so many steps reach out, each by so much and one layer of 0.2 mm high. */
const stairs =
  (steps: number, byMm: number, widthMm = 20, at: [number, number] = [0, 0], deg = 0) =>
  () =>
    kernel.Manifold.union([
      box([10, 20, 5], [0, 0, 0]),
      ...Array.from({ length: steps }, (_, i) => box([10 + (i + 1) * byMm, widthMm, 0.2 + (i === steps - 1 ? 3 : 0)], [0, 0, 5 + 0.2 * i])), // oxfmt-ignore
    ])
      .rotate([0, 0, deg])
      .translate([...at, 0]);

describe('a lean that only shows from layer to layer', () => {
  it.each([0, 90, 40, 215])('is told of by what its steps reach out together, turned by %d°', (deg) => {
    const { found, subject } = leans(stairs(5, 0.38, 20, [30, -12], deg));
    expect(found).toHaveLength(1);
    const [lean] = found;
    // Each step reaches out by 0.38 mm over 0.2 mm.
    expect(lean.deg).toBeCloseTo((Math.atan2(0.38, 0.2) * 180) / Math.PI, 0);
    // Where it reaches furthest: at the end of the last step, in its layer.
    const [cos, sin] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
    const [dx, dy] = [lean.at[0] - 30, lean.at[1] + 12];
    expect(dx * cos + dy * sin).toBeCloseTo(10 + 5 * 0.38, 1);
    expect(dy * cos - dx * sin).toBeGreaterThan(0);
    expect(dy * cos - dx * sin).toBeLessThan(20);
    expect(lean.at[2]).toBeGreaterThan(5);
    expect(lean.at[2]).toBeLessThan(6.3);
    // The undersides of its steps.
    expect(lean.faces.length).toBeGreaterThanOrEqual(10);
    for (const face of lean.faces) expect(subject.faces.normals[3 * face + 2]).toBeLessThan(-0.5);
  });

  it('is none that is as steep as the steepest overhang, or steeper', () => {
    expect(leans(stairs(6, 0.2)).found).toEqual([]);
    expect(leans(stairs(6, 0.15)).found).toEqual([]);
    expect(leans(stairs(6, 0.3)).found).toHaveLength(1);
    // A card that allows 60° allows steps of 0.34 mm.
    expect(leans(stairs(6, 0.3), { maxOverhangDeg: 60 }).found).toEqual([]);
    expect(leans(stairs(6, 0.38), { maxOverhangDeg: 60 }).found).toHaveLength(1);
    expect(leans(stairs(6, 0.38), { maxOverhangDeg: 90 }).found).toEqual([]);
  });

  it('is none of one step, of less than a line of plastic, or of less than two millimetres along', () => {
    expect(leans(stairs(1, 0.38)).found).toEqual([]);
    expect(leans(stairs(2, 0.3), { lineWidthMm: 0.7 }).found).toEqual([]);
    expect(leans(stairs(5, 0.38, 1.4)).found).toEqual([]);
    expect(leans(stairs(5, 0.38, 4)).found).toHaveLength(1);
    // What steps out further than two millimetres is a ceiling of its own.
    expect(leans(stairs(3, 2.3)).found).toEqual([]);
  });

  it('is as long as it is in the layer where it is longest', () => {
    const narrowing = () =>
      stairs(5, 0.38)().add(box([10 + 6 * 0.38, 1.2, 0.2], [0, 9, 6])).add(box([10, 20, 3], [0, 0, 6])); // oxfmt-ignore
    expect(leans(narrowing).found).toHaveLength(1);
  });

  it('is each of two that lie apart', () => {
    const two = () => stairs(5, 0.38)().add(stairs(5, 0.36, 20, [60, 0])());
    const { found } = leans(two);
    expect(found.map(({ at }) => at[0] > 40).toSorted()).toEqual([false, true]);
  });

  it('is none that closes an opening which a bridge spans, and one where that is too wide', () => {
    // A gate whose sides come nearer step by step until a beam closes it.
    const gate = (openMm: number) => () => {
      const side = (way: 1 | -1) =>
        Array.from({ length: 4 }, (_, i) => {
          const inner = openMm / 2 - 0.38 * (i + 1);
          return box([10 + 0.38 * (i + 1), 20, 0.2], [way > 0 ? inner : -inner - 10 - 0.38 * (i + 1), 0, 8 + 0.2 * i]); // oxfmt-ignore
        });
      return kernel.Manifold.union([
        box([10, 20, 8], [openMm / 2, 0, 0]),
        box([10, 20, 8], [-openMm / 2 - 10, 0, 0]),
        ...side(1),
        ...side(-1),
        box([openMm + 20, 20, 3], [-openMm / 2 - 10, 0, 8.8]),
      ]);
    };
    const leaning = (openMm: number, turnedDeg = 0) =>
      leans(() => gate(openMm)().rotate([0, 0, turnedDeg]).translate([7, -4, 0])).found.filter(
        ({ deg }) => deg < 80,
      );
    for (const deg of [0, 30, 90, 200]) {
      expect(leaning(8, deg)).toEqual([]);
      expect(leaning(16, deg).length).toBeGreaterThan(0);
    }
  });
});
