import { expect, it } from 'vitest';
import { label } from '../../../../../core/test/recipes';
import { spoken } from '../../texts/spoken';
import { ReadAloud } from './readAloud.svelte';
import type { Voice } from './voice';

/** A voice that keeps what it said and ends each sentence when it is told to. */
class Heard implements Voice {
  said: string[] = [];
  #end: ((isSaid: boolean) => void) | undefined;
  say(words: string): Promise<boolean> {
    this.said.push(words);
    return new Promise((resolve) => (this.#end = resolve));
  }
  async end(isSaid = true): Promise<void> {
    this.#end?.(isSaid);
    await Promise.resolve();
    await Promise.resolve();
  }
  stop(): void {
    this.#end?.(true);
  }
}

it('reads sentence by sentence, marking each, and leaves out what is switched off', async () => {
  const recipe = label();
  const steps = recipe.steps.map((step, i) => (i === 1 ? { ...step, off: true as const } : step));
  const bench = { recipe: { ...recipe, steps }, marked: undefined as string | undefined };
  const voice = new Heard();
  const reading = new ReadAloud(bench, voice);
  const done = reading.start();
  expect([reading.isReading, bench.marked]).toEqual([true, steps[0].id]);
  await voice.end();
  expect(bench.marked).toBe(steps[2].id);
  await voice.end();
  await done;
  expect(reading.isReading).toBe(false);
  expect(voice.said).toHaveLength(2);
  expect(voice.said[0]).toMatch(/millimetres/);
});

it('begins at the marked step, stops when asked, and begins again after that', async () => {
  const recipe = label();
  const bench = { recipe, marked: recipe.steps[1].id as string | undefined };
  const voice = new Heard();
  const reading = new ReadAloud(bench, voice);
  const first = reading.start();
  reading.stop();
  await first;
  expect([reading.isReading, voice.said.length]).toEqual([false, 1]);
  const again = reading.start();
  expect(voice.said).toHaveLength(2);
  reading.stop();
  await again;
});

it('says so where there is no voice', async () => {
  const recipe = label();
  const voice = new Heard();
  const reading = new ReadAloud({ recipe, marked: undefined }, voice);
  const done = reading.start();
  await voice.end(false);
  await done;
  expect([reading.isMute, reading.isReading]).toEqual([true, false]);
});

it('says signs and units in words', () => {
  expect(spoken('Cut a hole of Ø 4.5 mm, −2 mm from the left, turned 30°, at 80%, 3 × 4.')).toBe(
    'Cut a hole of diameter 4.5 millimetres, minus 2 millimetres from the left, turned 30 degrees, at 80 per cent, 3 by 4.',
  );
});
