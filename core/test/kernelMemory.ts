import { nodeWorkshop } from '../node/workshop.ts';
import type { Workshop } from '../src/solid/index.ts';

/** A workshop with a kernel of its own, and how much memory that holds. It only ever grows. */
export async function kernelWithMemory(): Promise<Workshop & { heldBytes(): number }> {
  const { instantiate } = WebAssembly;
  const starting = instantiate as (...args: unknown[]) => Promise<{ instance: WebAssembly.Instance }>;
  let memory: WebAssembly.Memory | undefined;
  WebAssembly.instantiate = (async (...args: unknown[]) => {
    const started = await starting(...args);
    memory = Object.values(started.instance.exports).find((each) => each instanceof WebAssembly.Memory);
    return started;
  }) as never;
  try {
    return { ...(await nodeWorkshop()), heldBytes: () => memory!.buffer.byteLength };
  } finally {
    WebAssembly.instantiate = instantiate;
  }
}
