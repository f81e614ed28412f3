import { execFileSync } from 'node:child_process';
import { resolve } from 'node:path';
import type { Recipe } from '@kelbrin/core/recipe';
import { evaluate, SolidCache } from '@kelbrin/core/solid';
import { kernelWithMemory } from '../../core/test/kernelMemory.ts';
import { editsOf } from './edits.ts';

/** How much memory the kernel held after the first rebuilds, and after all of them. */
export interface MemoryFigure {
  readonly name: string;
  readonly unit: 'MB';
  readonly before: number;
  readonly after: number;
  readonly n: number;
}

/**
 * Rebuilds a recipe many thousand times, a number of it changed each time, as somebody who designs all day would. The
 * kernel's memory only ever grows, so that what it held in the end is the most it ever held.
 */
export async function memoryOfRebuilds(recipe: Recipe, n = 10_000): Promise<MemoryFigure> {
  const { heldBytes, ...workshop } = await kernelWithMemory();
  const edits = editsOf(recipe);
  const cache = new SolidCache();
  const held = () => heldBytes() / 2 ** 20;
  const rebuild = (times: number) => {
    for (let i = 0; i < times; i++) evaluate(edits[i % edits.length], workshop, { cache });
  };
  rebuild(n / 20);
  const before = held();
  rebuild(n);
  cache.close();
  return { name: 'kernel memory over rebuilds of the label', unit: 'MB', before, after: held(), n };
}

/**
 * The most memory that a process of its own held while it sliced a batch of twelve labels and wrote its G-code, and what
 * it held before that; all of it: code, kernel and heap.
 */
export function memoryOfBatch(): { name: string; unit: 'MB'; idle: number; most: number } {
  const file = resolve(import.meta.dirname, 'batchMemory.ts');
  const output = execFileSync(process.execPath, ['--import', 'tsx', file], { encoding: 'utf8' });
  return { name: 'memory of a batch of twelve labels', unit: 'MB', ...JSON.parse(output) };
}
