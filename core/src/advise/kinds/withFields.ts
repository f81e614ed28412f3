import { setField, type Recipe } from '../../recipe/index.ts';

/** The recipe with several fields of a step put to values; those that cannot be stay as they are. */
export function withFields(recipe: Recipe, stepId: string, fields: object): Recipe {
  return Object.entries(fields).reduce((made, [key, value]) => {
    const edited = setField(made, stepId, [key], value);
    return edited.ok ? edited.recipe : made;
  }, recipe);
}
