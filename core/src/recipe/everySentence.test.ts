import { describe, expect, it } from 'vitest';
import { everyStep, type StandingStep } from '../../test/everyStep.ts';
import {
  additionsOf,
  plainSentence,
  sentenceOf,
  setField,
  sizesOf,
  type FieldPath,
  type Recipe,
  type Step,
  type Token,
} from './index.ts';

const all = everyStep();
const tokensOf = ({ recipe, index }: Pick<StandingStep, 'recipe' | 'index'>, edited: Recipe = recipe) =>
  sentenceOf(edited.steps[index], { recipe: edited, index });
const valueAt = (step: Step, path: FieldPath): unknown =>
  path.reduce<unknown>((value, key) => (value as Record<string | number, unknown> | undefined)?.[key], step);
const namesOf = ({ step }: StandingStep, path: FieldPath) => `${JSON.stringify(step)} at ${path.join(' › ')}`;
/** Throws unless something holds; what it is about is only put together then. */
function demand(holds: boolean, standing: StandingStep, path: FieldPath, more = ''): asserts holds {
  if (!holds) throw new Error(`${namesOf(standing, path)} ${more}`);
}
const has = (tokens: readonly Token[], type: Token['type'], path: FieldPath) =>
  tokens.some((token) => token.type === type && 'path' in token && token.path.join() === path.join());

/* The sentences that can be said of any step, as they are new and with every clause and choice. */

describe('whatever a sentence says', () => {
  it('there is a good deal of it', () => {
    expect(all.length).toBeGreaterThan(300);
    for (const standing of all) {
      const words = plainSentence(tokensOf(standing));
      expect(words).toMatch(/^[A-Z“].*\.$/);
      expect(words).not.toMatch(/ {2}|undefined|NaN|\[object| [,.]|,,|\{|\}/);
    }
  });

  it('its numbers are those of the step, and can be all that the sentence lets them be', () => {
    const held = new Set<string>();
    for (const standing of all) {
      for (const token of tokensOf(standing)) {
        if (token.type !== 'number') continue;
        demand(valueAt(standing.step, token.path) === token.value, standing, token.path);
        expect(token.label).not.toBe('');
        if (typeof token.value === 'number')
          demand(token.min <= token.value && token.value <= token.max, standing, token.path);
        // The same number in the same words is held once.
        const key = [standing.step.kind, ...token.path, token.label, token.min, token.max].join();
        if (held.has(key)) continue;
        held.add(key);
        for (const value of [token.min, token.max])
          demand(
            setField(standing.recipe, standing.step.id, token.path, value).ok,
            standing,
            token.path,
            String(value),
          );
        const far = setField(standing.recipe, standing.step.id, token.path, 1e6);
        demand(
          !far.ok && far.problem.stepId === standing.step.id && far.problem.path === token.path,
          standing,
          token.path,
        );
      }
    }
  });

  it('no two of its fields are the same, and each is there', () => {
    for (const standing of all) {
      const fields = tokensOf(standing).flatMap((token) =>
        'path' in token ? [`${token.type === 'drop' ? 'drop ' : ''}${token.path.join()} ${token.label}`] : [],
      );
      demand(new Set(fields).size === fields.length, standing, fields);
      for (const token of tokensOf(standing)) {
        if (token.type === 'steps')
          demand(Array.isArray(valueAt(standing.step, token.path)), standing, token.path);
        if (token.type === 'words' || token.type === 'face' || token.type === 'steps')
          demand(valueAt(standing.step, token.path) !== undefined, standing, token.path);
        if (token.type === 'words') expect(valueAt(standing.step, token.path)).toBe(token.value);
        if (token.type === 'drawing')
          demand(valueAt(standing.step, [...token.path, 'shape']) === token.kind, standing, token.path);
      }
    }
  });

  it('a clause that is left out is gone, and can be added again', () => {
    for (const standing of all) {
      for (const token of tokensOf(standing)) {
        if (token.type !== 'drop') continue;
        const edited = setField(standing.recipe, standing.step.id, token.path, undefined);
        demand(edited.ok, standing, token.path);
        const without = tokensOf(standing, edited.recipe);
        const isOfList = typeof token.path.at(-1) === 'number';
        demand(isOfList || !has(without, 'drop', token.path), standing, token.path);
        expect(plainSentence(without).length).toBeLessThan(plainSentence(tokensOf(standing)).length);
      }
    }
  });

  it('a clause that is offered is not there yet; once it is added, it can be left out and is offered no more', () => {
    for (const standing of all) {
      const before = tokensOf(standing);
      for (const { path, value, label } of additionsOf(standing.step)) {
        expect(label).not.toBe('');
        demand(!has(before, 'drop', path), standing, path);
        const edited = setField(standing.recipe, standing.step.id, path, value);
        demand(edited.ok, standing, path);
        const after = edited.recipe.steps[standing.index];
        const isOffered = additionsOf(after).some((other) => other.label === label && JSON.stringify(other.value) === JSON.stringify(value) && other.path.join() === path.join()); // oxfmt-ignore
        demand(!isOffered, standing, path);
        expect(plainSentence(tokensOf(standing, edited.recipe))).not.toBe(plainSentence(before));
      }
    }
  });

  it('what a menu offers can be done, and the sentence says something else then', () => {
    let offered = 0;
    for (const standing of all) {
      const before = tokensOf(standing);
      for (const token of before) {
        if (token.type !== 'menu') continue;
        for (const { path, value, label } of token.offers) {
          offered++;
          expect(label).toContain(token.word);
          const edited = setField(standing.recipe, standing.step.id, path, value);
          demand(edited.ok, standing, path, label);
          const after = plainSentence(tokensOf(standing, edited.recipe));
          demand(after !== plainSentence(before), standing, path, label);
        }
      }
    }
    expect(offered).toBeGreaterThan(100);
  });

  it('a handle drags a size that the step has', () => {
    let sized = 0;
    for (const standing of all) {
      for (const { path } of sizesOf(standing.step)) {
        sized++;
        demand(typeof valueAt(standing.step, path) === 'number', standing, path);
        demand(has(tokensOf(standing), 'number', path), standing, path);
      }
    }
    expect(sized).toBeGreaterThan(20);
  });
});
