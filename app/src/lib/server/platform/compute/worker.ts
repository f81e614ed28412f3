import {
  FormatError,
  readPart,
  readSolid,
  readThreeMf,
  sentFile,
  writeStl,
  writeThreeMf,
} from '@kelbrin/core/format';
import { Inspecting, marksStillOn, withPrintNeeds } from '@kelbrin/core/inspect';
import { boundsOf, guessUnit, sizeOf, type SolidMesh } from '@kelbrin/core/mesh';
import { nodeWorkshop } from '@kelbrin/core/node';
import { drawPng } from '@kelbrin/core/picture';
import { footprintOf, layOut, plateSolid, plateToolpath, shiftOnto } from '@kelbrin/core/plate';
import {
  estimate,
  packed,
  printNeeds,
  settingsForPart,
  slice,
  SUPPORTS_BEYOND_MM,
  unpacked,
  layerStarts,
  writeGcode,
} from '@kelbrin/core/slice';
import { evaluate, type Workshop } from '@kelbrin/core/solid';
import { planWeek, type WeekProblem } from '@kelbrin/core/weekPlan';
import { sliceHeldPart } from '../../../shared/heldPart.ts';
import { speakAsSet } from '../basics/language.ts';
import { readPicture } from './readPicture.ts';
import { noteThread } from './processorTime.ts';
import type { Answers, MeshFiles, Task } from './task.ts';
import type { Given } from './workerPool.ts';
import { formatNumber } from '@kelbrin/core/recipe';
import { say } from '@kelbrin/core/words';

speakAsSet();

let workshop: Promise<Workshop> | undefined;
/** Kernel and fonts are loaded by the first task that builds something. */
const ready = () => (workshop ??= nodeWorkshop());

/** Carries out one task in a worker thread. */
export default function begin({ task, note }: Given): Promise<Answers[keyof Answers]> {
  noteThread(note);
  return carryOut(task);
}

async function carryOut(task: Task): Promise<Answers[keyof Answers]> {
  switch (task.kind) {
    case 'inspect':
      return inspectRecipe(task, await ready());
    case 'slice':
      return slicedPart(task, await ready());
    case 'batch':
      return putTogether(task);
    case 'layOut':
      return layOut(task.parts, task.plate, task.gapMm, task.fixed);
    case 'planWeek':
      return searchWeek(task.problem);
    case 'picture':
      return drawRecipe(task, await ready());
    case 'readMesh':
      return readMesh(task.sent.bytes, await ready());
    case 'readPicture':
      return readPicture(task.sent.bytes);
  }
}

/** A plan is looked for this long, ms, and in no more rounds than this. */
const SEARCH_MS = 1000;
const MOST_ROUNDS = 20_000;
/** Few parts have few ways to be put. */
const ROUNDS_A_PART = 200;

/** Small enough for the displays of printers. */
const ON_PRINTER_PX = { widthPx: 200, heightPx: 125 };
/** How high the picture of a part is by its width. */
const PICTURE_SHAPE = 5 / 8;
const PART_COLOUR = '#2f7d4f';

function searchWeek(problem: WeekProblem): Answers['planWeek'] {
  const begun = performance.now();
  const rounds = Math.min(MOST_ROUNDS, ROUNDS_A_PART * problem.parts.length);
  return planWeek(problem, { rounds, used: () => (performance.now() - begun) / SEARCH_MS });
}

function inspectRecipe(
  { recipe, files, limits, brief, supportMarks: marks = [], title }: Extract<Task, { kind: 'inspect' }>,
  ready: Workshop,
): Answers['inspect'] {
  const built = evaluate(recipe, ready, { printer: limits, assets: meshesOf(files) });
  if (!built.ok) return { ok: false, problem: built.problem.message };
  if (built.mesh.triangles.length === 0)
    return { ok: false, problem: say('The recipe leaves nothing to print.') };
  const colours = built.origin.colours.map(({ fromMm, colour }) => ({ fromMm, colour }));
  const settings = settingsForPart(limits, colours);
  const supportMarks = marksStillOn(built.mesh, marks);
  const inspecting = new Inspecting(built.mesh, limits, { origin: built.origin, brief, supportMarks });
  const toolpath = slice(ready.kernel, built.mesh, settings, inspecting.heldFaces());
  const needs = estimate(toolpath, settings);
  return {
    ok: true,
    inspection: withPrintNeeds(inspecting.whole(), printNeeds(needs, toolpath.supports), limits, brief),
    threeMf: writeThreeMf(built.mesh, { title, colours }),
    stl: writeStl(built.mesh),
    estimate: needs,
    footprint: footprintOf(ready.kernel, built.mesh, needs.supports ? SUPPORTS_BEYOND_MM : 0),
    colours,
    supportMarks,
  };
}

function slicedPart(
  { files, settings, choice, heldBy }: Extract<Task, { kind: 'slice' }>,
  { kernel }: Workshop,
): Answers['slice'] {
  const [threeMf] = files.values();
  return packed(sliceHeldPart(kernel, readThreeMf(threeMf), settings, choice, heldBy));
}

function putTogether({
  sliced,
  parts,
  settings,
  laidOnMm: [widthMm, depthMm],
  on,
  pictured,
  notes,
}: Extract<Task, { kind: 'batch' }>): Answers['batch'] {
  const [dx, dy] = on ? shiftOnto(on.sheet, { widthMm, depthMm }) : [0, 0];
  const toolpath = plateToolpath(
    parts.map(({ piece, xMm, yMm, turnDeg }) => ({
      xMm: xMm + dx,
      yMm: yMm + dy,
      turnDeg,
      part: unpacked(sliced.get(piece)!),
    })),
    settings,
  );
  const topMm = toolpath.layers.at(-1)?.zMm ?? 0;
  if (topMm > settings.heightMm)
    return {
      ok: false,
      problem: say('The tallest part is {topMm} mm high, and {printer} can print up to {heightMm} mm.', {
        topMm: formatNumber(topMm),
        heightMm: formatNumber(settings.heightMm),
        printer: on?.printer ?? say('the printer'),
      }),
    };
  const takes = estimate(toolpath, settings);
  const picture = pictured && pictureOf(parts, pictured);
  const gcode = writeGcode(toolpath, settings, {
    offsetMm: [0, 0],
    notes,
    on: on && { ...on, takes, picture },
  });
  return { ok: true, gcode, estimate: takes, layerStarts: layerStarts(gcode) };
}

/** The parts of a plate as they lie there. */
function pictureOf(
  parts: Extract<Task, { kind: 'batch' }>['parts'],
  files: ReadonlyMap<string, Uint8Array>,
): Uint8Array {
  const meshes = new Map([...files].map(([hash, threeMf]) => [hash, readThreeMf(threeMf)]));
  const solid = plateSolid(parts.map(({ hash, ...pose }) => ({ ...pose, mesh: meshes.get(hash)! })));
  return drawPng(solid, { ...ON_PRINTER_PX, colour: PART_COLOUR, ground: '#ffffff' });
}

function drawRecipe(
  { recipe, files, colour, widthPx }: Extract<Task, { kind: 'picture' }>,
  ready: Workshop,
): Answers['picture'] {
  const built = evaluate(recipe, ready, { assets: meshesOf(files) });
  const mesh = built.ok ? built.mesh : { positions: new Float32Array(0), triangles: new Uint32Array(0) };
  const colours = built.ok ? built.origin.colours : [];
  return {
    png: drawPng(mesh, { widthPx, heightPx: widthPx * PICTURE_SHAPE, colour, colours, ground: '#ffffff' }),
  };
}

function readMesh(bytes: Uint8Array, { kernel }: Workshop): Answers['readMesh'] {
  try {
    const { mesh, mended } = readPart(kernel, bytes, sentFile);
    const size = sizeOf(boundsOf(mesh));
    const unit = guessUnit(Math.max(...size));
    const guessed =
      unit === 'mm'
        ? []
        : [
            say('{size} looked like {unit}.', {
              size: size.map((mm) => mm.toPrecision(3)).join(' × '),
              unit,
            }),
          ];
    return { ok: true, stl: writeStl(mesh), unit, notes: [...mended, ...guessed] };
  } catch (problem) {
    if (problem instanceof FormatError) return { ok: false, problem: problem.message };
    throw problem;
  }
}

function meshesOf(files: MeshFiles = new Map()): Map<string, SolidMesh> {
  return new Map([...files].map(([name, stl]) => [name, readSolid(stl)]));
}
