import wasmUrl from 'manifold-3d/manifold.wasm?url';
import { adviceOnScaling, surfaceOfSteps, remediesFor, Trials } from '@kelbrin/core/advise';
import {
  factsOf,
  inspect,
  Inspecting,
  thicknessMap,
  type BriefRules,
  type Inspection,
  type LimitsCard,
} from '@kelbrin/core/inspect';
import { featureEdges, type SolidMesh } from '@kelbrin/core/mesh';
import type { CutName } from '@kelbrin/core/letters';
import type { PartOrigin, Recipe } from '@kelbrin/core/recipe';
import { settingsForPart, sliceInSteps, type Toolpath } from '@kelbrin/core/slice';
import { layerAt } from '$lib/ui/printedLines/shownLayer';
import { evaluate, loadKernel, sectionView, SolidCache, type Kernel } from '@kelbrin/core/solid';
import { fetchMaterial, files, fonts } from './material';
import { answer } from './answer';
import { takenBy } from './takenBy';
import { sheetFile } from './sheetFile';
import { written, writtenTogether } from './exportFile';
import { languageOf, speak } from '@kelbrin/core/words';
import { exportTexts } from '$lib/texts/export';
import { inRounds, within } from './inRounds';
import { portraitOf } from './portrait';
import { readDrawing } from './readDrawing';
import type { ExportWish, ShownSolid, ToWorker } from './messages';

// The page that starts it gives it the language for a name.
speak(languageOf(self.name));

/** How long edits must pause before the print is estimated, which takes longer than all the rest. */
const ESTIMATE_AFTER_MS = 350;
/** How long a hand must rest that drags something: on a slow computer its solids come no faster than pauses between edits. */
const HAND_RESTS_MS = 500;
/** Edits that follow each other closer than this are a drag, during which not every solid is inspected. */
const DRAG_MS = 150;
/** How long a drag must pause before what is shown is inspected. */
const INSPECT_AFTER_MS = 120;
/** How long a drag may go without an inspection: this long, or longer where inspections would take a tenth of the time. */
const INSPECT_AT_LEAST_MS = 400;
const INSPECT_SHARE = 0.1;

/** How long changes are tried for one finding, however slow the part is to build; a slow computer finds its offers as well. */
const MENDING_MS = 12_000;

const starting = loadKernel({ url: wasmUrl });
const cache = new SolidCache();
/** For what the part would be otherwise, so that the part’s own states are kept. */
const otherCache = new SolidCache();

/** Where the last inspection took longer than this, the next is made in rounds, which an edit calls off. */
const LONG_MS = 100;

/** Whether the latest recipe could be built, so that `current` is its solid and not one before. */
let isBuilt = false;
let current:
  | {
      mesh: SolidMesh;
      recipe: Recipe;
      limits: LimitsCard;
      brief: BriefRules;
      origin: PartOrigin;
    }
  | undefined;
/** The layers of the current solid, once it is sliced. */
let layers: Toolpath['layers'] | undefined;
/** Where the project's files are fetched from. */
let filesAt = '';
/** Stop what is being done in rounds. */
let stopInspecting = () => {};
let stopMending = () => {};
let stopEstimating = () => {};
let estimating: ReturnType<typeof setTimeout> | undefined;
let inspectingSoon: ReturnType<typeof setTimeout> | undefined;
/** The last inspection, when it was made and how long it took, and when the last edit had been answered. */
let last: Inspection | undefined;
let lastInspected = -Infinity;
let lastTookMs = 0;
let lastTriangles = 0;
let lastPartId: string | undefined;
let lastAnswered = -Infinity;

self.onmessage = async ({ data }: MessageEvent<ToWorker>) => {
  const kernel = await starting;
  if (data.kind === 'section') return cutAt(data, kernel);
  if (data.kind === 'layer') return showLayer(data);
  if (data.kind === 'remedies') return mend(data, kernel);
  if (data.kind === 'thickness') return measure(data);
  if (data.kind === 'export') return exportFile(data, kernel);
  if (data.kind === 'drawing')
    return answer({ kind: 'drawn', job: data.job, read: readDrawing(data.source, kernel) });
  if (data.kind === 'portrait') return portray(data, kernel);
  filesAt = data.filesAt;
  await fetchMaterial(data.recipe, filesAt);
  evaluateRecipe(data, kernel);
};

function evaluateRecipe(asked: Extract<ToWorker, { kind: 'evaluate' }>, kernel: Kernel): void {
  const { job, partId, recipe, isDragged = false, limits, brief, supportMarks } = asked;
  clearTimeout(estimating);
  clearTimeout(inspectingSoon);
  stopInspecting();
  stopMending();
  stopEstimating();
  // What was found on another part says nothing of this one.
  if (partId !== lastPartId) last = undefined;
  lastPartId = partId;
  const workshop = { kernel, fonts: (name: CutName) => fonts.get(name) };
  const result = evaluate(recipe, workshop, { printer: limits, assets: files, cache });
  isBuilt = result.ok;
  layers = undefined;
  if (!result.ok) return answer({ kind: 'problem', job, problem: result.problem });
  const { mesh, volumeMm3, steps, origin } = result;
  /** The one inspection of this solid, whoever asks first what hangs of it; what was found is not looked for again. */
  let made: Inspecting | undefined;
  const inspecting = () => (made ??= new Inspecting(mesh, limits, { origin, brief, supportMarks }));
  const noted = (found: Inspection, beganAt: number): Inspection => {
    lastInspected = performance.now();
    lastTookMs = lastInspected - beganAt;
    lastTriangles = mesh.triangles.length;
    return (last = found);
  };
  const now = performance.now();
  const patienceMs = Math.max(INSPECT_AT_LEAST_MS, lastTookMs / INSPECT_SHARE);
  const isInDrag = isDragged || now - lastAnswered < DRAG_MS;
  const isDrag = last !== undefined && isInDrag && now - lastInspected < patienceMs;
  // How long it takes is told by the last one; a part that was not inspected yet may be of any size.
  const isLong = last === undefined || lastTookMs > LONG_MS || mesh.triangles.length > 2 * lastTriangles;
  const isLater = isDrag || isLong;
  // The figures of the part itself are always those of what is shown.
  const inspection = isLater
    ? { ...(last ?? { verdict: 'pass' as const, checks: [] }), part: factsOf(mesh) }
    : noted(inspecting().whole(), now);
  current = { mesh, recipe, limits, brief, origin };
  /** The steps with what the inspection has to say of them. */
  const advised = (found: Inspection): ShownSolid['steps'] => {
    const advice = adviceOnScaling(recipe, found, (other) => {
      const built = evaluate(other, workshop, { printer: limits, assets: files, cache: otherCache });
      return built.ok ? inspect(built.mesh, limits, { origin: built.origin, brief }) : undefined;
    });
    return steps.map((step) =>
      step.stepId === advice?.stepId ? { ...step, notes: [...step.notes, ...advice.notes] } : step,
    );
  };
  const edges = featureEdges(mesh);
  answer({
    kind: 'solid',
    job,
    solid: {
      mesh,
      edges,
      volumeMm3,
      steps: isLater ? steps : advised(inspection),
      colours: origin.colours,
      inspection,
      isInspected: !isLater,
    },
  });
  // On a slow computer a drag is one still, though each of its solids takes long.
  lastAnswered = performance.now();
  if (isLater) {
    const begin = () => {
      const began = performance.now();
      stopInspecting = inRounds(
        inspecting().inSteps(),
        (progress) => isLong && answer({ kind: 'progress', job, progress }),
        (found) => answer({ kind: 'inspected', job, inspection: noted(found, began), steps: advised(found) }),
      );
    };
    inspectingSoon = setTimeout(begin, !isDrag ? 0 : isDragged ? HAND_RESTS_MS : INSPECT_AFTER_MS);
  }
  if (mesh.triangles.length === 0) return;
  estimating = setTimeout(
    () => {
      const settings = settingsForPart(limits, origin.colours);
      stopEstimating = inRounds(
        sliceInSteps(kernel, mesh, settings, inspecting().heldFaces()),
        () => {},
        (toolpath) => {
          layers = toolpath.layers;
          answer({ kind: 'estimate', job, ...takenBy(toolpath, settings) });
        },
      );
    },
    isDragged ? HAND_RESTS_MS + ESTIMATE_AFTER_MS : ESTIMATE_AFTER_MS,
  );
}

function cutAt({ job, cut }: Extract<ToWorker, { kind: 'section' }>, kernel: Kernel): void {
  if (!current || current.mesh.triangles.length === 0) return;
  answer({ kind: 'section', job, section: sectionView(kernel, current.mesh, cut, current.limits) });
}

function showLayer({ job, zMm }: Extract<ToWorker, { kind: 'layer' }>): void {
  const layer = layers && layerAt(layers, zMm);
  if (layer) answer({ kind: 'layer', job, layer });
}

/** Tries changes that might mend a finding, and tells of those that do as they are found. */
function mend(
  { job, checkId, finding: index }: Extract<ToWorker, { kind: 'remedies' }>,
  kernel: Kernel,
): void {
  stopMending();
  const check = last?.checks.find(({ id }) => id === checkId);
  const finding = check?.findings[index];
  if (!current || !last || !check || !finding) return answer({ kind: 'remedy', job });
  const { mesh, recipe, limits, brief, origin } = current;
  const trials = new Trials({
    workshop: { kernel, fonts: (name) => fonts.get(name) },
    limits,
    brief,
    assets: files,
  });
  const trouble = {
    recipe,
    limits,
    brief,
    now: { mesh, inspection: last, surfaceOf: surfaceOfSteps(mesh, origin.stepIds) },
    check,
    finding,
    tried: (other: Recipe) => trials.tried(other),
  };
  const stop = inRounds(
    within(MENDING_MS, remediesFor(trouble)),
    (remedy) => remedy && answer({ kind: 'remedy', job, remedy }),
    () => {
      trials.close();
      answer({ kind: 'remedy', job });
    },
  );
  stopMending = () => {
    stop();
    trials.close();
    stopMending = () => {};
  };
}

function measure({ job, upToMm }: Extract<ToWorker, { kind: 'thickness' }>): void {
  if (current) answer({ kind: 'thickness', job, map: thicknessMap(current.mesh, upToMm) });
}

async function portray(
  { job, recipe }: Extract<ToWorker, { kind: 'portrait' }>,
  kernel: Kernel,
): Promise<void> {
  await fetchMaterial(recipe, filesAt);
  const workshop = { kernel, fonts: (name: CutName) => fonts.get(name) };
  const built = evaluate(recipe, workshop, { printer: current?.limits, assets: files, cache: otherCache });
  const png = built.ok ? portraitOf(built.mesh, built.origin.colours) : undefined;
  answer({ kind: 'portrait', job, png });
}

/** Builds parts of the project by themselves, and names those that cannot be built. */
async function builtParts(
  parts: NonNullable<ExportWish['parts']>,
  kernel: Kernel,
): Promise<{ built: { name: string; mesh: SolidMesh }[]; leftOut: string[] }> {
  const workshop = { kernel, fonts: (name: CutName) => fonts.get(name) };
  const built: { name: string; mesh: SolidMesh }[] = [];
  const leftOut: string[] = [];
  for (const { name, recipe } of parts) {
    await fetchMaterial(recipe, filesAt);
    const result = evaluate(recipe, workshop, { printer: current?.limits, assets: files });
    if (result.ok && result.mesh.triangles.length > 0) built.push({ name, mesh: result.mesh });
    else leftOut.push(name);
  }
  return { built, leftOut };
}

async function exportFile(asked: Extract<ToWorker, { kind: 'export' }>, kernel: Kernel): Promise<void> {
  try {
    await writeFile(asked, kernel);
  } catch (error) {
    // What finds true surfaces wants a surface that is closed, corner by corner.
    if (!(error instanceof RangeError)) throw error;
    const file = { bytes: new Uint8Array(), triangles: 0, refused: exportTexts.notClosed };
    answer({ kind: 'exported', job: asked.job, file });
  }
}

async function writeFile(
  { job, wish, wish: { format } }: Extract<ToWorker, { kind: 'export' }>,
  kernel: Kernel,
): Promise<void> {
  if (format === 'step-all' && wish.parts) {
    const { built, leftOut } = await builtParts(wish.parts, kernel);
    return answer({ kind: 'exported', job, file: { ...writtenTogether(built, wish), leftOut } });
  }
  if (!current || !isBuilt) return;
  if (format === 'sheet-pdf' || format === 'sheet-svg')
    return answer({ kind: 'exported', job, file: await sheetFile(current, wish) });
  const notes = { ...wish.notes, colours: current.origin.colours };
  answer({ kind: 'exported', job, file: written(kernel, current.mesh, { ...wish, format, notes }) });
}
