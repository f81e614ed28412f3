import { describe, expect, it } from 'vitest';
import { checked, faults } from '../../test/faults.ts';
import { variants } from '../../test/variants.ts';
import { wildParts } from '../../test/wildParts/index.ts';
import { topologyOf, triangleCount } from '../mesh/index.ts';

/* Parts that were made by other means than the kernel, with known answers. */

/** Meshes of more triangles are looked at in fewer ways, as each takes a good part of a second. */
const MANY = 5000;
const FEW_WAYS = ['turned oddly', 'jittered by 1e-5'];
/** Angles of less than half a degree, and stability of less than a tenth, come from rounding. */
const LEAST: Readonly<Record<string, number>> = { overhang: 0.5, stability: 0.1 };
const SAME = 0.02;

/** Of a part that is turned, these have other figures. */
const TURNING = ['size', 'comfort'];

describe.each(wildParts)('$name', ({ make, is, straying = {} }) => {
  it('is judged rightly however its surface is cut up, moved and turned about, and its figures stay', () => {
    const mesh = make();
    expect(topologyOf(mesh).openEdges).toBe(0);
    const figures = checked(mesh);
    expect(faults(is, figures)).toEqual([]);
    for (const [name, vary] of Object.entries(variants)) {
      if (triangleCount(mesh) > MANY && !FEW_WAYS.includes(name)) continue;
      const others = checked(vary(mesh));
      expect(faults(is, others).map((fault) => `${name}: ${fault}`)).toEqual([]);
      const moved = others.filter(({ id, verdict, measured }, i) => {
        const before = figures[i];
        const isNear =
          measured !== null && before.measured !== null
            ? Math.abs(measured - before.measured) <=
              Math.max(SAME * Math.abs(before.measured), LEAST[id] ?? 0.01)
            : measured === before.measured;
        return (
          !TURNING.includes(id) && (verdict !== before.verdict || (!isNear && straying[id] === undefined))
        );
      });
      expect(moved.map(({ id, verdict, measured }) => `${name}: ${id} ${verdict} ${measured}`)).toEqual([]);
    }
  });
});

it('there are more than a hundred of them, and few whose figures stray', () => {
  expect(wildParts.length).toBeGreaterThanOrEqual(100);
  expect(wildParts.filter(({ straying }) => straying).length).toBeLessThanOrEqual(5);
});
