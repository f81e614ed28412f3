import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { kernelWithMemory } from '../../test/kernelMemory.ts';
import { extentOf, rectangle, signedAreaOf, type Outline } from '../plane/index.ts';
import type { Kernel } from './kernel.ts';

let kernel: Kernel;
let heldBytes: () => number;
beforeAll(async () => {
  ({ kernel, heldBytes } = await kernelWithMemory());
});

/** An outline of so many corners that some dozens of lists would fill the memory that the kernel begins with. */
const outline = Array.from({ length: 20_000 }, (_, i) => {
  const angle = (2 * Math.PI * i) / 20_000;
  return [50 * Math.cos(angle), 50 * Math.sin(angle)] as [number, number];
});
const small = [outline.filter((_, i) => i % 400 === 0)];

describe('the kernel', () => {
  it('keeps nothing of the polygons that are handed to it and from it', () => {
    const work: Record<string, () => void> = {
      'taking a section': () => kernel.CrossSection.ofPolygons([outline], 'NonZero').delete(),
      'giving a section back': () => {
        const section = kernel.CrossSection.ofPolygons([outline], 'NonZero');
        section.toPolygons();
        section.delete();
      },
      'extruding a section': () => {
        const section = kernel.CrossSection.ofPolygons([outline], 'NonZero');
        kernel.Manifold.extrude(section, 1).delete();
        section.delete();
      },
      'the hull of corners': () => kernel.CrossSection.hull([outline]).delete(),
    };
    for (const [what, run] of Object.entries(work)) {
      // The first times settle how much is needed at once.
      for (let i = 0; i < 3; i++) run();
      const before = heldBytes();
      for (let i = 0; i < 8; i++) run();
      expect(heldBytes(), what).toBe(before);
    }
  });

  it('keeps nothing of triangles that it is asked for', () => {
    for (let i = 0; i < 200; i++) kernel.triangulate(small);
    const before = heldBytes();
    for (let i = 0; i < 10_000; i++) kernel.triangulate(small);
    expect(heldBytes()).toBe(before);
  });

  it('gives back the very polygons that it was given', () => {
    const place = fc.integer({ min: -40, max: 40 });
    const boxes = fc.uniqueArray(fc.tuple(place, place), { minLength: 1, selector: String });
    const halfMm = fc.double({ min: 0.01, max: 0.49, noNaN: true });
    fc.assert(
      fc.property(boxes, halfMm, (places, half) => {
        const given = places.map(([x, y]) => rectangle({ x: around(x, half), y: around(y, half) }));
        const section = kernel.CrossSection.ofPolygons(given as [number, number][][], 'NonZero');
        const taken = section.toPolygons();
        section.delete();
        expect(new Set(taken.map(boxOf))).toEqual(new Set(given.map(boxOf)));
        expect(taken.flat()).toHaveLength(4 * places.length);
      }),
    );
  });

  it('follows its memory where that is moved to grow', () => {
    const sections = Array.from({ length: 40 }, () => kernel.CrossSection.ofPolygons([outline], 'NonZero'));
    const before = heldBytes();
    sections.push(...Array.from({ length: 40 }, () => kernel.CrossSection.ofPolygons([outline], 'NonZero')));
    expect(heldBytes()).toBeGreaterThan(before);
    for (const section of sections) {
      expect(signedAreaOf(section.toPolygons()[0])).toBeCloseTo(Math.PI * 50 ** 2, 2);
      section.delete();
    }
  });

  it('takes no polygons for nothing', () => {
    const section = kernel.CrossSection.ofPolygons([], 'NonZero');
    expect([section.isEmpty(), section.toPolygons()]).toEqual([true, []]);
    section.delete();
    expect(kernel.triangulate([])).toEqual([]);
  });

  it.each([
    ['EvenOdd', 16 - 4],
    ['NonZero', 16],
    ['Positive', 16],
    ['Negative', 0],
  ] as const)('fills two outlines one in the other by the rule %s', (rule, mm2) => {
    const squares = [4, 2].map((mm) => rectangle({ x: around(0, mm / 2), y: around(0, mm / 2) }));
    const section = kernel.CrossSection.ofPolygons(squares as [number, number][][], rule);
    expect(section.area()).toBeCloseTo(mm2, 9);
    section.delete();
  });

  it('fills an outline the other way round by the rule that is for those', () => {
    const turned = rectangle({ x: around(0, 2), y: around(0, 2) }).toReversed();
    const section = new kernel.CrossSection([turned as [number, number][]], 'Negative');
    expect(section.area()).toBeCloseTo(16, 9);
    section.delete();
  });

  it('fills a square with two triangles of its corners', () => {
    const triangles = kernel.triangulate([
      rectangle({ x: around(0, 1), y: around(0, 1) }) as [number, number][],
    ]);
    expect(triangles).toHaveLength(2);
    expect(new Set(triangles.flat())).toEqual(new Set([0, 1, 2, 3]));
  });
});

const around = (mm: number, half: number) => ({ low: mm - half, high: mm + half });
/** The box around an outline, to the kernel's own accuracy in the plane. */
const boxOf = (outline: Outline) =>
  JSON.stringify(extentOf([outline]), (_, value: unknown) =>
    typeof value === 'number' ? value.toFixed(6) : value,
  );
