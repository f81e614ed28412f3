/** The little of WebAssembly that a test of the kernel's memory needs; the core itself never sees it. */
declare namespace WebAssembly {
  class Memory {
    readonly buffer: ArrayBuffer;
  }
  interface Instance {
    readonly exports: Record<string, unknown>;
  }
  let instantiate: (source: unknown, imports?: unknown) => Promise<{ instance: Instance }>;
}
