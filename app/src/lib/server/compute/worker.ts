import { parentPort } from 'node:worker_threads';
import { readSolid, readThreeMf, writeStl, writeThreeMf } from '@kelbrin/core/format';
import { inspect } from '@kelbrin/core/inspect';
import type { SolidMesh } from '@kelbrin/core/mesh';
import { nodeWorkshop } from '@kelbrin/core/node';
import { drawPng } from '@kelbrin/core/picture';
import { footprintOf, layOut, plateToolpath, slicePart } from '@kelbrin/core/plate';
import { estimate, settingsFor, settingsOf, slice, writeGcode } from '@kelbrin/core/slice';
import { evaluate, type Workshop } from '@kelbrin/core/solid';
import type { Answers, MeshFiles, Reply, Request, Task } from './task.ts';

const workshop = nodeWorkshop();

parentPort!.on('message', ({ id, task }: Request) => {
  workshop
    .then((ready): Reply => ({ id, answer: carryOut(task, ready) }))
    .catch((error: unknown): Reply => ({ id, error: error instanceof Error ? error.message : String(error) }))
    .then((reply) => parentPort!.postMessage(reply));
});

function carryOut(task: Task, ready: Workshop): Answers[keyof Answers] {
  switch (task.kind) {
    case 'inspect':
      return inspectRecipe(task, ready);
    case 'plate':
      return slicePlate(task, ready);
    case 'layOut':
      return layOut(task.parts, task.bed, task.gapMm, task.fixed);
    case 'picture':
      return drawRecipe(task, ready);
  }
}

function inspectRecipe(
  { recipe, files, limits, brief, title }: Extract<Task, { kind: 'inspect' }>,
  ready: Workshop,
): Answers['inspect'] {
  const built = evaluate(recipe, ready, { printer: limits, assets: meshesOf(files) });
  if (!built.ok) return { ok: false, problem: built.problem.message };
  if (built.mesh.triangles.length === 0) return { ok: false, problem: 'The recipe leaves nothing to print.' };
  const settings = settingsFor(limits);
  const needs = estimate(slice(ready.kernel, built.mesh, settings), settings);
  return {
    ok: true,
    inspection: inspect(built.mesh, limits, {
      origin: built.origin,
      brief,
      print: { minutes: needs.seconds / 60, grams: needs.grams },
    }),
    threeMf: writeThreeMf(built.mesh, { title }),
    stl: writeStl(built.mesh),
    estimate: needs,
    footprint: footprintOf(ready.kernel, built.mesh),
  };
}

function slicePlate(
  { files, parts, limits, choice, notes }: Extract<Task, { kind: 'plate' }>,
  { kernel }: Workshop,
): Answers['plate'] {
  const settings = settingsOf(limits, choice);
  const sliced = new Map(
    [...files].map(([hash, threeMf]) => [hash, slicePart(kernel, readThreeMf(threeMf), settings)]),
  );
  const toolpath = plateToolpath(
    parts.map(({ hash, ...placement }) => ({ ...placement, part: sliced.get(hash)! })),
    settings,
  );
  return {
    gcode: writeGcode(toolpath, settings, { offsetMm: [0, 0], notes }),
    estimate: estimate(toolpath, settings),
  };
}

function drawRecipe(
  { recipe, files, colour }: Extract<Task, { kind: 'picture' }>,
  ready: Workshop,
): Answers['picture'] {
  const built = evaluate(recipe, ready, { assets: meshesOf(files) });
  const mesh = built.ok ? built.mesh : { positions: new Float32Array(0), triangles: new Uint32Array(0) };
  return { png: drawPng(mesh, { widthPx: 320, heightPx: 200, colour, ground: '#ffffff' }) };
}

function meshesOf(files: MeshFiles = new Map()): Map<string, SolidMesh> {
  return new Map([...files].map(([name, stl]) => [name, readSolid(stl)]));
}
