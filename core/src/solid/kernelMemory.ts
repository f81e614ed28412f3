import type { ManifoldToplevel } from 'manifold-3d';

/** What the kernel's memory holds, as whole numbers of 32 bits, which addresses are as well, and as reals of 64. */
export interface MemoryViews {
  readonly words: Uint32Array;
  readonly reals: Float64Array;
}

/**
 * Looks into the kernel's memory. The views hold until the next call to the kernel, which may have to move its memory to get
 * more of it.
 */
export function memoryViews(kernel: ManifoldToplevel): () => MemoryViews {
  let views = viewsOf(kernel);
  return () => {
    // Memory that was moved leaves an empty buffer behind.
    while (views.words.length === 0) views = viewsOf(kernel);
    return views;
  };
}

/** Corners are the one thing that the kernel hands over where they are in its memory. */
function viewsOf(kernel: ManifoldToplevel): MemoryViews {
  let views: MemoryViews | undefined;
  const cube = kernel.Manifold.cube(1);
  const same = cube.warpBatch(({ buffer }) => {
    views = { words: new Uint32Array(buffer), reals: new Float64Array(buffer) };
  });
  for (const solid of [same, cube]) solid.delete();
  return views!;
}
