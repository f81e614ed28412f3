import Module, { type ManifoldToplevel } from 'manifold-3d';
import { mendBindingVectors } from './bindingVectors.ts';
import { handPolygonsThroughMemory } from './handedPolygons.ts';

/** The geometry kernel, ready to use. Only this folder knows what it is. */
export type Kernel = ManifoldToplevel;

/** The kernel's program, for hosts without a network of their own; or where a browser can fetch it. */
export type KernelSource = { wasm: Uint8Array } | { url: string };

/**
 * Starts the geometry kernel. The host says where its program is, since the core reads neither files nor network.
 * One kernel serves a whole worker; it holds memory that is freed by {@link inScope} alone.
 */
export async function loadKernel(source: KernelSource): Promise<Kernel> {
  // The kernel's own typing names only `locateFile`; its loader takes the program's bytes as `wasmBinary` as well.
  const options = 'wasm' in source ? { wasmBinary: source.wasm } : { locateFile: () => source.url };
  const kernel = await Module(options as Parameters<typeof Module>[0]);
  kernel.setup();
  mendBindingVectors(kernel);
  handPolygonsThroughMemory(kernel);
  return kernel;
}
