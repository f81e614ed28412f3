import { classroomLimits } from '@kelbrin/core/inspect';
import type { SolidMesh } from '@kelbrin/core/mesh';
import { extentOf, type Region } from '@kelbrin/core/plane';
import { footprintOf, layOut, plateToolpath, slicePart, type Placeable } from '@kelbrin/core/plate';
import { estimate, everydaySettings, writeGcode } from '@kelbrin/core/slice';
import { evaluate, type Workshop } from '@kelbrin/core/solid';
import { starters } from '@kelbrin/core/starters';
import { plateOf, gapOf } from '../../app/src/lib/shared/plate.ts';
import { labelRecipe } from '../../app/src/lib/server/demo/labels.ts';
import { bareSections } from './bareSections.ts';
import type { Contest } from './measure.ts';

const plate = plateOf(classroomLimits);
const GAP_MM = gapOf({});

/** Twelve labels with a word each, from their solids to the G-code of one batch, its estimate included. */
export function batchOfLabels(workshop: Workshop): Contest {
  const words = [
    'Basil',
    'Mint',
    'Dill',
    'Sage',
    'Thyme',
    'Chives',
    'Cress',
    'Rocket',
    'Fennel',
    'Sorrel',
    'Lovage',
    'Borage',
  ];
  const meshes = words.map((each) => solidOf(workshop, labelRecipe({ words: each, widthMm: 65 })));
  const parts = meshes.map((mesh, i) => ({ id: String(i), footprint: footprintOf(workshop.kernel, mesh) }));
  const { placed } = layOut(parts, plate, GAP_MM);
  return {
    name: 'a batch of twelve labels → G-code',
    reference: 'the kernel’s bare cross-sections of every layer of each',
    n: 8,
    run() {
      const laid = placed.map((place) => ({
        ...place,
        part: slicePart(workshop.kernel, meshes[Number(place.id)], everydaySettings),
      }));
      const toolpath = plateToolpath(laid, everydaySettings);
      estimate(toolpath, everydaySettings);
      writeGcode(toolpath, everydaySettings, { offsetMm: [0, 0] });
    },
    runReference: () => meshes.forEach((mesh) => bareSections(workshop, mesh)),
  };
}

/** Laying forty labels, as many as find room. */
export function layoutOfLabels(workshop: Workshop): Contest {
  const footprint = footprintOf(
    workshop.kernel,
    solidOf(workshop, labelRecipe({ words: 'Basil', widthMm: 65 })),
  );
  return {
    name: 'laying forty labels',
    reference: 'laying their boxes',
    n: 10,
    run: () => layOut(copies(40, [footprint]), plate, GAP_MM),
    runReference: () => layOut(copies(40, [boxOf(footprint)]), plate, GAP_MM),
  };
}

/** How many hooks, clips and badges in turn find room on a plate, by what they cover and by their boxes. */
export function roomFor(workshop: Workshop): { outlines: number; boxes: number } {
  const footprints = ['Hose hook', 'Cane clip', 'Leaf badge'].map((title) =>
    footprintOf(workshop.kernel, solidOf(workshop, starters.find((each) => each.title === title)!.recipe)),
  );
  const most = (of: Region[]) => {
    let count = 12;
    while (layOut(copies(count + 1, of), plate, GAP_MM).left.length === 0) count++;
    return count;
  };
  return { outlines: most(footprints), boxes: most(footprints.map(boxOf)) };
}

function copies(count: number, footprints: readonly Region[]): Placeable[] {
  return Array.from({ length: count }, (_, i) => ({
    id: String(i),
    footprint: footprints[i % footprints.length],
  }));
}

function boxOf(footprint: Region): Region {
  const { x, y } = extentOf(footprint);
  return [
    [
      [x.low, y.low],
      [x.high, y.low],
      [x.high, y.high],
      [x.low, y.high],
    ],
  ];
}

function solidOf(workshop: Workshop, recipe: Parameters<typeof evaluate>[0]): SolidMesh {
  const built = evaluate(recipe, workshop);
  if (!built.ok) throw new Error(built.problem.message);
  return built.mesh;
}
