import type { Manifold } from 'manifold-3d';
import { turnedBack, type Box, type Pose, type SolidMesh } from '../mesh/index.ts';
import { extentOf, pointsOf, segmentsFor, type Region } from '../plane/index.ts';
import {
  type Lettering,
  facingPose,
  plateBox,
  errorInStep,
  formatNumber,
  RecipeError,
  type BuildKit,
  type FieldPath,
  type DrawnPieces,
  type Operation,
  type PrinterTraits,
  type StepRef,
  type Target,
} from '../recipe/index.ts';
import { tooManyCopies, tooManyTriangles, type BuildBudget } from './buildBudget.ts';
import { onGrid, poseOnGrid, regionOnGrid } from './grid.ts';
import type { Kernel } from './kernel.ts';
import { spelled } from '../letters/index.ts';
import { lettersInto } from './letters/fitted.ts';
import { written, type LetterFiles } from './letters/written.ts';
import { bodyOfBlock, type Blocks } from './block.ts';
import { FeatureShape } from './featureShape.ts';
import type { Memo } from './memo.ts';
import { RegionMath } from './regionMath.ts';
import { inScope, type Scope } from './scope.ts';
import { sectionsOf } from './stack.ts';
import { fromMesh, toMesh } from './toMesh.ts';
import { operationsNow, type Trace } from './trace.ts';
import { say } from '../words/index.ts';

/** What a kit is made of. */
export interface KitSources {
  readonly kernel: Kernel;
  readonly fonts: LetterFiles;
  readonly assets: ReadonlyMap<string, SolidMesh>;
  readonly printer: PrinterTraits;
  readonly memo: Memo;
  readonly blocks: Blocks;
  readonly budget: BuildBudget;
  readonly measures: Measures;
  readonly scope: Scope;
  /** Throws when building has taken too long. */
  demandTime(): void;
}

/** The measures of the recipe that is built, and what it would be with others. */
export interface Measures {
  valueOf(name: string): number | undefined;
  /** Whether the steps before one use a measure. */
  isUsed(name: string, before: number): boolean;
  /** What the steps before one make when a measure has another value; a {@link RecipeError} where they cannot. */
  partWith(
    name: string,
    value: number,
    before: number,
  ): { readonly part: Manifold | undefined; readonly drawnBy: ReadonlyMap<number, string> };
}

/** The step that a kit is for, and what stands before it. */
export interface KitPlace {
  readonly stepId: string;
  readonly index: number;
  readonly traces: ReadonlyMap<string, Trace>;
  /** The part before this step; it is not looked at until the step asks, since that makes the kernel work. */
  readonly part: Manifold | undefined;
  /** The part after operations on it. */
  after(operations: readonly Operation<Manifold>[]): Manifold | undefined;
  /** How many copies the repeats before this step have made. */
  readonly copiesBefore: number;
  /** Hears where the pieces lie that the step's outline is put together from. */
  drewPieces(drawn: DrawnPieces): void;
  /** Hears how many copies this step makes. */
  copied(count: number): void;
  note(message: string): void;
  tell(message: string): void;
  /** The steps that drew surfaces, by the kernel's numbers of these, which copies and moved bodies keep; this one adds its own. */
  readonly drawnBy: Map<number, string>;
}

/** Straight edges between two levels of a body that leans: enough for a smooth bend. */
const LEAN_DIVISIONS = 12;

/** A surface whose edges are looked for may stray so far, mm: what is thinner came from rounding. */
const SURFACE_ERROR_MM = 1e-3;

/** The kit through which one step asks the kernel for geometry. */
export function kitFor(sources: KitSources, place: KitPlace): BuildKit<Manifold> {
  const { kernel, fonts, assets, printer, memo, blocks, budget, measures, scope, demandTime } = sources;
  const { stepId, index, traces, part } = place;
  const math = new RegionMath(kernel);
  let remadeTriangles = 0;

  const fail = (path: FieldPath, message: string, at?: readonly [number, number]): never => {
    throw errorInStep(stepId, index, message, { path, at });
  };
  const traceOf = ({ step }: StepRef): Trace => {
    const trace = traces.get(step);
    return trace ?? fail([], say('it names a step that is not there. Choose another step.'));
  };
  const heard = (body: Manifold): Manifold => {
    place.drawnBy.set(body.originalID(), stepId);
    return body;
  };
  const posedBody = (body: Manifold, pose: Pose): Manifold => {
    const placed = poseOnGrid(pose);
    return blocks.noteMoved(scope.keep(body.transform(placed)), body, placed);
  };
  /** Ends the evaluation before a body is made that would be beyond all bounds. */
  const demandTriangles = (triangles: number): void => {
    const problem = tooManyTriangles(triangles, budget);
    if (problem) fail([], problem);
  };
  /** Ends the evaluation for words that no file has letters for, or whose files are not at hand. */
  const demandLetters = ({ words, font }: Pick<Lettering, 'words' | 'font'>): void => {
    const { lines, missing } = spelled(words, font);
    if (missing.length > 0)
      fail(
        ['lettering', 'words'],
        say('no font here has “{missing}”. Write it in other letters.', { missing: missing.join('”, “') }),
      );
    if (lines.flat().some(({ cut }) => !fonts(cut)))
      fail(['lettering', 'font'], say('this font is not loaded. Wait a moment, or choose another font.'));
  };
  /** The part before this step with another value of a measure; ends the evaluation where that cannot be built. */
  const partWith = (name: string, value: number, path: FieldPath): ReturnType<Measures['partWith']> => {
    try {
      return measures.partWith(name, value, index);
    } catch (error) {
      if (!(error instanceof RecipeError)) throw error;
      const { message } = error.problem;
      return fail(
        path,
        say('with {name} = {value}: {message}', { name, value: formatNumber(value), message }),
      );
    }
  };
  /** A body that this step draws, remembered by what it is drawn from; it is an original, known by its number. */
  const drawn = (from: readonly unknown[], make: (inner: Scope) => Manifold): Manifold =>
    heard(memo.body([stepId, ...from], () => inScope((inner) => make(inner).asOriginal())));

  return {
    printer,
    fail,
    note: place.note,
    tell: place.tell,
    drewPieces: place.drewPieces,

    joined: (regions) => math.joined(regions),
    without: (region, other) => math.without(region, other),
    common: (region, other) => math.common(region, other),
    grown: (region, mm, corners) => math.grown(region, mm, corners),
    canGrow: (region, mm) => math.canGrow(region, mm),
    mostGrowth: (region, way, upToMm) => math.mostGrowth(region, way, upToMm),
    roomFor: (region, widthMm, depthMm) =>
      memo.data(['room', region, widthMm, depthMm], () => math.roomFor(region, widthMm, depthMm)),

    letters(lettering) {
      demandLetters(lettering);
      return memo.data(['letters', lettering], () => {
        const set = written(lettering, fonts);
        return { ...set, region: math.joined([set.region]) };
      });
    },

    lettersInto(lettering, room) {
      demandLetters(lettering);
      return memo.data(['lettersInto', lettering, room], () => {
        const set = lettersInto(lettering, room, fonts);
        return set && { ...set, region: math.joined([set.region]) };
      });
    },

    stack(region, levels) {
      demandTriangles(2 * pointsOf(region) * levels.length);
      const { sections, shape } = memo.data(['sections', region, levels], () => {
        const made = sectionsOf(math, region, levels);
        return { sections: made, shape: new FeatureShape(made[0].region) };
      });
      const upright = { sections, shape, original: -1, features: [] };
      const body = drawn(['stack', region, levels], (inner) => inner.keep(bodyOfBlock(kernel, upright)));
      return blocks.note(body, { ...upright, original: body.originalID() });
    },
    leaning(region, heightMm, leanAt) {
      demandTriangles(2 * pointsOf(region) * (LEAN_DIVISIONS + 1));
      const lean = Array.from({ length: LEAN_DIVISIONS + 1 }, (_, i) =>
        leanAt((heightMm * i) / LEAN_DIVISIONS),
      );
      return drawn(['leaning', region, heightMm, lean], (inner) => {
        const section = inner.keep(kernel.CrossSection.ofPolygons(regionOnGrid(region), 'NonZero'));
        const upright = inner.keep(kernel.Manifold.extrude(section, onGrid(heightMm), LEAN_DIVISIONS));
        return inner.keep(
          upright.warpBatch((positions, count) => {
            for (let i = 0; i < 3 * count; i += 3) {
              const [dx, dy] = leanAt(positions[i + 2]);
              positions[i] += dx;
              positions[i + 1] += dy;
            }
          }),
        );
      });
    },
    revolved(profile, deg) {
      const segments = segmentsFor(extentOf(profile).x.high);
      demandTriangles(2 * pointsOf(profile) * segments);
      return drawn(['revolved', profile, deg], (inner) => {
        const section = inner.keep(kernel.CrossSection.ofPolygons(regionOnGrid(profile), 'NonZero'));
        return inner.keep(kernel.Manifold.revolve(section, segments, deg));
      });
    },
    imported(asset) {
      const mesh = assets.get(asset);
      if (!mesh) return fail(['asset'], say('its file is not loaded. Choose the file again.'));
      return drawn(['imported', asset], (inner) => fromMesh(kernel, inner, mesh));
    },
    meshBody({ positions, triangles }) {
      demandTriangles(triangles.length / 3);
      demandTime();
      const mesh = { positions: positions.map(onGrid), triangles };
      try {
        return heard(scope.keep(fromMesh(kernel, scope, mesh).asOriginal()));
      } catch {
        return fail(['mm'], say('that cannot be built with this size. Choose another one.'));
      }
    },
    surface(after) {
      const whole = after.length === 0 ? part : place.after(after);
      if (!whole || whole.isEmpty()) return undefined;
      const stepIds = [...new Set(place.drawnBy.values())];
      const stepOf = new Map([...place.drawnBy].map(([original, id]) => [original, stepIds.indexOf(id)]));
      return { mesh: toMesh(scope.keep(whole.simplify(SURFACE_ERROR_MM)), stepOf), stepIds };
    },
    posed: posedBody,
    since(first) {
      traceOf(first);
      // Traces are kept in the order of the steps.
      const ids = [...traces.keys()];
      return ids.slice(ids.indexOf(first.step)).map((step) => ({ step }));
    },
    repeated(refs, poses) {
      const operations = refs.flatMap((ref) => operationsNow(traceOf(ref), scope));
      const made = operations.length * poses.length;
      const problem = tooManyCopies(place.copiesBefore + made, budget);
      if (problem) fail(['pattern'], problem);
      // Counted where they stand: a copy that is asked for its triangles becomes a body of its own at once.
      demandTriangles(poses.length * operations.reduce((sum, { body }) => sum + body.numTri(), 0));
      place.copied(made);
      return operations.flatMap((each) =>
        poses.map((pose) => ({ ...each, body: posedBody(each.body, pose) })),
      );
    },
    measure: (name) => measures.valueOf(name),
    isMeasureUsed: (name) => measures.isUsed(name, index),
    withMeasure(name, value, path) {
      demandTime();
      const { part: made, drawnBy } = partWith(name, value, path);
      for (const [original, id] of drawnBy) place.drawnBy.set(original, id);
      if (!made || made.isEmpty()) return undefined;
      // Counted as they come, before they are put together.
      remadeTriangles += made.numTri();
      demandTriangles((part?.numTri() ?? 0) + remadeTriangles);
      return made;
    },
    minus: (body, other) => heard(scope.keep(scope.keep(body.subtract(other)).asOriginal())),
    boxOf: (body) => body.boundingBox() as Box,

    hostBox: (on: Target) => ('plate' in on ? plateBox : traceOf(on).box),
    partBox: () => (part && !part.isEmpty() ? (part.boundingBox() as Box) : undefined),
    partBoxUnder: (pose) => (part ? (scope.keep(part.transform(pose)).boundingBox() as Box) : plateBox),
    boxWithin(body) {
      if (!part) return undefined;
      const common = scope.keep(part.intersect(body));
      return common.isEmpty() ? undefined : (common.boundingBox() as Box);
    },
    sectionFacing(side, atMm) {
      if (!part) return [];
      const turned = scope.keep(part.transform(turnedBack(facingPose(side))));
      const section = scope.keep(turned.slice(atMm));
      return section.toPolygons() as Region;
    },
    outlineOf(ref) {
      const { outline } = traceOf(ref);
      return (
        outline ??
        fail(
          ['outline', 'of'],
          say('that step has no outline of its own. Choose a step that was raised from a shape.'),
        )
      );
    },
  };
}
