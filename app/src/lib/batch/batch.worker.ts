import wasmUrl from 'manifold-3d/manifold.wasm?url';
import { readSolid } from '@kelbrin/core/format';
import type { SolidMesh } from '@kelbrin/core/mesh';
import { plateToolpath, type SlicedPart } from '@kelbrin/core/plate';
import {
  countMoves,
  cutThrough,
  estimate,
  printClock,
  settingsOf,
  settingsOn,
  type Toolpath,
} from '@kelbrin/core/slice';
import { loadKernel } from '@kelbrin/core/solid';
import { sliceHeldPart } from '../shared/heldPart';
import { shownLayer } from '../ui/printedLines/shownLayer';
import type { FromBatchWorker, ToBatchWorker } from './messages';
import { languageOf, speak } from '@kelbrin/core/words';

// The page that starts it gives it the language for a name.
speak(languageOf(self.name));

const starting = loadKernel({ url: wasmUrl });
const meshes = new Map<string, SolidMesh>();
/** Sliced parts by file and settings, so that moving a part slices nothing anew. */
const sliced = new Map<string, SlicedPart>();
/** So many are kept: what was tried last is often tried again. */
const MOST_KEPT = 60;

let current = 0;
let toolpath: Toolpath | undefined;

addEventListener('message', ({ data }: MessageEvent<ToBatchWorker>) => {
  if (data.kind === 'file') meshes.set(data.hash, readSolid(new Uint8Array(data.stl)));
  else if (data.kind === 'batch') {
    current = data.job;
    sliceBatch(data).catch((problem: unknown) => {
      answer({
        kind: 'failed',
        job: data.job,
        problem: problem instanceof Error ? problem.message : String(problem),
      });
    });
  } else if (data.kind === 'off') current = data.job;
  else if (data.job !== current || !toolpath) return;
  else if (data.kind === 'cut') answer({ kind: 'cut', job: data.job, cuts: cutThrough(toolpath, data.yMm) });
  else {
    const shown = shownLayer(toolpath.layers, data.index);
    if (shown) answer({ kind: 'layer', job: data.job, ...shown });
  }
});

async function sliceBatch({ job, parts, limits, choice, sheet }: Extract<ToBatchWorker, { kind: 'batch' }>) {
  const kernel = await starting;
  const usual = settingsOf(limits, choice);
  // It is drawn on the plate that it is laid on, wherever that comes to lie on the printer's.
  const settings = sheet
    ? { ...settingsOn(sheet, usual), plateMm: usual.plateMm, isPlateRound: false }
    : usual;
  const key = JSON.stringify([settings, parts.map(({ heldBy }) => heldBy)]);
  const hashes = [...new Set(parts.map(({ hash }) => hash))];
  for (const [done, hash] of hashes.entries()) {
    if (sliced.has(hash + key)) continue;
    answer({ kind: 'progress', job, done, of: hashes.length });
    // A message that came meanwhile is heard here: a newer job calls this one off.
    await new Promise((resolve) => setTimeout(resolve));
    if (job !== current) return;
    const heldBy = parts.find((part) => part.hash === hash && part.heldBy)?.heldBy;
    sliced.set(hash + key, sliceHeldPart(kernel, meshes.get(hash)!, settings, choice, heldBy));
  }
  toolpath = plateToolpath(
    parts.map(({ hash, ...placement }) => ({ ...placement, part: sliced.get(hash + key)! })),
    settings,
  );
  for (const old of [...sliced.keys()].slice(0, -MOST_KEPT)) sliced.delete(old);
  const heightsMm = toolpath.layers.map(({ zMm }) => zMm);
  const clock = printClock(toolpath, settings);
  const moves = countMoves(toolpath);
  answer({ kind: 'sliced', job, estimate: estimate(toolpath, settings), heightsMm, clock, moves });
}

function answer(message: FromBatchWorker): void {
  postMessage(message);
}
