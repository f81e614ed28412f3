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
    for (const standing of all) {
      for (const token of tokensOf(standing)) {
        if (token.type !== 'number') continue;
        expect(valueAt(standing.step, token.path), namesOf(standing, token.path)).toBe(token.value);
        expect(token.label).not.toBe('');
        for (const value of [token.min, token.max])
          expect(setField(standing.recipe, standing.step.id, token.path, value), `${namesOf(standing, token.path)}: ${value}`).toMatchObject({ ok: true }); // prettier-ignore
        const far = setField(standing.recipe, standing.step.id, token.path, 1e6);
        expect(far.ok, namesOf(standing, token.path)).toBe(false);
        if (!far.ok) expect(far.problem).toMatchObject({ stepId: standing.step.id, path: token.path });
      }
    }
  });

  it('no two of its fields are the same, and each is there', () => {
    for (const standing of all) {
      const fields = tokensOf(standing).flatMap((token) =>
        'path' in token ? [`${token.type === 'drop' ? 'drop ' : ''}${token.path.join()} ${token.label}`] : [],
      );
      expect(new Set(fields).size, namesOf(standing, fields)).toBe(fields.length);
      for (const token of tokensOf(standing)) {
        if (token.type === 'words' || token.type === 'face' || token.type === 'steps')
          expect(valueAt(standing.step, token.path), namesOf(standing, token.path)).toBeDefined();
        if (token.type === 'words') expect(valueAt(standing.step, token.path)).toBe(token.value);
        if (token.type === 'drawing')
          expect(valueAt(standing.step, [...token.path, 'shape']), namesOf(standing, token.path)).toBe(
            token.kind,
          );
      }
    }
  });

  it('a clause that is left out is gone, and can be added again', () => {
    for (const standing of all) {
      for (const token of tokensOf(standing)) {
        if (token.type !== 'drop') continue;
        const edited = setField(standing.recipe, standing.step.id, token.path, undefined);
        expect(edited.ok, namesOf(standing, token.path)).toBe(true);
        if (!edited.ok) continue;
        const without = tokensOf(standing, edited.recipe);
        const isOfList = typeof token.path.at(-1) === 'number';
        if (!isOfList) expect(has(without, 'drop', token.path), namesOf(standing, token.path)).toBe(false);
        expect(plainSentence(without).length).toBeLessThan(plainSentence(tokensOf(standing)).length);
      }
    }
  });

  it('a clause that is offered is not there yet; once it is added, it can be left out and is offered no more', () => {
    for (const standing of all) {
      const before = tokensOf(standing);
      for (const { path, value, label } of additionsOf(standing.step)) {
        expect(label).not.toBe('');
        expect(has(before, 'drop', path), namesOf(standing, path)).toBe(false);
        const edited = setField(standing.recipe, standing.step.id, path, value);
        expect(edited.ok, namesOf(standing, path)).toBe(true);
        if (!edited.ok) continue;
        const after = edited.recipe.steps[standing.index];
        const isOffered = additionsOf(after).some((other) => other.label === label && JSON.stringify(other.value) === JSON.stringify(value) && other.path.join() === path.join()); // prettier-ignore
        expect(isOffered, namesOf(standing, path)).toBe(false);
        expect(plainSentence(tokensOf(standing, edited.recipe))).not.toBe(plainSentence(before));
      }
    }
  });

  it('a handle drags a size that the step has', () => {
    let sized = 0;
    for (const standing of all) {
      for (const { path } of sizesOf(standing.step)) {
        sized++;
        expect(typeof valueAt(standing.step, path), namesOf(standing, path)).toBe('number');
        expect(has(tokensOf(standing), 'number', path), namesOf(standing, path)).toBe(true);
      }
    }
    expect(sized).toBeGreaterThan(20);
  });
});
