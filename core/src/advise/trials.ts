import {
  Inspecting,
  type BriefRules,
  type CheckId,
  type Inspection,
  type LimitsCard,
} from '../inspect/index.ts';
import { boundsOf, facesOf, onlyFaces, type SolidMesh } from '../mesh/index.ts';
import type { Recipe } from '../recipe/index.ts';
import { evaluate, SolidCache, type Workshop } from '../solid/index.ts';
import type { StepSurface, Trial } from './remedy.ts';

/** What recipes are tried with. */
export interface TrialsFor {
  readonly workshop: Workshop;
  readonly limits: LimitsCard;
  readonly brief?: BriefRules;
  /** The meshes of imported files by name. */
  readonly assets?: ReadonlyMap<string, SolidMesh>;
}

/** Builds recipes and inspects them, each once. It holds the kernel's memory until it is closed. */
export class Trials {
  readonly #for: TrialsFor;
  readonly #cache = new SolidCache();
  readonly #known = new Map<string, Trial | undefined>();

  constructor(given: TrialsFor) {
    this.#for = given;
  }

  /** The recipe built, to be inspected; undefined where it cannot be built or leaves nothing. */
  tried(recipe: Recipe): Trial | undefined {
    const key = JSON.stringify(recipe.steps) + JSON.stringify(recipe.measures);
    if (!this.#known.has(key)) this.#known.set(key, this.#try(recipe));
    return this.#known.get(key);
  }

  close(): void {
    this.#cache.close();
    this.#known.clear();
  }

  #try(recipe: Recipe): Trial | undefined {
    const { workshop, limits, brief, assets } = this.#for;
    const built = evaluate(recipe, workshop, { printer: limits, assets, cache: this.#cache });
    if (!built.ok || built.mesh.triangles.length === 0) return undefined;
    const { mesh, origin } = built;
    const inspecting = new Inspecting(mesh, limits, { origin, brief });
    let whole: Inspection | undefined;
    return {
      mesh,
      surfaceOf: surfaceOfSteps(mesh, origin.stepIds),
      check: (id: CheckId) => inspecting.check(id),
      get inspection() {
        return (whole ??= inspecting.whole());
      },
    };
  }
}

/** What of a surface is that of each step; `stepIds` names them by the numbers that the mesh knows them by. */
export function surfaceOfSteps(mesh: SolidMesh, stepIds: readonly string[]): Map<string, StepSurface> {
  const facesOfStep = new Map<number, number[]>();
  mesh.stepOf?.forEach((step, face) => {
    const faces = facesOfStep.get(step);
    if (faces) faces.push(face);
    else facesOfStep.set(step, [face]);
  });
  const { areas } = facesOf(mesh);
  return new Map(
    [...facesOfStep].flatMap(([step, faces]) => {
      const id = stepIds[step];
      if (id === undefined) return [];
      const areaMm2 = faces.reduce((sum, face) => sum + areas[face], 0);
      return [[id, { areaMm2, box: boundsOf(onlyFaces(mesh, faces)) }]];
    }),
  );
}
