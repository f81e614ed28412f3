import { beforeAll, describe, expect, it } from 'vitest';
import { kernelWithMemory } from '../../test/kernelMemory.ts';
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
});
