import type { Manifold } from 'manifold-3d';
import type { Box } from '../mesh/index.ts';
import type { DrawnPieces, OfferedEdge, Relief, WishedColours, Writing } from '../recipe/index.ts';
import { Memo } from './memo.ts';
import { Blocks } from './block.ts';
import type { Scope } from './scope.ts';
import type { Trace } from './trace.ts';

/** A step that was carried out, with everything that later steps and the final part need of it. */
export interface StepState {
  /** The step's data with all formulas worked out; equal words mean an equal step. */
  readonly key: string;
  /** Holds what the step made. */
  readonly scope: Scope;
  readonly part: Manifold | undefined;
  readonly volumeMm3: number;
  /** What every step so far left behind, by id, as it is after this step. */
  readonly traces: ReadonlyMap<string, Trace>;
  /** How many copies all repeats so far have made. */
  readonly copiesMade: number;
  /** What every step so far raised from a surface or sank into it, as it lies after this step. */
  readonly reliefs: readonly Relief[];
  /** What every step so far wrote, as it lies after this step. */
  readonly writings: readonly Writing[];
  /** The steps that drew surfaces so far, by the kernel's numbers of these. */
  readonly drawnBy: ReadonlyMap<number, string>;
  readonly effect: 'add' | 'cut' | 'keep' | 'whole';
  readonly box: Box;
  readonly changed: boolean;
  readonly notes: readonly string[];
  /** What it worked out, which is as it should be. */
  readonly told: readonly string[];
  /** The colours that are wished so far, and the step that wishes them, by its index in the recipe. */
  readonly colours?: WishedColours & { readonly index: number };
  /** The index of this very step in the recipe, if it wishes colours. */
  readonly saidColours?: number;
  /** The edges that it lets people choose among, where they lay before it. */
  readonly edges?: readonly OfferedEdge[];
  /** The pieces that its outline is put together from, before any position. */
  readonly pieces?: DrawnPieces;
}

/**
 * What one evaluation leaves for the next: the states of all its steps, of which those before the first changed step
 * are taken up again, and the bodies that steps drew. It holds the kernel's memory until it is closed, so a host keeps
 * one for each part that is being edited and closes it with the part.
 */
export class SolidCache {
  readonly memo = new Memo();
  readonly blocks = new Blocks();
  #cacheKey = '';
  #states: StepState[] = [];
  /** What the same recipe left with other sizes, and whether this evaluation asked for it. */
  readonly #others = new Map<string, { readonly cache: SolidCache; used: boolean }>();

  /** The cache for the recipe with other sizes, by what they are. */
  other(key: string): SolidCache {
    const entry = this.#others.get(key) ?? { cache: new SolidCache(), used: true };
    entry.used = true;
    this.#others.set(key, entry);
    return entry.cache;
  }

  /** Forgets what this evaluation did not ask for. */
  sweep(): void {
    this.memo.sweep();
    for (const [key, entry] of this.#others) {
      if (!entry.used) {
        entry.cache.close();
        this.#others.delete(key);
      }
      entry.used = false;
    }
  }

  /** The states of the longest beginning of a list of steps that is known; the rest is let go. */
  begin(cacheKey: string, keys: readonly string[]): StepState[] {
    if (cacheKey !== this.#cacheKey) {
      this.close();
      this.#cacheKey = cacheKey;
    }
    let known = 0;
    while (known < keys.length && this.#states[known]?.key === keys[known]) known++;
    for (const { scope } of this.#states.splice(known).reverse()) scope.end();
    return this.#states;
  }

  /** Gives all memory back; the cache can be used again. */
  close(): void {
    for (const { scope } of this.#states.splice(0).reverse()) scope.end();
    this.memo.clear();
    for (const { cache } of this.#others.values()) cache.close();
    this.#others.clear();
  }
}
