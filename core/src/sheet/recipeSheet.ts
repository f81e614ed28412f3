import { colourName, hexOf } from '../colours/index.ts';
import type { SolidMesh } from '../mesh/index.ts';
import {
  formatMeasured,
  isMeasuredBy,
  measureWords,
  plainSentence,
  sentenceOf,
  type PartOrigin,
  valuesOf,
  withTolerance,
  type Recipe,
} from '../recipe/index.ts';
import type { Figure } from './measured.ts';
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
    figure: figureOf(recipe),
    notes: {
      ...title,
      colours: origin.colours.map(({ colour }) => ({ name: colourName(colour), hex: hexOf(colour) })),
      sentences: steps.map(({ step, index }) => plainSentence(sentenceOf(step, { recipe, index }))),
      measures: recipe.measures.map((measure) => `${measure.name} = ${measureWords(measure)}`),
    },
  };
}

/** A size that a step has from a measure alone has the tolerance of the measure. */
function figureOf(recipe: Recipe): Figure {
  const worked = valuesOf(recipe.measures);
  const values = worked.ok ? worked.values : new Map<string, number>();
  const exact = recipe.measures.flatMap(({ name, tolerance }) => {
    const mm = values.get(name);
    if (tolerance === undefined || mm === undefined) return [];
    const steps = recipe.steps.flatMap((step, index) => (isMeasuredBy(step, name) ? [index] : []));
    return [{ mm, tolerance, steps }];
  });
  return (mm, steps) => {
    const words = formatMeasured(mm);
    const found = exact.find(
      (each) => Math.abs(each.mm - mm) < SAME_MM && each.steps.some((step) => steps.has(step)),
    );
    return found ? withTolerance(words, found.tolerance) : words;
  };
}

/** Sizes nearer than this are one. */
const SAME_MM = 0.005;
