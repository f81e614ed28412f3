import {
  addMeasure,
  addStep,
  directionBefore,
  duplicateStep,
  moveStep,
  removeMeasure,
  removeStep,
  setField,
  setMeasure,
  valuesOf,
  worthOf,
  type Edited,
  type FieldPath,
  type Measure,
  type Problem,
  type Recipe,
  type Region,
  type SetDownStep,
  type Step,
} from '@kelbrin/core/recipe';
import type { LimitsCard } from '@kelbrin/core/inspect';
import type { Vec3 } from '@kelbrin/core/mesh';
import type { Estimate } from '@kelbrin/core/slice';
import { History, type HistoryStates } from './history';
import type { ExportedFile, ExportWish, FromWorker, ShownSolid } from './messages';
import { SolidClient, type WorkerLike } from './solidClient';

/** The section at the ruler's cut line. */
export interface Section {
  readonly zMm: number;
  readonly region: Region;
}

const NO_MEASURES: ReadonlyMap<string, number> = new Map();

/**
 * What is on the bench: the recipe with its history, the last good solid with its inspection, and what is marked.
 * Everything that changes the recipe goes through here.
 */
export class BenchState {
  recipe = $state.raw<Recipe>() as Recipe;
  /** The solid of the latest recipe that could be built. */
  solid = $state.raw<ShownSolid>();
  /** Why the recipe as it stands cannot be built, or a field's value was refused. */
  problem = $state.raw<Problem>();
  estimate = $state.raw<Estimate>();
  section = $state.raw<Section>();
  /** The id of the step that is marked in the recipe and on the solid. */
  marked = $state<string>();
  /** The triangles of the finding that is looked at. */
  hatched = $state.raw<{ triangles: readonly number[]; verdict: 'pass' | 'warn' | 'fail' }>();
  /** The height of the ruler's cut line; undefined when nothing is cut. */
  cutMm = $state<number>();
  canUndo = $state(false);
  canRedo = $state(false);
  /** The outline that is being drawn on the plan. */
  drawing = $state.raw<{ readonly stepId: string; readonly path: FieldPath }>();
  /** What was mended or guessed when a file was taken into a step. */
  fileNotes = $state.raw<{ readonly stepId: string; readonly notes: readonly string[] }>();
  /** The step whose face on the plate is being picked in the view. */
  pickingFace = $state<string>();
  /** What the measures are worth, by name; those that cannot be worked out are left out. */
  readonly measures: ReadonlyMap<string, number> = $derived.by(() => {
    const all = valuesOf(this.recipe.measures);
    return all.ok ? all.values : NO_MEASURES;
  });

  readonly limits: LimitsCard;
  readonly #history = new History<Recipe>();
  readonly #client: SolidClient;
  readonly #onChange: (recipe: Recipe) => void;

  constructor(
    recipe: Recipe,
    limits: LimitsCard,
    worker: WorkerLike,
    filesAt: string,
    onChange: (recipe: Recipe) => void,
  ) {
    this.recipe = recipe;
    this.limits = limits;
    this.#onChange = onChange;
    this.#client = new SolidClient(worker, filesAt, (message) => this.#hear(message));
    this.#client.show(recipe, limits);
  }

  /** Puts a value into a field of a step, as part of a drag if that is numbered; a value that cannot be is said and leaves the recipe as it was. */
  setField(stepId: string, path: FieldPath, value: unknown, gesture?: number): void {
    this.#try(setField(this.recipe, stepId, path, value), `${stepId} ${path.join(' ')}`, gesture);
  }

  /** Puts several values into fields of one step, as one edit. */
  setFields(stepId: string, changes: readonly { path: FieldPath; value: unknown }[], gesture?: number): void {
    const edited = changes.reduce<Edited>(
      (result, { path, value }) => (result.ok ? setField(result.recipe, stepId, path, value) : result),
      { ok: true, recipe: this.recipe },
    );
    this.#try(edited, `${stepId} ${changes.map(({ path }) => path.join(' ')).join(', ')}`, gesture);
  }

  /** Has the part lie on the face that looks in a direction now, whatever face the step said before. */
  lieOn(step: SetDownStep, normal: Vec3): void {
    const turned = step.turnDeg === undefined ? undefined : worthOf(step.turnDeg, this.measures);
    const before = directionBefore(step, turned?.ok ? turned.value : 0, normal);
    this.setField(step.id, ['face'], { normal: [...before] });
  }

  /** Adds a step at the end and marks it. */
  addStep(kind: Step['kind']): void {
    this.#edit(addStep(this.recipe, kind));
    this.marked = this.recipe.steps.at(-1)?.id;
  }

  removeStep(stepId: string): void {
    this.#edit(removeStep(this.recipe, stepId));
    if (this.marked === stepId) this.marked = undefined;
  }

  duplicateStep(stepId: string): void {
    const copied = duplicateStep(this.recipe, stepId);
    if (!copied) return;
    this.#edit(copied.recipe);
    this.marked = copied.copyId;
  }

  moveStep(stepId: string, by: number, gesture?: number): void {
    this.#edit(
      moveStep(this.recipe, stepId, by),
      gesture === undefined ? undefined : `move ${stepId}`,
      gesture,
    );
  }

  addMeasure(): void {
    this.#edit(addMeasure(this.recipe));
  }

  setMeasure(name: string, change: Partial<Measure>, gesture?: number): void {
    this.#try(setMeasure(this.recipe, name, change), `measure ${name}`, gesture);
  }

  removeMeasure(name: string): void {
    this.#edit(removeMeasure(this.recipe, name));
  }

  /** Puts a whole recipe in the place of this one, as one edit that can be undone. */
  replace(recipe: Recipe, keep: 'save' | 'saved' = 'save'): void {
    this.#history.edited(this.recipe);
    this.#show(recipe, keep === 'save');
  }

  /** Puts another state under this one, so that undo leads to it. */
  rememberBefore(recipe: Recipe): void {
    this.#history.edited(recipe);
    this.#noteHistory();
  }

  undo(): void {
    const before = this.#history.undo(this.recipe);
    if (before) this.#show(before);
  }

  redo(): void {
    const after = this.#history.redo(this.recipe);
    if (after) this.#show(after);
  }

  cutAt(zMm: number | undefined): void {
    this.cutMm = zMm;
    if (zMm === undefined) this.section = undefined;
    else this.#client.cutAt(zMm);
  }

  /** Asks for a file of the part as it is shown. */
  export(wish: ExportWish, written: (file: ExportedFile) => void): void {
    this.#client.export(wish, written);
  }

  close(): void {
    this.#client.close();
  }

  #try(edited: Edited, field: string, gesture?: number): void {
    if (edited.ok) this.#edit(edited.recipe, field, gesture);
    else this.problem = edited.problem;
  }

  #edit(recipe: Recipe, field?: string, gesture?: number): void {
    if (recipe === this.recipe) return;
    this.#history.edited(this.recipe, field, Date.now(), gesture);
    this.#show(recipe);
  }

  #show(recipe: Recipe, tell = true): void {
    this.recipe = recipe;
    this.problem = undefined;
    this.#noteHistory();
    this.#client.show(recipe, this.limits);
    if (tell) this.#onChange(recipe);
  }

  /** Takes up a history that was kept; edits that were made meanwhile have begun one of their own. */
  restoreHistory(states: HistoryStates<Recipe>): void {
    if (this.#history.canUndo || this.#history.canRedo) return;
    this.#history.restore(states);
    this.#noteHistory();
  }

  /** Everything that can be undone and redone. */
  get history(): HistoryStates<Recipe> {
    return this.#history.states;
  }

  #noteHistory(): void {
    this.canUndo = this.#history.canUndo;
    this.canRedo = this.#history.canRedo;
  }

  #hear(message: Exclude<FromWorker, { kind: 'exported' }>): void {
    switch (message.kind) {
      case 'solid':
        this.solid = message.solid;
        this.problem = undefined;
        this.hatched = undefined;
        if (this.cutMm !== undefined) this.cutAt(this.cutMm);
        break;
      case 'problem':
        this.problem = message.problem;
        break;
      case 'estimate':
        this.estimate = message.estimate;
        break;
      case 'section':
        if (this.cutMm !== undefined) this.section = { zMm: message.zMm, region: message.region };
    }
  }
}
