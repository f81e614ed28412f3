import { differencesOf, measureDifferences, type Change } from '../recipe/index.ts';
import { partOf, recipeOf, type Design } from './design.ts';
import { say } from '../words/index.ts';

/** What is different in one part, or in the project as a whole where no part is named. */
export interface DesignChanges {
  readonly part?: { readonly id: string; readonly name: string };
  readonly changes: readonly Change[];
}

/** What was changed from one state of a project to another, in words, part by part. Parts are the same if their ids are. */
export function designDifferences(before: Design, after: Design): DesignChanges[] {
  const old = new Map(before.parts.map((part) => [part.id, part]));
  const whole: Change[] = [
    ...measureDifferences(before.measures, after.measures, say('shared measure')),
    ...after.parts.flatMap(({ id, name }) => {
      const was = old.get(id);
      if (!was) return { words: say('New part: {name}', { name }) };
      return was.name === name
        ? []
        : { words: say('The part {before} is called {after}', { before: was.name, after: name }) };
    }),
    ...before.parts
      .filter(({ id }) => !after.parts.some((part) => part.id === id))
      .map(({ name }) => ({ words: say('Gone: the part {name}', { name }) })),
  ];
  if (before.chosen !== after.chosen) {
    whole.push({ words: say('The part to hand in is {name}', { name: partOf(after, after.chosen).name }) });
  }
  const parts = after.parts.flatMap(({ id, name, recipe }): DesignChanges[] => {
    const was = old.get(id);
    if (!was) return [];
    const changes = differencesOf(
      { ...recipeOf(before, id), measures: was.recipe.measures },
      { ...recipeOf(after, id), measures: recipe.measures },
    );
    return changes.length > 0 ? [{ part: { id, name }, changes }] : [];
  });
  return whole.length > 0 ? [{ changes: whole }, ...parts] : parts;
}
