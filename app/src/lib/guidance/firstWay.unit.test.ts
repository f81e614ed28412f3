import { expect, it } from 'vitest';
import { setField, type Recipe } from '@kelbrin/core/recipe';
import { labelStarter } from '../server/demo/labels';
import type { BenchState } from '../bench/state/bench.svelte';
import { FirstWay } from './firstWay.svelte';

function storageOf(): Storage {
  const kept = new Map<string, string>();
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
  } as Storage;
}

/** A bench with the plate that every label begins with, of which a check fails or none. */
function benchOf(verdict: 'pass' | 'fail' = 'fail') {
  return {
    recipe: labelStarter(),
    isCurrent: true,
    solid: { inspection: { verdict, checks: [{ id: 'holes', verdict }] } },
  } as unknown as BenchState & { recipe: Recipe };
}

function widen(bench: { recipe: Recipe }): void {
  const edited = setField(bench.recipe, 's1', ['outline', 'widthMm'], 71);
  if (edited.ok) bench.recipe = edited.recipe;
}

it('goes from one step to the next as they are done, and is over when the part is handed in', () => {
  const bench = benchOf();
  const way = new FirstWay(bench, 'p1', true, storageOf());
  expect(way.next).toEqual({ step: 'number', at: 1 });
  widen(bench);
  way.look(false);
  expect(way.next?.step).toBe('name');
  way.look(true);
  expect(way.next).toBeUndefined();
});

it('goes on where it was after a reload, for this project alone', () => {
  const storage = storageOf();
  const bench = benchOf();
  const way = new FirstWay(bench, 'p1', true, storage);
  widen(bench);
  way.look(false);
  expect(new FirstWay(bench, 'p1', false, storage).next?.step).toBe('name');
  expect(new FirstWay(bench, 'p2', false, storage).next).toBeUndefined();
  // Another student at the same computer begins at the beginning.
  expect(new FirstWay(benchOf(), 'p3', true, storage).next?.step).toBe('number');
});

it('is not shown any more to whoever says that they know the way', () => {
  const storage = storageOf();
  new FirstWay(benchOf(), 'p1', true, storage).end();
  expect(new FirstWay(benchOf(), 'p1', true, storage).next).toBeUndefined();
});

it('passes over mending while nothing fails, whatever was kept before', () => {
  const storage = storageOf();
  storage.setItem('kelbrin-first-steps', '{"projectId":"p1","done":["number","name","nonsense"]}');
  expect(new FirstWay(benchOf('fail'), 'p1', false, storage).next?.step).toBe('mend');
  expect(new FirstWay(benchOf('pass'), 'p1', false, storage).next?.step).toBe('handIn');
  storage.setItem('kelbrin-first-steps', '{nonsense');
  expect(new FirstWay(benchOf(), 'p1', true, storage).next?.step).toBe('number');
});
