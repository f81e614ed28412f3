import fontUrl from '@kelbrin/core/fonts/sturdy.woff?url';
import wasmUrl from 'manifold-3d/manifold.wasm?url';
import { inspect } from '@kelbrin/core/inspect';
import type { SolidMesh } from '@kelbrin/core/mesh';
import { estimate, everydaySettings, slice } from '@kelbrin/core/slice';
import { evaluate, inScope, loadFont, loadKernel, Sections, type Workshop } from '@kelbrin/core/solid';
import type { FromWorker, ToWorker } from './messages';

/** How long edits must pause before the print is estimated, which takes longer than all the rest. */
const ESTIMATE_AFTER_MS = 350;

const workshop: Promise<Workshop> = Promise.all([
  loadKernel({ url: wasmUrl }),
  fetch(fontUrl).then((response) => response.arrayBuffer()),
]).then(([kernel, font]) => ({ kernel, font: loadFont(font) }));

let current: SolidMesh | undefined;
let estimating: ReturnType<typeof setTimeout> | undefined;

self.onmessage = async ({ data }: MessageEvent<ToWorker>) => {
  const ready = await workshop;
  if (data.kind === 'evaluate') evaluateRecipe(data, ready);
  else cutAt(data, ready);
};

function evaluateRecipe(
  { job, recipe, limits }: Extract<ToWorker, { kind: 'evaluate' }>,
  ready: Workshop,
): void {
  clearTimeout(estimating);
  const result = evaluate(recipe, ready);
  if (!result.ok) return answer({ kind: 'problem', job, problem: result.problem });
  const { mesh, volumeMm3, steps } = result;
  const stepIds = recipe.steps.map(({ id }) => id);
  const inspection = inspect(mesh, limits, stepIds);
  current = mesh;
  answer({ kind: 'solid', job, solid: { mesh, volumeMm3, steps, inspection } });
  if (mesh.triangles.length === 0) return;
  estimating = setTimeout(() => {
    const { layerMm, lineWidthMm } = limits;
    const settings = { ...everydaySettings, layerMm, firstLayerMm: layerMm, lineWidthMm };
    answer({ kind: 'estimate', job, estimate: estimate(slice(ready.kernel, mesh, settings), settings) });
  }, ESTIMATE_AFTER_MS);
}

function cutAt({ job, zMm }: Extract<ToWorker, { kind: 'section' }>, { kernel }: Workshop): void {
  const mesh = current;
  if (!mesh || mesh.triangles.length === 0) return;
  const region = inScope((scope) => new Sections(kernel, scope, mesh).at(scope, zMm).outlines());
  answer({ kind: 'section', job, zMm, region });
}

function answer(message: FromWorker): void {
  self.postMessage(message);
}
