import { readSolid } from '@kelbrin/core/format';
import type { CutName } from '@kelbrin/core/letters';
import type { SolidMesh } from '@kelbrin/core/mesh';
import { cutsIn, filesIn, type Recipe } from '@kelbrin/core/recipe';
import { readLetters, type LetterFile } from '@kelbrin/core/solid';
import { fontFiles } from './fontFiles';

/* What recipes are built with besides their numbers, fetched when it is first needed. */

export const fonts = new Map<CutName, LetterFile>();
export const files = new Map<string, SolidMesh>();

/**
 * Fetches the letters and the imported solids that a recipe needs and that are not at hand. What stays away, as without a
 * network, is said by the step that needs it, and is asked for again with the next edit.
 */
export async function fetchMaterial(recipe: Recipe, filesAt: string): Promise<void> {
  await Promise.all([fetchCuts(cutsIn(recipe)), fetchFiles(recipe, filesAt)]);
}

/** Fetches files of letters, with what sets them; false where one of them stays away. */
export async function fetchCuts(names: readonly CutName[]): Promise<boolean> {
  const missing = names.filter((name) => !fonts.has(name));
  if (missing.length === 0) return true;
  const shaper = await import('harfbuzzjs').catch(() => undefined);
  if (!shaper) return false;
  const found = await Promise.all(
    missing.map(async (name) => {
      const bytes = await fetched(fontFiles[name]);
      if (bytes) fonts.set(name, readLetters(shaper, bytes));
      return bytes !== undefined;
    }),
  );
  return found.every(Boolean);
}

/** A file from the server; undefined where there is none, or no network. */
async function fetched(address: string): Promise<Uint8Array | undefined> {
  try {
    const response = await fetch(address);
    return response.ok ? new Uint8Array(await response.arrayBuffer()) : undefined;
  } catch {
    return undefined;
  }
}

/** Imported files are fetched once; what is missing is said by the step that names it. */
async function fetchFiles(recipe: Recipe, filesAt: string): Promise<void> {
  const missing = filesIn(recipe.steps).filter((name) => !files.has(name));
  await Promise.all(
    missing.map(async (name) => {
      const bytes = await fetched(`${filesAt}/${name}`);
      if (bytes) files.set(name, readSolid(bytes));
    }),
  );
}
