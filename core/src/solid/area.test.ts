import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { madeWith } from '../../test/solids.ts';
import { inScope, Scope, Sections, type Area, type Kernel } from './index.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

/** Works with the section of a 20 × 10 × 10 mm block that has a hole of 4 × 4 mm right through its middle. */
function withSection<T>(work: (section: Area, scope: Scope) => T): T {
  const block = madeWith(kernel, ({ Manifold }) =>
    Manifold.cube([20, 10, 10], true)
      .subtract(Manifold.cube([4, 4, 20], true))
      .translate([0, 0, 5]),
  );
  return inScope((scope) => work(new Sections(kernel, scope, block).at(scope, 5), scope));
}

describe('a section', () => {
  it('is the material at that height, with its openings', () => {
    withSection((section) => {
      expect(section.mm2()).toBeCloseTo(200 - 16, 3);
      expect(section.outlines()).toHaveLength(2);
    });
  });

  it('is empty above and below the part', () => {
    const cube = madeWith(kernel, ({ Manifold }) => Manifold.cube([1, 1, 1]));
    inScope((scope) => {
      const solid = new Sections(kernel, scope, cube);
      expect([-1, 0.5, 2].map((z) => solid.at(scope, z).isEmpty())).toEqual([true, false, true]);
    });
  });

  it('shrinks outside and around openings alike', () => {
    withSection((section) => {
      expect(section.grown(-1).mm2()).toBeCloseTo(18 * 8 - (36 - (4 - Math.PI)), 0);
      expect(section.grown(-3).isEmpty()).toBe(false);
      expect(section.grown(-6).isEmpty()).toBe(true);
    });
  });

  it('can be overlapped and taken apart: the two pieces make the whole', () => {
    withSection((section) => {
      const inner = section.grown(-1);
      expect(section.and(inner).mm2()).toBeCloseTo(inner.mm2(), 6);
      expect(section.without(inner).mm2() + inner.mm2()).toBeCloseTo(section.mm2(), 6);
    });
  });
});

describe('a scope', () => {
  it('frees what it keeps when its work ends, newest first, also by an error', () => {
    const freed: string[] = [];
    const held = (name: string) => ({ delete: () => freed.push(name) });
    expect(() =>
      inScope((scope) => {
        scope.keep(held('first'));
        scope.keep(held('second'));
        throw new Error('in the middle');
      }),
    ).toThrow('in the middle');
    expect(freed).toEqual(['second', 'first']);
  });

  it('frees each thing once', () => {
    let times = 0;
    const scope = new Scope();
    scope.keep({ delete: () => times++ });
    scope.end();
    scope.end();
    expect(times).toBe(1);
  });
});
