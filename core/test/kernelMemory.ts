import { nodeWorkshop } from '../node/workshop.ts';
import { memoryViews } from '../src/solid/kernelMemory.ts';
import type { Workshop } from '../src/solid/index.ts';

/** A workshop with a kernel of its own, and how much memory that holds. It only ever grows. */
export async function kernelWithMemory(): Promise<Workshop & { heldBytes(): number }> {
  const workshop = await nodeWorkshop();
  const views = memoryViews(workshop.kernel);
  return { ...workshop, heldBytes: () => views().words.byteLength };
}
