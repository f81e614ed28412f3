import type { Manifold } from 'manifold-3d';
import { combined, topologyOf, unmoved, type Box, type Pose, type SolidMesh } from '../mesh/index.ts';
import type { Region } from '../plane/index.ts';
import type { DrawnPieces, OfferedEdge, Recipe, ResolvedSteps } from '../recipe/index.ts';
import { inScope } from './scope.ts';
import type { StepState } from './solidCache.ts';
import { notesOn } from './stepNotes.ts';
import { movedPoint, operationsNow, type PlanCorner, type Trace } from './trace.ts';

/** What one step did. */
export interface StepOutcome {
  readonly stepId: string;
  /** The box of the material that the step added or cut away, before any later step. */
  readonly box: Box;
  readonly effect: 'add' | 'cut' | 'keep' | 'whole';
  /** False when the part is the same with and without the step: a hole beside the part, say. */
  readonly changed: boolean;
  /** What there is to look at, a sentence each. */
  readonly notes: readonly string[];
  /** What it worked out, which is as it should be, a sentence each. */
  readonly told: readonly string[];
  /** How the whole part was turned, scaled and moved since then; undefined where it was also tapered, which no pose says. */
  readonly since?: Pose;
  /** Its outline as seen from above, where it lies in the part; that of its box when it has none of its own. */
  readonly plan: Region;
  /** The corners of that outline before any was finished, in the order of their numbers. */
  readonly corners?: readonly PlanCorner[];
  /** The edges of the part before it among which it lets people choose, as they lie in the finished part. */
  readonly edges?: readonly OfferedEdge[];
  /** The pieces that its outline is put together from, where they lie about the middle of the outline. */
  readonly pieces?: DrawnPieces;
}

/** What each step did, told from the states that it left and from the finished part. */
export function outcomesOf(
  recipe: Recipe,
  steps: ResolvedSteps,
  states: readonly StepState[],
  mesh: SolidMesh,
  /** What else there is to say of steps, by their indices in the recipe. */
  more: ReadonlyMap<number, readonly string[]>,
): StepOutcome[] {
  const last = states.at(-1);
  const apart = piecesApart(mesh);
  return states.map(({ effect, box, changed, notes, told, edges, pieces }, i) => {
    const { step, index } = steps[i];
    const later = states.slice(i + 1).filter((state) => state.effect === 'add');
    const trace = last?.traces.get(step.id);
    const filled = trace !== undefined && isFilled(trace, later, last?.part);
    const plan = trace?.plan ?? [];
    const facts = { changed, effect, filled, floats: apart(index) };
    const said = [...notes, ...notesOn(recipe.steps[index], facts), ...(more.get(index) ?? [])];
    return {
      stepId: step.id,
      effect,
      box,
      changed,
      notes: said,
      told,
      since: poseSince(trace),
      plan,
      corners: trace?.corners,
      edges: edges && edgesNow(edges, trace),
      pieces,
    };
  });
}

function poseSince(trace: Trace | undefined): Pose | undefined {
  let pose = unmoved;
  for (const move of trace?.since ?? []) {
    if (!('pose' in move)) return undefined;
    pose = combined(move.pose, pose);
  }
  return pose;
}

/** Edges where they lie after what was done to the whole part. */
function edgesNow(edges: readonly OfferedEdge[], trace: Trace | undefined): readonly OfferedEdge[] {
  const since = trace?.since;
  if (!since) return edges;
  return edges.map((each) => ({ ...each, points: each.points.map((point) => movedPoint(since, point)) }));
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

/**
 * Tells of steps by index whether all their surface lies on pieces other than the one with the most of the surface, and on
 * none that has a surface in common with that by its steps: copies of the main piece were meant to stand apart.
 */
function piecesApart(mesh: SolidMesh): (step: number) => boolean {
  const { bodyOf, bodies } = topologyOf(mesh);
  if (bodies < 2) return () => false;
  const sizes = new Float64Array(bodies);
  const stepsOf = Array.from({ length: bodies }, () => new Set<number>());
  bodyOf.forEach((body, triangle) => {
    sizes[body]++;
    stepsOf[body].add(mesh.stepOf?.[triangle] ?? 0);
  });
  const largest = stepsOf[sizes.indexOf(sizes.reduce((most, size) => Math.max(most, size)))];
  return (step) => {
    const own = stepsOf.filter((steps) => steps.has(step));
    return own.length > 0 && own.every((steps) => ![...steps].some((each) => largest.has(each)));
  };
}

function overlap(a: Box, b: Box): boolean {
  return [0, 1, 2].every((i) => a.min[i] < b.max[i] && b.min[i] < a.max[i]);
}
