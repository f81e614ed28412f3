/** The little of WebAssembly that a test of the kernel's memory needs; the core itself never sees it. */
declare namespace WebAssembly {
  class Memory {
    readonly buffer: ArrayBuffer;
  }
  function instantiate(
    source: unknown,
    imports?: unknown,
  ): Promise<{ instance: { exports: Record<string, unknown> } }>;
}
