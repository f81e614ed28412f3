import { inspect, type BriefRules, type LimitsCard } from '../inspect/index.ts';
import type { SolidMesh } from '../mesh/index.ts';
import type { Recipe } from '../recipe/index.ts';
import { evaluate, SolidCache, type Workshop } from '../solid/index.ts';
import type { Tried } from './remedy.ts';

/** What recipes are tried with. */
export interface TrialsFor {
  readonly workshop: Workshop;
  readonly limits: LimitsCard;
  readonly brief?: BriefRules;
  /** The meshes of imported files by name. */
  readonly assets?: ReadonlyMap<string, SolidMesh>;
}

/** Builds and inspects recipes, each once. It holds the kernel's memory until it is closed. */
export class Trials {
  readonly #for: TrialsFor;
  readonly #cache = new SolidCache();
  readonly #known = new Map<string, Tried | undefined>();

  constructor(given: TrialsFor) {
    this.#for = given;
  }

  /** The recipe built and inspected; undefined where it cannot be built or leaves nothing. */
  tried(recipe: Recipe): Tried | undefined {
    const key = JSON.stringify(recipe.steps) + JSON.stringify(recipe.measures);
    if (!this.#known.has(key)) this.#known.set(key, this.#try(recipe));
    return this.#known.get(key);
  }

  close(): void {
    this.#cache.close();
    this.#known.clear();
  }

  #try(recipe: Recipe): Tried | undefined {
    const { workshop, limits, brief, assets } = this.#for;
    const built = evaluate(recipe, workshop, { printer: limits, assets, cache: this.#cache });
    if (!built.ok || built.mesh.triangles.length === 0) return undefined;
    const { mesh, origin } = built;
    return { mesh, inspection: inspect(mesh, limits, { origin, brief }) };
  }
}
