import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { circlePoints, segmentsFor, signedAreaOf, toEdgeMm, type Point } from '../../plane/index.ts';
import { holeSection, roofed } from './holeRoof.ts';

const sizes = fc.record({
  radiusMm: fc.integer({ min: 5, max: 300 }).map((tenths) => tenths / 10),
  maxOverhangDeg: fc.integer({ min: 0, max: 89 }),
});

describe('the section of a hole with a roof', () => {
  it('holds all of the circle, and no wall of it leans further than the printer manages', () => {
    fc.assert(
      fc.property(sizes, ({ radiusMm, maxOverhangDeg }) => {
        const outline = roofed(radiusMm, maxOverhangDeg);
        const leanDeg = Math.min(75, Math.max(15, maxOverhangDeg - 3));
        expect(signedAreaOf(outline)).toBeGreaterThan(0);
        const slackMm = radiusMm * (1 - Math.cos(Math.PI / segmentsFor(radiusMm))) + 1e-6;
        let slopes = 0;
        outline.forEach(([ax, ay], i) => {
          const [bx, by] = outline[(i + 1) % outline.length];
          // No edge comes nearer to the middle than those of the circle.
          expect(toEdgeMm(0, 0, ax, ay, bx, by)).toBeGreaterThan(radiusMm - slackMm);
          // Seen from inside, an edge that runs to the left closes the hole above: a slope, or the level top.
          if (ax - bx < 1e-9 || Math.max(ay, by) < radiusMm * Math.sin((leanDeg * Math.PI) / 180) - 1e-6)
            return;
          const deg = (Math.atan2(ax - bx, Math.abs(ay - by)) * 180) / Math.PI;
          if (deg > 89.9) expect(ax - bx).toBeLessThanOrEqual(8 + 1e-9);
          else {
            expect(deg).toBeLessThanOrEqual(leanDeg + 1e-6);
            slopes++;
          }
        });
        expect(slopes).toBeGreaterThan(0);
      }),
    );
  });

  it('is as high as two tangents and a level top make it', () => {
    fc.assert(
      fc.property(sizes, ({ radiusMm, maxOverhangDeg }) => {
        const lean = (Math.min(75, Math.max(15, maxOverhangDeg - 3)) * Math.PI) / 180;
        const [[right, top], [left]] = roofed(radiusMm, maxOverhangDeg);
        expect(left).toBeCloseTo(-right, 9);
        // Where the circle ends, or higher where the top would be wider than 8 mm.
        const atCircle = (radiusMm * (1 - Math.sin(lean))) / Math.cos(lean);
        expect(right).toBeCloseTo(Math.min(4, atCircle), 9);
        if (atCircle <= 4) expect(top).toBeCloseTo(radiusMm, 9);
        else expect(top).toBeGreaterThan(radiusMm);
        // The slope is a tangent: its corner lies on the line that touches the circle at the angle of its lean.
        expect(right * Math.cos(lean) + top * Math.sin(lean)).toBeCloseTo(radiusMm, 9);
      }),
    );
  });

  it('has the corners of the round hole below its slopes', () => {
    const outline = roofed(5, 45, 48);
    const key = ([x, y]: Point) => `${Math.round(1e6 * x)} ${Math.round(1e6 * y)}`;
    const known = new Set(outline.map(key));
    const round = circlePoints(5);
    for (let i = 0; i < 48; i++) {
      const at: Point = [5 * Math.cos((2 * Math.PI * i) / 48), 5 * Math.sin((2 * Math.PI * i) / 48)];
      if (at[1] < 5 * Math.sin((42 * Math.PI) / 180) - 0.01) expect(known).toContain(key(at));
    }
    expect(holeSection(5, { facing: 'up', roof: 'sloping' }, 45)).toEqual(round);
    expect(holeSection(5, { facing: 'front' }, 45)).toEqual(round);
    expect(holeSection(5, { facing: 'front', roof: 'sloping' }, 45, 48)).toEqual(outline);
  });
});
