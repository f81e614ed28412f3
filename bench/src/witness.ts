import fc from 'fast-check';
import { setDown, triangleCount, type SolidMesh } from '@kelbrin/core/mesh';
import { nodeWorkshop } from '@kelbrin/core/node';
import { evaluate } from '@kelbrin/core/solid';
import { starters } from '@kelbrin/core/starters';
import { anyRecipe } from '../../core/test/anyRecipe.ts';
import { disagreements } from '../../core/test/witness/disagreements.ts';
import { madeWith } from '../../core/test/solids.ts';
import { truthTable } from '../../core/test/truthTable.ts';
import { wildParts } from '../../core/test/wildParts/index.ts';

/*
 * Holds the inspection against what the lines of G-code lie on: over all examples, all parts with known answers and many
 * random recipes. Prints where they do not agree.
 */

const RANDOM = 500;
const SEED = 1;
/** Larger meshes are left out, since slicing them takes too long. */
const MOST_TRIANGLES = 50_000;

const workshop = await nodeWorkshop();
const { kernel } = workshop;
let [looked, agreed] = [0, 0];

function look(name: string, make: () => SolidMesh | undefined): void {
  const mesh = make();
  if (!mesh || mesh.triangles.length === 0 || triangleCount(mesh) > MOST_TRIANGLES) return;
  looked++;
  const found = disagreements(kernel, setDown(mesh));
  if (found.length === 0) agreed++;
  for (const each of found) console.log(`${name}: ${each}`);
}

const built = (recipe: Parameters<typeof evaluate>[0]) => {
  const result = evaluate(recipe, workshop);
  return result.ok ? result.mesh : undefined;
};
for (const { title, recipe } of starters) look(title, () => built(recipe));
for (const part of truthTable) look(part.name, () => madeWith(kernel, (k) => part.make(k, 64)));
for (const { name, make } of wildParts) look(name, make);
for (const [i, recipe] of fc.sample(anyRecipe, { numRuns: RANDOM, seed: SEED }).entries())
  look(`random recipe ${i} of seed ${SEED}`, () => built(recipe));
console.log(`${agreed} of ${looked} agree`);
