import { parentPort } from 'node:worker_threads';
import { readSolid, readThreeMf, writeStl, writeThreeMf } from '@kelbrin/core/format';
import { inspect } from '@kelbrin/core/inspect';
import { boundsOf, type SolidMesh } from '@kelbrin/core/mesh';
import { nodeWorkshop } from '@kelbrin/core/node';
import { drawPng } from '@kelbrin/core/picture';
import { estimate, settingsFor, slice, writeGcode } from '@kelbrin/core/slice';
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
    case 'gcode':
      return sliceFile(task, ready);
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
  };
}

function sliceFile(
  { threeMf, limits, notes }: Extract<Task, { kind: 'gcode' }>,
  ready: Workshop,
): Answers['gcode'] {
  const mesh = readThreeMf(threeMf);
  const settings = settingsFor(limits);
  const toolpath = slice(ready.kernel, mesh, settings);
  const { min, max } = boundsOf(mesh);
  const [x, y] = [0, 1].map((axis) => limits.buildVolumeMm[axis] / 2 - (min[axis] + max[axis]) / 2);
  return {
    gcode: writeGcode(toolpath, settings, { offsetMm: [x, y], notes }),
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
