import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { outlineKit } from '../../../test/outlineKit.ts';
import { circlePoints, regionAreaOf } from '../../plane/index.ts';
import { outlineRegion, type OutlineSpec } from './index.ts';
import type { OutlineKit } from './outlineKind.ts';
import type { Resolved } from '../amount.ts';

let kit: OutlineKit;
beforeAll(async () => (kit = outlineKit((await nodeWorkshop()).kernel)));
const region = (spec: Resolved<OutlineSpec>) => outlineRegion(spec, kit);

describe('outlines that are drawn smooth', () => {
  it('follow a smooth curve through all drawn points', () => {
    const nodes = circlePoints(10)
      .filter((_, i) => i % 6 === 0)
      .map(([xMm, yMm]) => ({ xMm, yMm }));
    const curve = region({ shape: 'points', nodes, closed: true, smooth: true, mirrored: false });
    for (const { xMm, yMm } of nodes) {
      expect(Math.min(...curve[0].map(([x, y]) => Math.hypot(x - xMm, y - yMm)))).toBeLessThan(1e-6);
    }
    expect(regionAreaOf(curve) / (Math.PI * 100)).toBeCloseTo(1, 1);
  });

  it('curve at each drawn point along the line between its neighbours', () => {
    const nodes = [[0, 0], [20, 0], [26, 10], [18, 22], [-3, 14]].map(([xMm, yMm]) => ({ xMm, yMm })); // oxfmt-ignore
    const [curve] = region({ shape: 'points', nodes, closed: true, smooth: true, mirrored: false });
    for (const [i, { xMm, yMm }] of nodes.entries()) {
      const at = curve.findIndex(([x, y]) => Math.hypot(x - xMm, y - yMm) < 1e-6);
      const [from, to] = [nodes.at(i - 1)!, nodes[(i + 1) % nodes.length]];
      const wanted = Math.atan2(to.yMm - from.yMm, to.xMm - from.xMm);
      for (const [a, b] of [
        [at - 1, at],
        [at, at + 1],
      ]) {
        // oxfmt-ignore
        const [one, other] = [curve.at(a)!, curve[b % curve.length]];
        const turned = Math.atan2(other[1] - one[1], other[0] - one[0]) - wanted;
        expect(Math.abs(Math.atan2(Math.sin(turned), Math.cos(turned)))).toBeLessThan(0.25);
      }
    }
  });
});
