import type { Manifold } from 'manifold-3d';
import {
  boxUnder,
  factorsAt,
  posed,
  tapered,
  turnedBack,
  type Box,
  type Pose,
  type Taper,
  type Vec3,
} from '../mesh/index.ts';
import {
  buildStep,
  errorInStep,
  facingPose,
  isUnwritten,
  type Built,
  type Operation,
  type Relief,
  type ResolvedStep,
  type Writing,
  RecipeError,
  type DrawnPieces,
} from '../recipe/index.ts';
import { tooManyTriangles } from './buildBudget.ts';
import { poseOnGrid } from './grid.ts';
import { kitFor, type KitSources } from './kit.ts';
import type { Kernel } from './kernel.ts';
import { Scope } from './scope.ts';
import type { StepState } from './solidCache.ts';
import { carriedAround } from './carried.ts';
import { planOf, plansOf, planUnder } from './stepPlans.ts';
import { taperedBody } from './taperedBody.ts';
import { boxOfAll, scaleOf, taperedTrace, turnedTrace, type Trace } from './trace.ts';

/** The smallest change of volume that counts as one, mm³ and as a share: far less than one drop of a nozzle. */
const SAME_VOLUME_MM3 = 1e-3;
const SAME_VOLUME_SHARE = 1e-7;
/** So many bodies are brought to the part at once; the clock is looked at in between. */
const BODIES_AT_ONCE = 50;

/** What all steps are made with. */
export type StepSources = Omit<KitSources, 'scope'>;

/** Carries out one step; what it makes is held by the state that is handed back. */
export function carryOut(
  step: ResolvedStep,
  index: number,
  key: string,
  before: StepState | undefined,
  sources: StepSources,
): StepState {
  const scope = new Scope();
  let pieces: DrawnPieces | undefined;
  try {
    // What is wrong in the same way at several fields is said once.
    const notes = new Set<string>();
    const told = new Set<string>();
    const drawnBy = new Map(before?.drawnBy);
    const traces = new Map(before?.traces);
    let copiesMade = before?.copiesMade ?? 0;
    /** The part after as many of the step's operations as the step has looked at already. */
    let done: { readonly many: number; readonly part: Manifold | undefined } = {
      many: 0,
      part: before?.part,
    };
    const around = carriedAround(step, traces);
    /** The part as the step finds it: one that is carried around is built as if the part were turned back. */
    const found =
      around && before?.part ? scope.keep(before.part.transform(turnedBack(around))) : before?.part;
    const kit = kitFor(
      { ...sources, scope },
      {
        stepId: step.id,
        index,
        traces,
        part: found,
        after: (operations) => {
          done = {
            many: operations.length,
            part: applied(operations.slice(done.many), done.part, sources, scope),
          };
          return done.part;
        },
        copiesBefore: copiesMade,
        copied: (count) => (copiesMade += count),
        note: (message) => notes.add(message),
        tell: (message) => told.add(message),
        drewPieces: (drawn) => (pieces = drawn),
        drawnBy,
      },
    );
    const demandTriangles = (triangles: number) => {
      const large = tooManyTriangles(triangles, sources.budget);
      if (large) throw errorInStep(step.id, index, large);
    };
    const built = buildStep<Manifold>(step, kit);
    const { outline, whole, taper, copies, relief, capMm, edges, colours } = built;
    const operations = around
      ? built.operations.map((each) => ({ ...each, body: kit.posed(each.body, around) }))
      : built.operations;

    let part = done.part;
    if (whole) part = turnAll(poseOnGrid(whole), part, traces, scope);
    if (taper) {
      for (const [id, trace] of traces) traces.set(id, taperedTrace(trace, taper));
      part &&= taperedBody(part, taper, scope, demandTriangles);
    }
    const reliefs = (before?.reliefs ?? []).map((each) => {
      if (taper) return { ...each, middle: tapered(taper, each.middle) };
      return whole ? turnedRelief(each, whole) : each;
    });
    const writings = (before?.writings ?? []).map((each) => ({
      ...each,
      capMm: each.capMm * (whole ? scaleOf(whole) : taper ? taperOf(taper, each, before) : 1),
    }));
    if (capMm !== undefined) writings.push({ step: index, capMm, isPlaceholder: isUnwritten(step) });
    part = applied(operations.slice(done.many), part, sources, scope);
    demandTriangles(part?.numTri() ?? 0);

    const first = built.box ?? boxOfAll(built.operations);
    const box = around ? boxUnder(around, first) : first;
    if (relief) {
      const placed = reliefIn(first, index, relief);
      reliefs.push(around ? turnedRelief(placed, around) : placed);
    }
    const planned = planOf(step, first, built);
    const seen = copies ? { plan: plansOf(copies, traces) } : around ? planUnder(planned, around) : planned;
    traces.set(step.id, { operations, box, outline, ...seen });
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
      drawnBy,
      effect: whole || taper || colours ? 'whole' : (operations[0]?.effect ?? 'add'),
      box,
      changed:
        whole !== undefined ||
        taper !== undefined ||
        colours !== undefined ||
        isOther(volumeMm3, before?.volumeMm3 ?? 0) ||
        isReshaped(operations, before?.part, part),
      notes: [...notes],
      told: [...told],
      edges,
      pieces,
      colours: colours ? { ...colours, index } : before?.colours,
      ...(colours && { saidColours: index }),
    };
  } catch (error) {
    scope.end();
    // What cannot be put together is still seen lying there.
    if (error instanceof RecipeError && pieces) throw new RecipeError({ ...error.problem, pieces });
    throw error;
  }
}

function isOther(volumeMm3: number, before: number): boolean {
  return Math.abs(volumeMm3 - before) > SAME_VOLUME_MM3 + SAME_VOLUME_SHARE * before;
}

/** Whether a step that both adds and cuts, which may be as much, gave the part another surface. */
function isReshaped(
  operations: readonly Operation<Manifold>[],
  before: Manifold | undefined,
  after: Manifold | undefined,
): boolean {
  if (new Set(operations.map(({ effect }) => effect)).size < 2 || !before || !after) return false;
  return isOther(before.surfaceArea(), after.surfaceArea());
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

/** By how much letters become smaller: as much as where they are raised, or else as they do at most. */
function taperOf(taper: Taper, { step }: Writing, before: StepState | undefined): number {
  const heights = (before?.reliefs ?? []).filter((each) => each.step === step).map(({ middle }) => middle[2]);
  const { min, max } = before?.part?.boundingBox() ?? { min: [0, 0, 0], max: [0, 0, 0] };
  const all = heights.length > 0 ? heights : [min[2], max[2]];
  return Math.min(...all.flatMap((zMm) => factorsAt(taper, zMm)));
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
