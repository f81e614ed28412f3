import wasmUrl from 'manifold-3d/manifold.wasm?url';
import { readSolid } from '@kelbrin/core/format';
import type { SolidMesh } from '@kelbrin/core/mesh';
import { plateToolpath, type PlateToolpath } from '@kelbrin/core/plate';
import {
  countMoves,
  cutThrough,
  estimate,
  packed,
  printClock,
  settingsOf,
  settingsOn,
  unpacked,
  type PackedToolpath,
  type PrintSettings,
} from '@kelbrin/core/slice';
import { loadKernel } from '@kelbrin/core/solid';
import { pieceOf, piecesOf } from '../shared/batchPiece';
import { sliceHeldPart } from '../shared/heldPart';
import { sentLayer, shownLayer, type SentLayer } from '../ui/printedLines/shownLayer';
import type { FromBatchWorker, ToBatchWorker } from './messages';
import { languageOf, speak } from '@kelbrin/core/words';

// The page that starts it gives it the language for a name.
speak(languageOf(self.name));

const starting = loadKernel({ url: wasmUrl });
const meshes = new Map<string, SolidMesh>();
/** Sliced parts by file and settings, so that moving a part slices nothing anew. */
const sliced = new Map<string, PackedToolpath>();
/** So many are kept: what was tried last is often tried again. */
const MOST_KEPT = 60;

let current = 0;
let toolpath: PlateToolpath | undefined;

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
  else showLayer(data.job, data.index);
});

/** The layer that was shown last, and the one as far from it again, which is likely to be asked for next. */
let last = 0;
let ahead: SentLayer | undefined;

function showLayer(job: number, index: number): void {
  const layer = ahead?.index === index ? ahead : layerOf(index);
  if (!layer) return;
  answer({ kind: 'layer', job, ...layer });
  const next = index + (index - last || 1);
  last = index;
  ahead = undefined;
  // What was asked for meanwhile goes before.
  setTimeout(() => {
    if (job === current && last === index) ahead = layerOf(next);
  });
}

function layerOf(index: number): SentLayer | undefined {
  const shown = toolpath && shownLayer(toolpath.layers, index);
  return shown && sentLayer(shown);
}

async function sliceBatch({ job, parts, limits, choice, on }: Extract<ToBatchWorker, { kind: 'batch' }>) {
  const kernel = await starting;
  const usual = settingsOf(limits, choice);
  // It is drawn on the plate that it is laid on, wherever that comes to lie on the printer's.
  const onPrinter = (each: PrintSettings) =>
    on ? { ...settingsOn(on.sheet, each, on.places), plateMm: usual.plateMm, isPlateRound: false } : each;
  const settings = onPrinter(usual);
  const key = JSON.stringify(settings);
  const pieces = piecesOf(parts, choice);
  for (const [done, [piece, { hash, choice: own, heldBy }]] of [...pieces].entries()) {
    if (sliced.has(piece + key)) continue;
    answer({ kind: 'progress', job, done, of: pieces.size });
    // A message that came meanwhile is heard here: a newer job calls this one off.
    await new Promise((resolve) => setTimeout(resolve));
    if (job !== current) return;
    const part = sliceHeldPart(kernel, meshes.get(hash)!, onPrinter(settingsOf(limits, own)), own, heldBy);
    sliced.set(piece + key, packed(part));
  }
  ahead = undefined;
  toolpath = plateToolpath(
    parts.map((part) => ({ ...part, part: unpacked(sliced.get(pieceOf(part) + key)!) })),
    settings,
  );
  for (const old of [...sliced.keys()].slice(0, -MOST_KEPT)) sliced.delete(old);
  const heightsMm = toolpath.layers.map(({ zMm }) => zMm);
  const clock = printClock(toolpath, settings);
  const moves = countMoves(toolpath);
  const { turns } = toolpath;
  answer({ kind: 'sliced', job, estimate: estimate(toolpath, settings), heightsMm, turns, clock, moves });
}

function answer(message: FromBatchWorker): void {
  postMessage(message);
}
