import type { SolidMesh } from '../mesh/index.ts';
import {
  classroomPrinter,
  errorInStep,
  measuresUsedIn,
  RecipeError,
  referenceProblem,
  remakesPart,
  resolved,
  valuesOf,
  type PartOrigin,
  type PrinterTraits,
  type Problem,
  type Recipe,
  type ResolvedSteps,
} from '../recipe/index.ts';
import { buildBudget, tookTooLong, type BuildBudget } from './buildBudget.ts';
import { carryOut } from './carryOut.ts';
import type { Kernel } from './kernel.ts';
import type { LetterFiles } from './letters/written.ts';
import { outcomesOf, type StepOutcome } from './outcomes.ts';
import { partColours } from './partColours.ts';
import type { Measures } from './kit.ts';
import { SolidCache, type StepState } from './solidCache.ts';
import { toMesh } from './toMesh.ts';

/** What evaluation needs from its host, loaded once. */
export interface Workshop {
  readonly kernel: Kernel;
  readonly fonts: LetterFiles;
}

/** What evaluation may be told beyond the recipe. */
export interface EvaluationOptions {
  /** The printer that the part is for; an ordinary classroom printer if it is left out. */
  readonly printer?: PrinterTraits;
  /** The meshes of imported files, by the name under which import steps know them. */
  readonly assets?: ReadonlyMap<string, SolidMesh>;
  /** What earlier evaluations of the same part left; without it each evaluation begins from nothing. */
  readonly cache?: SolidCache;
  /** What the recipe may come to; what every recipe may if it is left out. */
  readonly budget?: BuildBudget;
}

/** A recipe made solid. */
export interface Evaluated {
  readonly mesh: SolidMesh;
  readonly volumeMm3: number;
  readonly steps: readonly StepOutcome[];
  readonly origin: PartOrigin;
}

/** Either the solid, or one sentence that says which step cannot be built and why. */
export type Evaluation = ({ ok: true } & Evaluated) | { ok: false; problem: Problem };

/**
 * Makes the solid of a recipe, step by step from the top.
 *
 * The result is plain data; the kernel's memory is free again when this returns, but for what a cache keeps. Each
 * triangle knows its step by the index in `recipe.steps`. A recipe without material gives an empty mesh.
 */
export function evaluate(recipe: Recipe, workshop: Workshop, options: EvaluationOptions = {}): Evaluation {
  const problem = referenceProblem(recipe);
  if (problem) return { ok: false, problem };
  const cache = options.cache ?? new SolidCache();
  try {
    return { ok: true, ...build(recipe, workshop, options, cache) };
  } catch (error) {
    if (error instanceof RecipeError) return { ok: false, problem: error.problem };
    throw error;
  } finally {
    if (!options.cache) cache.close();
  }
}

function build(recipe: Recipe, workshop: Workshop, options: EvaluationOptions, cache: SolidCache): Evaluated {
  const { steps, states } = carriedOut(recipe, workshop, options, cache, performance.now());
  const last = states.at(-1);
  // Copies of an earlier body belong to the step that drew it, whose sentence is the one to change.
  const indexOf = new Map(recipe.steps.map(({ id }, index) => [id, index]));
  const stepOfOriginal = new Map([...(last?.drawnBy ?? [])].map(([drawn, id]) => [drawn, indexOf.get(id)!]));
  const mesh = last?.part ? toMesh(last.part, stepOfOriginal) : emptyMesh();
  const colours = partColours(recipe, states, mesh);
  return {
    mesh,
    volumeMm3: last?.volumeMm3 ?? 0,
    steps: outcomesOf(recipe, steps, states, mesh, colours.notes),
    origin: {
      stepIds: recipe.steps.map(({ id }) => id),
      reliefs: last?.reliefs ?? [],
      writings: last?.writings ?? [],
      colours: colours.bands,
    },
  };
}

/** Carries out the steps of a recipe that are switched on; those that a cache knows are taken up as they are. */
function carriedOut(
  recipe: Recipe,
  workshop: Workshop,
  options: EvaluationOptions,
  cache: SolidCache,
  beganAt: number,
): { steps: ResolvedSteps; states: StepState[] } {
  const { printer = classroomPrinter, assets = new Map(), budget = buildBudget } = options;
  const { kernel, fonts } = workshop;
  const steps = resolved(recipe, printer);
  // What a step leaves names it by its index, which changes when one that is switched off comes before it.
  const keys = steps.map(({ step, index }) =>
    JSON.stringify(
      // What is made again from the recipe depends on its formulas, and not only on what they came to.
      remakesPart(step) ? [index, step, recipe.measures, recipe.steps.slice(0, index)] : [index, step],
    ),
  );
  // Of the printer, only what steps look at belongs to the key.
  const { maxOverhangDeg, shrinkagePercent, fitAllowanceMm } = printer;
  const states = cache.begin(JSON.stringify([maxOverhangDeg, shrinkagePercent, fitAllowanceMm]), keys);
  const measures: Measures = {
    valueOf(name) {
      const values = valuesOf(recipe.measures);
      return values.ok ? values.values.get(name) : undefined;
    },
    isUsed: (name, before) => measuresUsedIn([recipe.steps.slice(0, before), recipe.measures]).has(name),
    partWith(name, value, before) {
      const sized: Recipe = {
        ...recipe,
        measures: recipe.measures.map((each) => (each.name === name ? { ...each, value } : each)),
        steps: recipe.steps.slice(0, before),
      };
      const { states: made } = carriedOut(
        sized,
        workshop,
        options,
        cache.other(`${before} ${name} ${value}`),
        beganAt,
      );
      return { part: made.at(-1)?.part, drawnBy: made.at(-1)?.drawnBy ?? new Map() };
    },
  };
  const { memo, blocks } = cache;
  const sources = { kernel, fonts, assets, printer, budget, measures, memo, blocks };
  for (const { step, index } of steps.slice(states.length)) {
    const demandTime = () => {
      const slow = tookTooLong(performance.now() - beganAt, budget);
      if (slow) throw errorInStep(step.id, index, slow);
    };
    states.push(carryOut(step, index, keys[states.length], states.at(-1), { ...sources, demandTime }));
  }
  cache.sweep();
  return { steps, states };
}

function emptyMesh(): SolidMesh {
  return { positions: new Float32Array(0), triangles: new Uint32Array(0), stepOf: new Uint16Array(0) };
}
