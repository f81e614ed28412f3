import { spawnSync } from 'node:child_process';
import { resolve } from 'node:path';
import type { Manifold } from 'manifold-3d';
import { STLLoader } from 'three/examples/jsm/loaders/STLLoader.js';
import { readStl, writeStl } from '@kelbrin/core/format';
import { classroomLimits, inspect } from '@kelbrin/core/inspect';
import type { SolidMesh } from '@kelbrin/core/mesh';
import type { Recipe } from '@kelbrin/core/recipe';
import { everydaySettings, slice, writeGcode } from '@kelbrin/core/slice';
import { evaluate, type Workshop } from '@kelbrin/core/solid';
import {
  finishedCorners,
  finishedEdges,
  drawingSheet,
  lettersThatFit,
  partInSizes,
  taperedPart,
  largerInspections,
  longSign,
  liveInspection,
  oneNumberEdit,
  panel,
  pieces,
  trueSurfaces,
} from './edits.ts';
import { bareSections } from './bareSections.ts';
import { draggedDrawing } from './drawings.ts';
import type { Contest } from './measure.ts';
import { remedyContests } from './remedies.ts';
import { wildContests } from './wild.ts';
import { batchOfLabels, layoutOfLabels } from './batches.ts';

/** What the contests are run on. */
export interface Material {
  readonly workshop: Workshop;
  /** A seed-tray label, the part that classes make most. */
  readonly recipe: Recipe;
}

/** All contests, in the order in which they are printed. */
export function contests(material: Material): Contest[] {
  const built = evaluate(material.recipe, material.workshop);
  if (!built.ok) throw new Error(built.problem.message);
  return [
    recipeToSolid(material),
    liveInspection(material.workshop),
    oneNumberEdit(material.workshop),
    longSign(material.workshop),
    finishedCorners(material.workshop),
    finishedEdges(material.workshop),
    pieces(material.workshop),
    draggedDrawing(),
    lettersThatFit(material.workshop),
    partInSizes(material.workshop),
    taperedPart(material.workshop),
    drawingSheet(material.workshop),
    trueSurfaces(material.workshop),
    panel(material.workshop),
    inspection(material, built.mesh),
    gcode(material, built.mesh),
    batchOfLabels(material.workshop),
    layoutOfLabels(material.workshop),
    readingStl(material),
    startUp(),
    ...largerInspections(material.workshop),
    ...wildContests(material.workshop),
    ...remedyContests(material.workshop),
  ];
}

function recipeToSolid({ workshop, recipe }: Material): Contest {
  const { kernel } = workshop;
  // The bodies of the steps, each made once from its own part of the recipe.
  const [plate, , letters] = recipe.steps.map((step) => bodyOf(workshop, recipe, step.id));
  const pin = kernel.Manifold.cylinder(10, 2, 2, 48, true).translate([-29, 0, 0]);
  return {
    name: 'recipe → solid',
    reference: 'the kernel’s bare booleans of the same bodies',
    n: 60,
    run: () => evaluate(recipe, workshop),
    runReference() {
      const cut = plate.subtract(pin);
      const whole = cut.add(letters);
      whole.getMesh();
      whole.delete();
      cut.delete();
    },
  };
}

/** The body that one step adds, on its own. */
function bodyOf(workshop: Workshop, recipe: Recipe, stepId: string): Manifold {
  const { kernel } = workshop;
  const upTo = (count: number) => evaluate({ ...recipe, steps: recipe.steps.slice(0, count) }, workshop);
  const index = recipe.steps.findIndex(({ id }) => id === stepId);
  const [before, after] = [upTo(index), upTo(index + 1)];
  if (!before.ok || !after.ok) throw new Error('The bench’s recipe cannot be built.');
  const solid = (mesh: SolidMesh) =>
    new kernel.Manifold(
      new kernel.Mesh({ numProp: 3, vertProperties: mesh.positions, triVerts: mesh.triangles }),
    );
  if (index === 0) return solid(after.mesh);
  return solid(after.mesh).subtract(solid(before.mesh));
}

function inspection({ workshop }: Material, mesh: SolidMesh): Contest {
  return {
    name: 'inspection',
    reference: 'the kernel’s bare cross-sections of every layer',
    n: 60,
    run: () => inspect(mesh, classroomLimits),
    runReference: () => bareSections(workshop, mesh),
  };
}

function gcode({ workshop }: Material, mesh: SolidMesh): Contest {
  return {
    name: 'solid → G-code',
    reference: 'the kernel’s bare cross-sections of every layer',
    n: 30,
    run() {
      const toolpath = slice(workshop.kernel, mesh, everydaySettings);
      writeGcode(toolpath, everydaySettings, { offsetMm: [110, 100] });
    },
    runReference: () => bareSections(workshop, mesh),
  };
}

function readingStl({ workshop }: Material): Contest {
  const ball = workshop.kernel.Manifold.sphere(20, 512);
  const { vertProperties, triVerts } = ball.getMesh();
  ball.delete();
  const bytes = writeStl({ positions: vertProperties, triangles: triVerts });
  const loader = new STLLoader();
  return {
    name: `reading STL (${Math.round(triVerts.length / 3000)} thousand triangles, corners joined)`,
    reference: 'three’s STLLoader, which joins no corners',
    n: 30,
    run: () => readStl(bytes),
    runReference: () => loader.parse(bytes.buffer as ArrayBuffer),
  };
}

function startUp(): Contest {
  const command = resolve(import.meta.dirname, '../../cli/dist/kelbrin.js');
  return {
    name: 'start-up of the command',
    reference: 'Node with an empty program',
    n: 15,
    run: () => spawnSync(process.execPath, [command, 'help']),
    runReference: () => spawnSync(process.execPath, ['-e', '0']),
  };
}
