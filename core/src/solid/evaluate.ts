import type { Manifold } from 'manifold-3d';
import { posed, topologyOf, type Box, type Pose, type SolidMesh, type Vec3 } from '../mesh/index.ts';
import { extentOf, mapped, mirrored, moved, type Region } from '../plane/index.ts';
import {
  isUnwritten,
  buildStep,
  classroomPrinter,
  facingPose,
  RecipeError,
  referenceProblem,
  resolved,
  type Built,
  type Operation,
  type PartOrigin,
  type PrinterTraits,
  type Problem,
  type Recipe,
  type Relief,
} from '../recipe/index.ts';
import { buildBudget, tookTooLong, tooManyTriangles, type BuildBudget } from './buildBudget.ts';
import { poseOnGrid } from './grid.ts';
import { kitFor, type KitSources } from './kit.ts';
import type { Kernel } from './kernel.ts';
import type { LetterFonts } from './letters.ts';
import { inScope, Scope } from './scope.ts';
import { SolidCache, type StepState } from './solidCache.ts';
import { notesOn } from './stepNotes.ts';
import { toMesh } from './toMesh.ts';
import { boxOfAll, operationsNow, rectangleOf, scaleOf, turnedTrace, type Trace } from './trace.ts';
import { say } from '../words/index.ts';

/** What evaluation needs from its host, loaded once. */
export interface Workshop {
  readonly kernel: Kernel;
  readonly fonts: LetterFonts;
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

/** What one step did. */
export interface StepOutcome {
  readonly stepId: string;
  /** The box of the material that the step added or cut away, before any later step. */
  readonly box: Box;
  readonly effect: 'add' | 'cut' | 'keep' | 'whole';
  /** False when the part is the same with and without the step: a hole beside the part, say. */
  readonly changed: boolean;
  /** What there is to say about it, a sentence each. */
  readonly notes: readonly string[];
  /** Its outline as seen from above, where it lies in the part; that of its box when it has none of its own. */
  readonly plan: Region;
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

/** The smallest change of volume that counts as one, mm³ and as a share: far less than one drop of a nozzle. */
const SAME_VOLUME_MM3 = 1e-3;
const SAME_VOLUME_SHARE = 1e-7;
/** So many bodies are brought to the part at once; the clock is looked at in between. */
const BODIES_AT_ONCE = 50;

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

type ResolvedSteps = ReturnType<typeof resolved>;

function build(
  recipe: Recipe,
  { kernel, fonts }: Workshop,
  options: EvaluationOptions,
  cache: SolidCache,
): Evaluated {
  const { printer = classroomPrinter, assets = new Map(), budget = buildBudget } = options;
  const beganAt = performance.now();
  const steps = resolved(recipe);
  const keys = steps.map(({ step }) => JSON.stringify(step));
  // Of the printer, only what steps look at belongs to the key.
  const { maxOverhangDeg, shrinkagePercent, fitAllowanceMm } = printer;
  const states = cache.begin(JSON.stringify([maxOverhangDeg, shrinkagePercent, fitAllowanceMm]), keys);
  const sources = { kernel, fonts, assets, printer, budget, memo: cache.memo, blocks: cache.blocks };
  for (const { step, index } of steps.slice(states.length)) {
    const demandTime = () => {
      const slow = tookTooLong(performance.now() - beganAt, budget);
      if (slow) throw problemAt(step.id, index, slow);
    };
    states.push(carryOut(step, index, keys[states.length], states.at(-1), { ...sources, demandTime }));
  }
  cache.memo.sweep();

  const stepOfOriginal = new Map<number, number>();
  states.forEach(({ originals }, i) => {
    // Copies of an earlier body belong to the step that drew it, whose sentence is the one to change.
    for (const id of originals) stepOfOriginal.set(id, steps[i].index);
  });
  const last = states.at(-1);
  const mesh = last?.part ? toMesh(last.part, stepOfOriginal) : emptyMesh();
  return {
    mesh,
    volumeMm3: last?.volumeMm3 ?? 0,
    steps: outcomes(recipe, steps, states, mesh),
    origin: {
      stepIds: recipe.steps.map(({ id }) => id),
      reliefs: last?.reliefs ?? [],
      writings: last?.writings ?? [],
    },
  };
}

/** What all steps are made with; `demandTime` throws when building has taken too long. */
type StepSources = Omit<KitSources, 'scope'> & { demandTime(): void };

/** Carries out one step; what it makes is held by the state that is handed back. */
function carryOut(
  step: ResolvedSteps[number]['step'],
  index: number,
  key: string,
  before: StepState | undefined,
  sources: StepSources,
): StepState {
  const scope = new Scope();
  try {
    const notes: string[] = [];
    const originals: number[] = [];
    const traces = new Map(before?.traces);
    let copiesMade = before?.copiesMade ?? 0;
    const kit = kitFor(
      { ...sources, scope },
      {
        stepId: step.id,
        index,
        traces,
        part: before?.part,
        copiesBefore: copiesMade,
        copied: (count) => (copiesMade += count),
        note: (message) => notes.push(message),
        drew: (original) => originals.push(original),
      },
    );
    const { operations, outline, box: said, whole, copies, relief, capMm } = buildStep<Manifold>(step, kit);

    let part = before?.part;
    if (whole) part = turnAll(poseOnGrid(whole), part, traces, scope);
    const reliefs = (before?.reliefs ?? []).map((each) => (whole ? turnedRelief(each, whole) : each));
    const writings = (before?.writings ?? []).map((each) => ({
      ...each,
      capMm: each.capMm * (whole ? scaleOf(whole) : 1),
    }));
    if (capMm !== undefined) writings.push({ step: index, capMm, isPlaceholder: isUnwritten(step) });
    part = applied(operations, part, sources, scope);
    const large = tooManyTriangles(part?.numTri() ?? 0, sources.budget);
    if (large) throw problemAt(step.id, index, large);

    const box = said ?? boxOfAll(operations);
    if (relief) reliefs.push(reliefIn(box, index, relief));
    const plan = copies ? plansOf(copies, traces) : planOf(step, box, outline);
    traces.set(step.id, { operations, box, outline, plan });
    const volumeMm3 = part?.volume() ?? 0;
    return {
      key,
      scope,
      part,
      volumeMm3,
      traces,
      copiesMade,
      reliefs,
      writings,
      originals,
      effect: whole ? 'whole' : (operations[0]?.effect ?? 'add'),
      box,
      changed: whole !== undefined || isOther(volumeMm3, before?.volumeMm3 ?? 0),
      notes,
    };
  } catch (error) {
    scope.end();
    throw error;
  }
}

function isOther(volumeMm3: number, before: number): boolean {
  return Math.abs(volumeMm3 - before) > SAME_VOLUME_MM3 + SAME_VOLUME_SHARE * before;
}

/** Brings operations to the part, those of one effect that follow each other together. */
function applied(
  operations: readonly Operation<Manifold>[],
  before: Manifold | undefined,
  { kernel, blocks, demandTime }: StepSources,
  scope: Scope,
): Manifold | undefined {
  let part = before;
  for (let from = 0; from < operations.length;) {
    const { effect } = operations[from];
    let to = from + 1;
    while (to < operations.length && operations[to].effect === effect && effect !== 'keep') to++;
    const bodies = operations.slice(from, to).map(({ body }) => body);
    from = to;
    const drawn = part && blocks.applied(kernel, scope, part, effect, bodies);
    if (drawn) part = drawn;
    else {
      for (let i = 0; i < bodies.length; i += BODIES_AT_ONCE) {
        part = together(kernel, scope, part, effect, bodies.slice(i, i + BODIES_AT_ONCE));
        // The kernel works when it is asked for a figure, and not before.
        part?.numTri();
        demandTime();
      }
    }
  }
  return part;
}

/** The part with bodies added to it, cut from it, or, of a single one, with what it has in common with it. */
function together(
  { Manifold }: Kernel,
  scope: Scope,
  part: Manifold | undefined,
  effect: Operation<Manifold>['effect'],
  bodies: readonly Manifold[],
): Manifold | undefined {
  if (effect === 'add') {
    const all = part ? [part, ...bodies] : [...bodies];
    return all.length === 1 ? all[0] : scope.keep(Manifold.union(all));
  }
  if (!part) return undefined;
  if (effect === 'keep') return scope.keep(part.intersect(bodies[0]));
  return scope.keep(Manifold.difference([part, ...bodies]));
}

/** Turns the part and all that was made so far, so that later steps find it where it is. */
function turnAll(
  pose: Pose,
  part: Manifold | undefined,
  traces: Map<string, Trace>,
  scope: Scope,
): Manifold | undefined {
  for (const [id, trace] of traces) traces.set(id, turnedTrace(trace, pose, scope));
  return part && scope.keep(part.transform(pose));
}

/** A step's relief where it lies now. */
function reliefIn(
  { min, max }: Box,
  step: number,
  { effect, isLettering, facing }: NonNullable<Built<Manifold>['relief']>,
): Relief {
  const direction = posed(facingPose(facing), [0, 0, 1]);
  const middle: Vec3 = [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2, (min[2] + max[2]) / 2];
  return { step, effect, isLettering, direction, middle };
}

function turnedRelief({ direction, middle, ...relief }: Relief, pose: Pose): Relief {
  const [o, tip] = [posed(pose, [0, 0, 0]), posed(pose, direction)];
  const way: Vec3 = [tip[0] - o[0], tip[1] - o[1], tip[2] - o[2]];
  const long = Math.hypot(...way);
  return { ...relief, direction: [way[0] / long, way[1] / long, way[2] / long], middle: posed(pose, middle) };
}

function outcomes(
  recipe: Recipe,
  steps: ResolvedSteps,
  states: readonly StepState[],
  mesh: SolidMesh,
): StepOutcome[] {
  const last = states.at(-1);
  const apart = piecesApart(mesh);
  return states.map(({ effect, box, changed, notes }, i) => {
    const { step, index } = steps[i];
    const later = states.slice(i + 1).filter((state) => state.effect === 'add');
    const trace = last?.traces.get(step.id);
    const filled = trace !== undefined && isFilled(trace, later, last?.part);
    const plan = trace?.plan ?? [];
    const facts = { changed, effect, filled, floats: apart(index) };
    const said = [...notes, ...notesOn(recipe.steps[index], facts)];
    return { stepId: step.id, effect, box, changed, notes: said, plan };
  });
}

/** Whether material that came later lies in openings of a step that are meant to stay open. */
function isFilled(trace: Trace, later: readonly StepState[], part: Manifold | undefined): boolean {
  if (!part || later.length === 0 || !trace.operations.some(({ staysOpen }) => staysOpen)) return false;
  return inScope((scope) =>
    operationsNow(trace, scope).some(({ staysOpen, body }) => {
      if (!staysOpen) return false;
      const box = body.boundingBox() as Box;
      if (!later.some((state) => overlap(state.box, box))) return false;
      return scope.keep(part.intersect(body)).volume() > 1e-3;
    }),
  );
}

/** Tells of steps by index whether all their surface lies on pieces other than the one with the most of the surface. */
function piecesApart(mesh: SolidMesh): (step: number) => boolean {
  const { bodyOf, bodies } = topologyOf(mesh);
  if (bodies < 2) return () => false;
  const sizes = new Float64Array(bodies);
  const bodiesOf = new Map<number, Set<number>>();
  bodyOf.forEach((body, triangle) => {
    sizes[body]++;
    const step = mesh.stepOf?.[triangle] ?? 0;
    bodiesOf.set(step, (bodiesOf.get(step) ?? new Set()).add(body));
  });
  const largest = sizes.indexOf(sizes.reduce((most, size) => Math.max(most, size)));
  return (step) => bodiesOf.has(step) && !bodiesOf.get(step)!.has(largest);
}

/** An outline seen from above: its own where it lies flat, or that of its box. */
function planOf(step: ResolvedSteps[number]['step'], box: Box, outline: Region | undefined): Region {
  const side = 'facing' in step ? step.facing : 'up';
  if (!outline || (side !== 'up' && side !== 'down')) return rectangleOf(box);
  const seen = side === 'up' ? outline : mirrored(outline);
  const { x, y } = extentOf(seen);
  return moved(seen, box.min[0] - x.low, box.min[1] - y.low);
}

/** The outlines of copies seen from above. A copy that was turned over lies where its points come to lie. */
function plansOf(
  { of, poses }: NonNullable<Built<Manifold>['copies']>,
  traces: ReadonlyMap<string, Trace>,
): Region {
  return of.flatMap((ref) =>
    poses.flatMap((pose) =>
      mapped(traces.get(ref.step)?.plan ?? [], ([x, y]) => {
        const [px, py] = posed(pose, [x, y, 0]);
        return [px, py];
      }),
    ),
  );
}

function overlap(a: Box, b: Box): boolean {
  return [0, 1, 2].every((i) => a.min[i] < b.max[i] && b.min[i] < a.max[i]);
}

function problemAt(stepId: string, index: number, message: string): RecipeError {
  return new RecipeError({
    stepId,
    path: [],
    message: say('Step {index}: {message}', { index: index + 1, message }),
  });
}

function emptyMesh(): SolidMesh {
  return { positions: new Float32Array(0), triangles: new Uint32Array(0), stepOf: new Uint16Array(0) };
}
