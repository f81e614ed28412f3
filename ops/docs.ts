import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { recipeDocument } from '../core/src/document/recipeDocument.ts';
import { root } from './state.ts';

/* Writes the documents that are made from the code. */

writeFileSync(join(root, 'docs/recipe.md'), recipeDocument());
