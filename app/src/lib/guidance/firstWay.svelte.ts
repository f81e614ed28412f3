import { firstSteps, isMended, shownBy, type FirstStep } from '@kelbrin/core/guide';
import type { Recipe } from '@kelbrin/core/recipe';
import type { BenchState } from '../bench/state/bench.svelte';

/** Under this name it is kept how far somebody came on their first project, on this computer. */
const KEPT = 'kelbrin-first-steps';

interface Kept {
  readonly projectId: string;
  readonly done: readonly FirstStep[];
}

/**
 * The first steps of somebody who was never at a bench: what they do is seen by itself. What was done once stays done, since
 * it is about having found the way and not about the part; only what is to be mended may come back.
 */
export class FirstWay {
  #done = $state.raw<readonly FirstStep[]>([]);
  #isOn = $state(false);
  readonly #bench: BenchState;
  readonly #projectId: string;
  readonly #storage: Storage;
  #before: Recipe;

  constructor(bench: BenchState, projectId: string, isFirst: boolean, storage: Storage) {
    this.#bench = bench;
    this.#projectId = projectId;
    this.#storage = storage;
    this.#before = bench.recipe;
    const kept = readKept(storage);
    const isOwn = kept?.projectId === projectId;
    this.#isOn = isOwn || isFirst;
    if (isOwn) this.#done = kept.done;
    if (this.#done.length === firstSteps.length) this.#isOn = false;
  }

  /** What is to do next; nothing once all was done, or whoever designs knows the way. */
  get next(): { readonly step: FirstStep; readonly at: number } | undefined {
    if (!this.#isOn) return undefined;
    const at = firstSteps.findIndex((step) => !this.#isDone(step));
    return at < 0 ? undefined : { step: firstSteps[at], at: at + 1 };
  }

  /** Looks at what was done since; called when the recipe or its hand-in has changed. */
  look(isHandedIn: boolean): void {
    const { recipe } = this.#bench;
    const shown = recipe === this.#before ? [] : shownBy(this.#before, recipe);
    this.#before = recipe;
    if (!this.#isOn) return;
    this.#note([...shown, ...(isHandedIn ? firstSteps : [])]);
  }

  /** Whoever designs knows the way. */
  end(): void {
    this.#note(firstSteps);
    this.#isOn = false;
  }

  #isDone(step: FirstStep): boolean {
    if (this.#done.includes(step)) return true;
    const inspection = this.#bench.isCurrent ? this.#bench.solid?.inspection : undefined;
    return step === 'mend' && inspection !== undefined && isMended(inspection);
  }

  #note(steps: readonly FirstStep[]): void {
    const fresh = firstSteps.filter((step) => steps.includes(step) && !this.#done.includes(step));
    if (fresh.length > 0) this.#done = [...this.#done, ...fresh];
    const kept: Kept = { projectId: this.#projectId, done: this.#done };
    this.#storage.setItem(KEPT, JSON.stringify(kept));
  }
}

function readKept(storage: Storage): Kept | undefined {
  try {
    const kept = JSON.parse(storage.getItem(KEPT) ?? 'null') as Partial<Kept> | null;
    if (typeof kept?.projectId !== 'string' || !Array.isArray(kept.done)) return undefined;
    return { projectId: kept.projectId, done: firstSteps.filter((step) => kept.done!.includes(step)) };
  } catch {
    return undefined;
  }
}
