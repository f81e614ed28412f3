import {
  designProblem,
  recipeOf,
  sameDesign,
  withRecipe,
  withTheirChange,
  type Design,
} from '@kelbrin/core/design';
import {
  addOffered,
  duplicateStep,
  edgeTapped,
  knownValues,
  moveStep,
  pickedFace,
  removeStep,
  setField,
  setFields,
  type Edited,
  type FieldPath,
  type Problem,
  type Recipe,
  type Wanted,
} from '@kelbrin/core/recipe';
import type { Remedy } from '@kelbrin/core/advise';
import type { LimitsCard } from '@kelbrin/core/inspect';
import type { Vec3 } from '@kelbrin/core/mesh';
import { AskingFirst } from './askingFirst.svelte';
import { History } from './history.svelte';
import type { ExportedFile, ExportWish, Setting, ShownSolid } from '../worker/messages';
import { MeasureEdits } from './measureEdits';
import { PartEdits } from './partEdits';
import { partToShow } from './partToShow';
import { nowCalled } from './nowCalled';
import { Pointing } from './pointing';
import type { TakenIn } from './saving';
import { Showing } from './showing.svelte';
import type { WorkerLike } from '../worker/solidClient';

/**
 * What is on the bench: the project's parts with their history, the part that is shown with its last good solid and
 * inspection, and what is marked. Everything that changes the project goes through here.
 */
export class BenchState {
  design = $state.raw<Design>() as Design;
  /** The id of the part that is shown. */
  partId = $state('');
  /** The recipe of that part, with the measures that all parts share. */
  recipe = $state.raw<Recipe>() as Recipe;
  /** Why the recipe as it stands cannot be built, or a field's value was refused. */
  problem = $state.raw<Problem>();
  /** The id of the step that is marked in the recipe and on the solid. */
  marked = $state<string>();
  /** The triangles of the finding that is looked at. */
  hatched = $state.raw<{ triangles: readonly number[]; verdict: 'pass' | 'warn' | 'fail' }>();
  /** The outline that is being drawn on the plan. */
  drawing = $state.raw<{ readonly stepId: string; readonly path: FieldPath; readonly piece?: number }>();
  /** What was mended or guessed when a file was taken into a step. */
  fileNotes = $state.raw<{ readonly stepId: string; readonly notes: readonly string[] }>();
  /** The step whose face on the plate is being picked in the view. */
  pickingFace = $state.raw<{ readonly stepId: string; readonly path: FieldPath }>();
  /** What the measures are worth, and what steps named, by name; what cannot be worked out is left out. */
  readonly measures: ReadonlyMap<string, number> = $derived(knownValues(this.recipe, this.limits));

  readonly #pointing = new Pointing();
  readonly setting: Setting;
  /** What can be undone and redone. */
  readonly history = new History<Design>(sameDesign);
  /** Asks before a step is deleted or moved that others name. */
  readonly asking = new AskingFirst();
  /** Adds, changes and shares measures. */
  readonly measuring = new MeasureEdits(this);
  /** Adds, names and deletes parts. */
  readonly parts = new PartEdits(this);
  /** The part as it was last built, with all that is known of that very state of it. */
  readonly showing: Showing;
  readonly #onChange: (design: Design) => void;

  constructor(design: Design, setting: Setting, worker: WorkerLike, onChange: (design: Design) => void) {
    this.design = design;
    this.partId = design.chosen;
    this.recipe = recipeOf(design);
    this.setting = setting;
    this.#onChange = onChange;
    this.showing = new Showing(worker, setting, (problem) => this.#wasBuilt(problem));
    this.#ask();
  }

  /** The solid of the part that is shown, as it was last built. */
  get solid(): ShownSolid | undefined {
    return this.showing.part?.solid;
  }

  /** Whether what is shown is the recipe as it stands, and not a state before. */
  get isCurrent(): boolean {
    return this.showing.part?.recipe === this.recipe;
  }

  /** Whether every check has answered for the recipe as it stands. */
  get isChecked(): boolean {
    return this.isCurrent && this.showing.isChecked;
  }

  /** What the printer can make and the class allows. */
  get limits(): LimitsCard {
    return this.setting.limits;
  }

  /** Puts a value into a field of a step, as part of a drag if that is numbered; a value that cannot be is said and leaves the recipe as it was. */
  setField(stepId: string, path: FieldPath, value: unknown, gesture?: number): void {
    this.#try(setField(this.recipe, stepId, path, value), `${stepId} ${path.join(' ')}`, gesture);
  }

  /** Puts several values into fields of one step, as one edit. */
  setFields(stepId: string, changes: readonly { path: FieldPath; value: unknown }[], gesture?: number): void {
    const edited = setFields(this.recipe, stepId, changes);
    this.#try(edited, `${stepId} ${changes.map(({ path }) => path.join(' ')).join(', ')}`, gesture);
  }

  /** Has the step whose face is being picked take the one that looks in a direction now. */
  pickFace(normal: Vec3): void {
    const { stepId, path } = this.pickingFace!;
    const step = this.recipe.steps.find(({ id }) => id === stepId);
    if (step) this.setField(stepId, path, pickedFace(step, normal, this.measures));
  }

  /** Chooses one of the edges that a step offers, or no longer. */
  tapEdge(stepId: string, at: number): void {
    const step = this.recipe.steps.find(({ id }) => id === stepId);
    const offered = this.solid?.steps.find((outcome) => outcome.stepId === stepId)?.edges;
    const change = step && offered && edgeTapped(step, offered, at);
    if (change) this.setField(stepId, change.path, change.value);
  }

  /** Adds a step at the end and marks it. */
  addStep(wanted: Wanted): void {
    const before = this.recipe;
    this.#edit(addOffered(before, wanted, this.#pointing.landing(this.marked, this.solid)));
    if (this.recipe === before) return;
    this.marked = this.recipe.steps.at(-1)?.id;
    this.#pointing.added(this.marked);
  }

  /** Marks the step that made a place of the solid which looks in a direction; new steps go there. */
  pick(stepId: string | undefined, normal?: Vec3): void {
    this.marked = stepId;
    this.#pointing.picked(stepId, normal);
  }

  /** Deletes a step; asks first where others name it and would be left without. */
  removeStep(stepId: string): void {
    this.asking.take(
      'delete',
      stepId,
      this,
      (recipe) => removeStep(recipe, stepId),
      (changed) => {
        this.#edit(changed);
        if (this.marked === stepId) this.marked = undefined;
      },
    );
  }

  duplicateStep(stepId: string): void {
    const copied = duplicateStep(this.recipe, stepId);
    if (!copied) return;
    const before = this.recipe;
    this.#edit(copied.recipe);
    if (this.recipe !== before) this.marked = copied.copyId;
  }

  /** Moves a step by places; asks first where another would then name what comes after it. */
  moveStep(stepId: string, by: number, gesture?: number): void {
    this.asking.take(
      'move',
      stepId,
      this,
      (recipe) => moveStep(recipe, stepId, by),
      (changed) => this.#edit(changed, gesture === undefined ? undefined : `move ${stepId}`, gesture),
    );
  }

  /** Shows another part. */
  showPart(partId: string): void {
    if (partId === this.partId) return;
    this.#turnTo(partId);
    this.recipe = recipeOf(this.design, partId);
    this.#ask();
  }

  /** Puts a whole state in the place of this one, as one edit that can be undone. */
  replace(design: Design, keep: 'save' | 'saved' = 'save'): void {
    const problem = designProblem(design);
    if (problem) {
      this.problem = problem;
      return;
    }
    this.history.edited(this.design);
    this.#show(design, partToShow(design, this.design, this.partId), keep === 'save');
  }

  /**
   * Shows a state that somebody else's work is in. It comes into all that can be gone back to, so that going back takes back
   * what was done here and nothing else.
   */
  takeIn({ design, renamed, instead }: TakenIn): void {
    const before = renamed(this.design);
    this.history.follow((state) => withTheirChange(renamed(state), before, design));
    if (instead) this.history.edited(instead);
    this.#follow(before);
    const isThere = design.parts.some(({ id }) => id === this.partId);
    this.#show(design, isThere ? this.partId : design.chosen, false);
  }

  /** Keeps what is marked and worked at where it is, in a state whose parts and steps have other ids. */
  #follow(renamed: Design): void {
    const { partId, now } = nowCalled(this.design, renamed, this.partId);
    this.partId = partId;
    this.marked &&= now(this.marked);
    for (const name of ['drawing', 'fileNotes', 'pickingFace'] as const) {
      const work = this[name];
      if (work && now(work.stepId) !== work.stepId)
        Object.assign(this, { [name]: { ...work, stepId: now(work.stepId) } });
    }
  }

  undo(): void {
    const before = this.history.undo(this.design);
    if (before) this.#show(before, partToShow(before, this.design, this.partId));
  }

  redo(): void {
    const after = this.history.redo(this.design);
    if (after) this.#show(after, partToShow(after, this.design, this.partId));
  }

  /** Takes a change that mends a finding, as one edit. */
  apply({ recipe }: Remedy): void {
    this.#edit(recipe);
  }

  /** Asks for a file of the part; there is none of a state before, as while the recipe cannot be built. */
  export(wish: ExportWish, written: (file: ExportedFile) => void): void {
    if (this.isCurrent) this.showing.export(wish, written);
  }

  close(): void {
    this.showing.close();
  }

  #try(edited: Edited, field: string, gesture?: number): void {
    if (edited.ok) this.#edit(edited.recipe, field, gesture);
    else this.problem = edited.problem;
  }

  #edit(recipe: Recipe, field?: string, gesture?: number): void {
    if (recipe === this.recipe) return;
    // Fields of two parts can have one name, as the parts' ids keep them apart.
    const own = field && `${this.partId} ${field}`;
    this.editDesign(withRecipe(this.design, this.partId, recipe), this.partId, own, gesture);
  }

  /** Takes an edit, whatever it came from, if what it makes can be kept; otherwise says why not and leaves all as it was. */
  editDesign(design: Design, partId = this.partId, field?: string, gesture?: number): void {
    const problem = designProblem(design);
    if (problem) {
      this.problem = problem;
      return;
    }
    this.history.edited(this.design, field, Date.now(), gesture);
    this.#show(design, partId, true, gesture !== undefined);
  }

  #show(design: Design, partId: string, tell = true, isDragged = false): void {
    this.design = design;
    if (partId !== this.partId) this.#turnTo(partId);
    this.recipe = recipeOf(design, partId);
    this.problem = undefined;
    this.#ask(isDragged);
    if (tell) this.#onChange(design);
  }

  /** Clears the bench of everything that belonged to the part that was shown. */
  #turnTo(partId: string): void {
    this.partId = partId;
    this.showing.clear();
    this.problem = this.marked = this.hatched = undefined;
    this.drawing = this.fileNotes = this.pickingFace = undefined;
  }

  /** Asks for the solid of the part as it stands. */
  #ask(isDragged = false): void {
    this.showing.ask({ partId: this.partId, recipe: this.recipe, isDragged });
  }

  #wasBuilt(problem: Problem | undefined): void {
    this.problem = problem;
    if (!problem) this.hatched = undefined;
  }
}
