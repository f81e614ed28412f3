import type { CrossSection, Manifold } from 'manifold-3d';
import type { Box, SolidMesh } from '../mesh/index.ts';
import {
  buildStep,
  formatMm,
  RecipeError,
  referenceProblem,
  type BuildKit,
  type Problem,
  type Recipe,
  type Region,
  type Target,
} from '../recipe/index.ts';
import type { Kernel } from './kernel.ts';
import type { LetterFont } from './letters.ts';
import { circle, roundedRectangle } from './outlines.ts';
import { inScope, type Scope } from './scope.ts';
import { toMesh } from './toMesh.ts';

/** What evaluation needs from its host, loaded once. */
export interface Workshop {
  readonly kernel: Kernel;
  readonly font: LetterFont;
}

/** What one step did. */
export interface StepOutcome {
  readonly stepId: string;
  /** The box of the material that the step added or cut away, before any later step. */
  readonly box: Box;
  readonly effect: 'add' | 'cut';
  /** False when the part is the same with and without the step: a hole beside the part, say. */
  readonly changed: boolean;
}

/** A recipe made solid. */
export interface Evaluated {
  readonly mesh: SolidMesh;
  readonly volumeMm3: number;
  readonly steps: readonly StepOutcome[];
}

/** Either the solid, or one sentence that says which step cannot be built and why. */
export type Evaluation = ({ ok: true } & Evaluated) | { ok: false; problem: Problem };

/** The smallest change of volume that counts as one, mm³: far less than one drop of a nozzle. */
const SAME_VOLUME_MM3 = 1e-4;

/**
 * Makes the solid of a recipe, step by step from the top.
 *
 * The result is plain data; the kernel's memory is free again when this returns. Each triangle knows its step by the
 * index in `recipe.steps`. A recipe without material gives an empty mesh.
 */
export function evaluate(recipe: Recipe, workshop: Workshop): Evaluation {
  const problem = referenceProblem(recipe);
  if (problem) return { ok: false, problem };
  try {
    return { ok: true, ...inScope((scope) => build(recipe, workshop, scope)) };
  } catch (error) {
    if (error instanceof RecipeError) return { ok: false, problem: error.problem };
    throw error;
  }
}

function build(recipe: Recipe, { kernel, font }: Workshop, scope: Scope): Evaluated {
  const stepOfOriginal = new Map<number, number>();
  const boxes = new Map<string, Box>();
  const outcomes: StepOutcome[] = [];
  let part: Manifold | undefined;
  let volume = 0;

  recipe.steps.forEach((step, index) => {
    const kit = kitFor(step.id, index, { kernel, font, scope, boxes, part });
    const { effect, body } = buildStep<Manifold>(step, kit);
    stepOfOriginal.set(body.originalID(), index);
    const box = body.boundingBox() as Box;
    boxes.set(step.id, box);
    if (effect === 'add') part = part ? scope.keep(part.add(body)) : body;
    else if (part) part = scope.keep(part.subtract(body));
    const volumeNow = part?.volume() ?? 0;
    outcomes.push({ stepId: step.id, box, effect, changed: Math.abs(volumeNow - volume) > SAME_VOLUME_MM3 });
    volume = volumeNow;
  });

  const mesh = part
    ? toMesh(part, stepOfOriginal)
    : { positions: new Float32Array(0), triangles: new Uint32Array(0), stepOf: new Uint16Array(0) };
  return { mesh, volumeMm3: volume, steps: outcomes };
}

interface Surroundings extends Workshop {
  readonly scope: Scope;
  readonly boxes: ReadonlyMap<string, Box>;
  readonly part: Manifold | undefined;
}

/** The kit through which one step asks the kernel for geometry. */
function kitFor(stepId: string, index: number, around: Surroundings): BuildKit<Manifold> {
  const { kernel, font, scope, boxes, part } = around;
  return {
    roundedRectangle,
    circle,
    letters(words, capHeightMm) {
      const { region, missing } = font.outlines(words, capHeightMm);
      if (missing.length > 0) {
        const message = `Step ${index + 1}: the font has no “${missing.join('”, “')}”.`;
        throw new RecipeError({ stepId, path: ['words'], message });
      }
      return region;
    },
    prism(region, at, fromMm, toMm) {
      const section: CrossSection = scope.keep(kernel.CrossSection.ofPolygons(region as Region, 'NonZero'));
      const raised = scope.keep(kernel.Manifold.extrude(section, toMm - fromMm));
      const moved = scope.keep(raised.translate([at[0], at[1], fromMm]));
      // A body that was moved is a new original, so that its surfaces can be told from those of its neighbours.
      return scope.keep(moved.asOriginal());
    },
    boxOf: (on: Target) => ('plate' in on ? undefined : boxes.get(on.step)),
    partBox: () => (part && !part.isEmpty() ? (part.boundingBox() as Box) : undefined),
    fail(path, message) {
      throw new RecipeError({ stepId, path, message: `Step ${index + 1}: ${message}` });
    },
  };
}

/** A step's height band in words, for the ruler: "0 to 2.4 mm". */
export function bandWords({ box }: StepOutcome): string {
  return `${formatMm(box.min[2])} to ${formatMm(box.max[2])} mm`;
}
