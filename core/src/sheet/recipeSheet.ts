import { colourName, hexOf } from '../colours/index.ts';
import type { SolidMesh } from '../mesh/index.ts';
import {
  amountWords,
  formatMeasured,
  plainSentence,
  sentenceOf,
  type PartOrigin,
  type Recipe,
} from '../recipe/index.ts';
import type { SheetPart } from './partSheet.ts';
import type { SheetNotes } from './titleBlock.ts';

/** What the title block says that a recipe does not. */
export type SheetTitle = Pick<SheetNotes, 'part' | 'project' | 'author' | 'date'>;

/** What a sheet is drawn of, for a part that was built from a recipe. */
export function recipeSheet(
  recipe: Recipe,
  { mesh, origin }: { readonly mesh: SolidMesh; readonly origin: PartOrigin },
  title: SheetTitle,
): SheetPart {
  const steps = recipe.steps.map((step, index) => ({ step, index })).filter(({ step }) => !step.off);
  return {
    mesh,
    writing: new Set(origin.writings.map(({ step }) => step)),
    figure: (mm) => formatMeasured(mm),
    notes: {
      ...title,
      colours: origin.colours.map(({ colour }) => ({ name: colourName(colour), hex: hexOf(colour) })),
      sentences: steps.map(({ step, index }) => plainSentence(sentenceOf(step, { recipe, index }))),
      measures: recipe.measures.map(({ name, value }) => `${name} = ${amountWords(value, 'mm')}`),
    },
  };
}
