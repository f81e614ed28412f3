import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { madeWith } from '../../../test/solids.ts';
import type { Kernel } from '../../solid/index.ts';
import { keels } from './keels.ts';
import { subjectOf, type Subject } from './subject.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));
const LAYER_MM = 0.2;

/** A boat of 30 mm with steep sides that meet in a keel, which rises by so much over its length; turned about the vertical. */
const boat = (riseMm: number, turnDeg = 0, halfMm = 5, longMm = 30) =>
  subjectOf(
    madeWith(kernel, ({ Manifold }) =>
      Manifold.hull([
        [0, 0, 0],
        [longMm, 0, riseMm],
        [0, halfMm, 12],
        [0, -halfMm, 12],
        [longMm, halfMm, 12 + riseMm],
        [longMm, -halfMm, 12 + riseMm],
      ]) // oxfmt-ignore
        .rotate([0, 0, turnDeg]),
    ),
  );
/** How far each face leans out, or 0 where it does not look down. */
const leans = ({ faces: { normals } }: Subject) =>
  Float64Array.from({ length: normals.length / 3 }, (_, f) =>
    normals[3 * f + 2] < -1e-3 ? (Math.asin(-normals[3 * f + 2]) * 180) / Math.PI : 0,
  );
const found = (subject: Subject, layerMm = LAYER_MM) => keels(subject, leans(subject), layerMm);

describe('a keel', () => {
  it.each([0, 90, 37, 200])(
    'is told of once, half-way along and by how it rises, turned by %d°',
    (turnDeg) => {
      const subject = boat(1.5, turnDeg);
      const all = found(subject);
      expect(all).toHaveLength(1);
      const [{ deg, at, faces }] = all;
      expect(deg).toBeCloseTo((Math.atan2(30, 1.5) * 180) / Math.PI, 3);
      const [cos, sin] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)];
      expect(at[0]).toBeCloseTo(15 * cos, 4);
      expect(at[1]).toBeCloseTo(15 * sin, 4);
      expect(at[2]).toBeCloseTo(0.75, 4);
      // The two sides of the boat, which look to the left and the right of it.
      const { normals: n } = subject.faces;
      const across = faces.map((f) => n[3 * f] * -sin + n[3 * f + 1] * cos);
      expect(across[0] * across[1]).toBeLessThan(-0.8);
    },
  );

  it('is none where each layer reaches out by less than two millimetres over the one below', () => {
    // 2 mm a layer of 0.2 mm is a rise of 3 mm over its 30 mm.
    expect(found(boat(3.1))).toEqual([]);
    expect(found(boat(2.9))).toHaveLength(1);
    expect(found(boat(2.9), 0.15)).toEqual([]);
  });

  it('is none where it is level, shorter than two millimetres, or blunt', () => {
    expect(found(boat(0.2))).toEqual([]);
    expect(found(boat(0.1, 0, 5, 2.1))).toHaveLength(1);
    expect(found(boat(0.09, 0, 5, 1.9))).toEqual([]);
    // Sides that are nearly a floor are told of as such; seen from above they still look to opposite sides.
    expect(found(boat(1.5, 0, 40))).toHaveLength(1);
  });

  it('is no groove between two faces that lean out', () => {
    const grooved = subjectOf(
      madeWith(
        kernel,
        ({ Manifold }) =>
        Manifold.cube([30, 20, 14])
          .translate([0, -10, 0])
          .subtract(Manifold.hull([[-1, -6, -1], [-1, 6, -1], [31, -6, -1], [31, 6, -1], [-1, 0, 9], [31, 0, 10.5]])), // oxfmt-ignore
      ),
    );
    expect(found(grooved)).toEqual([]);
  });

  it('is none where a face does not lean out over nothing', () => {
    const subject = boat(1.5);
    expect(keels(subject, new Float64Array(subject.faces.areas.length), LAYER_MM)).toEqual([]);
  });
});
