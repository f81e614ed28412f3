import {
  addStep,
  moveStep,
  removeStep,
  setField,
  type FieldPath,
  type Problem,
  type Recipe,
  type Region,
  type Step,
} from '@kelbrin/core/recipe';
import type { LimitsCard } from '@kelbrin/core/inspect';
import type { Estimate } from '@kelbrin/core/slice';
import { History } from './history';
import type { FromWorker, ShownSolid } from './messages';
import { SolidClient, type WorkerLike } from './solidClient';

/** The section at the ruler's cut line. */
export interface Section {
  readonly zMm: number;
  readonly region: Region;
}

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

  readonly limits: LimitsCard;
  readonly #history = new History<Recipe>();
  readonly #client: SolidClient;
  readonly #onChange: (recipe: Recipe) => void;

  constructor(recipe: Recipe, limits: LimitsCard, worker: WorkerLike, onChange: (recipe: Recipe) => void) {
    this.recipe = recipe;
    this.limits = limits;
    this.#onChange = onChange;
    this.#client = new SolidClient(worker, (message) => this.#hear(message));
    this.#client.show(recipe, limits);
  }

  /** Puts a value into a field of a step, as part of a drag if that is numbered; a value that cannot be is said and leaves the recipe as it was. */
  setField(stepId: string, path: FieldPath, value: unknown, gesture?: number): void {
    const result = setField(this.recipe, stepId, path, value);
    if (result.ok) this.#edit(result.recipe, `${stepId} ${path.join(' ')}`, gesture);
    else this.problem = result.problem;
  }

  addStep(kind: Step['kind']): void {
    this.#edit(addStep(this.recipe, kind));
    this.marked = this.recipe.steps.at(-1)?.id;
  }

  removeStep(stepId: string): void {
    this.#edit(removeStep(this.recipe, stepId));
    if (this.marked === stepId) this.marked = undefined;
  }

  moveStep(stepId: string, by: number): void {
    this.#edit(moveStep(this.recipe, stepId, by));
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

  close(): void {
    this.#client.close();
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

  #noteHistory(): void {
    this.canUndo = this.#history.canUndo;
    this.canRedo = this.#history.canRedo;
  }

  #hear(message: FromWorker): void {
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
