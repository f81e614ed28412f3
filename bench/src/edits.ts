import { classroomLimits, inspect } from '@kelbrin/core/inspect';
import { sentenceOf, setField, type Recipe, type Step } from '@kelbrin/core/recipe';
import { partSheet, recipeSheet } from '@kelbrin/core/sheet';
import { drawingScribe, evaluate, SolidCache, type Workshop } from '@kelbrin/core/solid';
import { starters } from '@kelbrin/core/starters';
import { featureEdges } from '@kelbrin/core/mesh';
import { writeStep } from '@kelbrin/core/format';
import { lessonObjects } from '../../core/src/document/lessonObjects/index.ts';
import { recipeWith, stepOf } from '../../core/test/evaluated.ts';
import { bareSections } from './bareSections.ts';
import type { Contest } from './measure.ts';

/** Each number of a recipe moved by one step of its arrow keys, and moved back: what a student does all day. */
export function editsOf(recipe: Recipe): Recipe[] {
  return recipe.steps.flatMap((step, index) =>
    sentenceOf(step, { recipe, index }).flatMap((token) => {
      if (token.type !== 'number' || typeof token.value !== 'number') return [];
      const by = token.value + token.nudge > token.max ? -token.nudge : token.nudge;
      const edited = setField(recipe, step.id, token.path, token.value + by);
      return edited.ok ? [edited.recipe, recipe] : [];
    }),
  );
}

/** Goes round and round through the edits of a recipe, one at each call. */
function* rounds(recipes: readonly Recipe[]): Generator<{ recipe: Recipe; round: number }> {
  for (;;) for (const [round, recipe] of recipes.entries()) yield { recipe, round };
}

/**
 * One-number edit → new solid, over all numbers of all starters. Five sixths of it are the kernel's own work: booleans, and
 * handing over triangles.
 */
export function oneNumberEdit(workshop: Workshop): Contest {
  const edits = starters.map(({ recipe }) => ({ edits: editsOf(recipe), cache: new SolidCache() }));
  const all = edits.flatMap(({ edits: of, cache }) => of.map((recipe) => ({ recipe, cache })));
  // What cannot be built answers at once and would flatter the figure.
  const built = all.filter(({ recipe }) => evaluate(recipe, workshop).ok);
  let [own, other] = [0, 0];
  return {
    name: `one-number edit → solid (${starters.length} starters, ${built.length} edits)`,
    reference: 'the same from nothing, without what was kept',
    n: built.length,
    run() {
      const { recipe, cache } = built[own++ % built.length];
      evaluate(recipe, workshop, { cache });
    },
    runReference: () => void evaluate(built[other++ % built.length].recipe, workshop),
  };
}

/** Full inspection of the solid after an edit, over numbers of all starters: what the worker does while one designs. */
export function liveInspection(workshop: Workshop): Contest {
  const parts = starters.flatMap(({ recipe }) => {
    const edited = editsOf(recipe).filter((_, i) => i % 8 === 0);
    return edited.flatMap((each) => {
      const built = evaluate(each, workshop);
      return built.ok ? [{ mesh: built.mesh, about: { origin: built.origin } }] : [];
    });
  });
  let [own, other] = [0, 0];
  return {
    name: `live inspection after an edit (${starters.length} starters, ${parts.length} edits)`,
    reference: 'the kernel’s bare cross-sections of every layer',
    n: parts.length,
    run() {
      const { mesh, about } = parts[own++ % parts.length];
      // What is known of a mesh is remembered with it, and an edited one is always new.
      inspect({ ...mesh }, classroomLimits, about);
    },
    runReference: () => bareSections(workshop, parts[other++ % parts.length].mesh),
  };
}

/** A plate with things on it, of which one number is changed to and fro. */
function toAndFro(workshop: Workshop, name: string, recipe: Recipe, stepId: string): Contest {
  const cache = new SolidCache();
  const index = recipe.steps.findIndex(({ id }) => id === stepId);
  const edits = rounds(
    editsOf({ ...recipe, steps: recipe.steps.slice(0, index + 1) }).map((each) => ({
      ...recipe,
      steps: [...each.steps, ...recipe.steps.slice(index + 1)],
    })),
  );
  const fresh = rounds([recipe]);
  return {
    name,
    reference: 'the same from nothing, without what was kept',
    n: 30,
    run: () => void evaluate(edits.next().value!.recipe, workshop, { cache }),
    runReference: () => void evaluate(fresh.next().value!.recipe, workshop),
  };
}

const plate = (widthMm: number, depthMm: number): Step =>
  stepOf('extrude', 's1', undefined, {
    outline: { shape: 'roundedRectangle', widthMm, depthMm, cornerMm: 4 },
  });

/** A sign of twenty-four letters. */
function sign(): Recipe {
  const words = stepOf('letters', 's2', 's1', {
    lettering: { words: 'GREENHOUSE HERBS\nAND SALADS', font: 'sturdy', size: { by: 'height', mm: 9 } },
  });
  return recipeWith([plate(180, 40), words]);
}

export function longSign(workshop: Workshop): Contest {
  return toAndFro(workshop, 'edit of a 24-letter sign → solid', sign(), 's2');
}

/** Words in three scripts, as large as fits on a disc: what is found anew with each letter that is typed. */
export function lettersThatFit(workshop: Workshop): Contest {
  const disc = stepOf('extrude', 's1', undefined, { outline: { shape: 'circle', diameterMm: 70 } });
  const words = stepOf('letters', 's2', 's1', {
    lettering: { words: 'Nguyễn Ω\nЖанна', font: 'rounded', size: { by: 'room', marginMm: 2 } },
    effect: 'sunk',
  });
  return toAndFro(workshop, 'edit of letters as large as fits → solid', recipeWith([disc, words]), 's2');
}

/** A strip of five holes with their sizes, all of which are made again when one number changes. */
export function partInSizes(workshop: Workshop): Contest {
  const { recipe } = lessonObjects.find(({ title }) => title === 'A gauge for holes')!;
  return toAndFro(workshop, 'edit of a gauge in five sizes → solid', recipe, 's2');
}

/** A hose hook, which has faces that lean and so bend, narrower at its top. */
export function taperedPart(workshop: Workshop): Contest {
  const { recipe } = starters.find(({ id }) => id === 'hose-hook')!;
  const tapered = recipeWith([...recipe.steps, stepOf('taper', 's90', undefined)], [...recipe.measures]);
  return toAndFro(workshop, 'edit of a tapered hose hook → solid', tapered, 's90');
}

/** A bracket whose corners are finished in groups, on a foot with rounded edges. */
export function finishedCorners(workshop: Workshop): Contest {
  const nodes = [[0, 0], [60, 0], [60, 14], [14, 14], [14, 50], [0, 50]].map(([xMm, yMm]) => ({ xMm, yMm })); // oxfmt-ignore
  const bracket = stepOf('extrude', 's1', undefined, {
    outline: { shape: 'points', nodes, closed: true, smooth: false, mirrored: false },
    corners: [
      { which: 'outer', finish: 'round', mm: 6 },
      { which: 'inner', finish: 'round', mm: 3 },
      { which: { numbers: [2, 3], of: 6 }, finish: 'chamfer', mm: 2 },
    ],
  });
  const foot = stepOf('solid', 's2', 's1', {
    solid: {
      type: 'box',
      widthMm: 20,
      depthMm: 10,
      heightMm: 8,
      edges: { which: 'all', finish: 'round', mm: 2 },
    },
  });
  return toAndFro(workshop, 'edit of corners and edges → solid', recipeWith([bracket, foot]), 's2');
}

/** A sign whose plate has its upper edges rounded: some are found among those of five thousand triangles. */
export function finishedEdges(workshop: Workshop): Contest {
  const edges = stepOf('edges', 's3', 's1', { which: 'upper', of: { step: 's1' }, mm: 0.6 });
  const { steps } = sign();
  return toAndFro(
    workshop,
    'edit of the edges of a 24-letter sign → solid',
    recipeWith([...steps, edges]),
    's3',
  );
}

/** A flower of pieces: a disc, petals around it, a row of holes, and a rim that all of it lies within. */
export function pieces(workshop: Workshop): Contest {
  const middle = { from: 'middle', xMm: 0, yMm: 0 } as const;
  const around = { from: 'middle' } as const;
  const circle = (diameterMm: number) => ({ shape: 'circle', diameterMm }) as const;
  const flower = stepOf('extrude', 's1', undefined, {
    outline: {
      shape: 'combined',
      pieces: [
        { id: 'p1', how: 'and', outline: circle(30), place: middle },
        {
          id: 'p2',
          how: 'and',
          outline: { shape: 'ellipse', widthMm: 24, depthMm: 9 },
          place: { from: 'middle', xMm: 22, yMm: 0 },
          times: { as: 'ring', count: 12, around },
        },
        {
          id: 'p3',
          how: 'without',
          outline: circle(2),
          place: { from: 'middle', xMm: -9, yMm: 0 },
          times: { as: 'row', count: 7, xMm: 3, yMm: 0 },
        },
        { id: 'p4', how: 'within', outline: circle(64), place: middle },
      ],
      growMm: 0.5,
    },
    corners: [{ which: 'inner', finish: 'round', mm: 1 }],
  });
  return toAndFro(workshop, 'edit of an outline of 21 pieces → solid', recipeWith([flower]), 's1');
}

/** A panel with holes in columns and rows. */
function panelOf(columns: number, rows: number): Recipe {
  const hole = stepOf('hole', 's2', 's1', {
    placement: {
      on: { step: 's1' },
      x: { relation: 'inFrom', edge: 'low', mm: 8 },
      y: { relation: 'inFrom', edge: 'low', mm: 8 },
      z: { relation: 'inFrom', edge: 'high', mm: 0 },
    },
  });
  const grid = stepOf('repeat', 's3', undefined, {
    of: [{ step: 's2' }],
    pattern: { type: 'grid', columns, columnMm: 9, rows, rowMm: 9 },
  });
  return recipeWith([plate(9 * columns + 10, 9 * rows + 8), hole, grid]);
}

/** A panel with sixty holes. */
export function panel(workshop: Workshop): Contest {
  return toAndFro(workshop, 'edit of a 60-hole panel → solid', panelOf(10, 6), 's2');
}

/** Full inspection of parts with more to look at than most. */
export function largerInspections(workshop: Workshop): Contest[] {
  return [
    ['a panel of 285 holes', panelOf(19, 15)],
    ['a sign of 24 letters', sign()],
  ].map(([what, recipe]) => {
    const built = evaluate(recipe as Recipe, workshop);
    if (!built.ok) throw new Error(built.problem.message);
    const { mesh, origin } = built;
    return {
      name: `inspection of ${what as string}`,
      reference: 'the kernel’s bare cross-sections of every layer',
      n: 20,
      run: () => void inspect({ ...mesh, triangles: mesh.triangles.slice() }, classroomLimits, { origin }),
      runReference: () => bareSections(workshop, mesh),
    };
  });
}

/** A part with rounded edges written with true surfaces, which are found again in its triangles. */
export function trueSurfaces(workshop: Workshop): Contest {
  const { recipe } = lessonObjects.find(({ title }) => title === 'A box for seeds')!;
  const built = evaluate(recipe, workshop);
  if (!built.ok) throw new Error(built.problem.message);
  const { mesh } = built;
  return {
    name: 'STEP of a box of 3k triangles',
    reference: 'its edges, as the picture draws them',
    n: 5,
    run: () => void writeStep([{ mesh, name: 'box' }], { name: 'box', at: new Date(0) }),
    runReference: () => void featureEdges(mesh),
  };
}

/** A hose hook drawn as a sheet with all its measures, letters and all. */
export function drawingSheet(workshop: Workshop): Contest {
  const { recipe } = starters.find(({ id }) => id === 'hose-hook')!;
  const built = evaluate(recipe, workshop);
  if (!built.ok) throw new Error(built.problem.message);
  const title = { part: 'Hose hook', project: 'Greenhouse kit', author: 'Asha', date: '1 Mar 2026' };
  const scribe = drawingScribe(workshop.fonts);
  return {
    name: 'drawing sheet of the hose hook',
    reference: 'its edges, as the picture draws them',
    n: 10,
    run: () =>
      void partSheet(
        recipeSheet(recipe, built, title),
        { paper: 'a4', projection: 'first', section: 'most' },
        scribe,
      ),
    runReference: () => void featureEdges(built.mesh),
  };
}
