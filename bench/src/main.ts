import { execFileSync } from 'node:child_process';
import { resolve } from 'node:path';
import { nodeWorkshop } from '@kelbrin/core/node';
import { label } from '../../core/test/recipes.ts';
import { contests } from './contests.ts';
import { memoryOfBatch, memoryOfRebuilds } from './memory.ts';
import { measure, type Figure } from './measure.ts';
import { roomFor } from './batches.ts';

/*
 * Measures what is expensive and prints a table, or a line of JSON for each figure with --json. --short leaves out the
 * ten thousand rebuilds and the largest meshes, which take minutes.
 */

const json = process.argv.includes('--json');
execFileSync(process.execPath, ['--import', 'tsx', resolve(import.meta.dirname, '../../ops/bundle.ts')], {
  stdio: ['ignore', 'ignore', 'inherit'],
});

const figures: Figure[] = [];
const workshop = await nodeWorkshop();
const isShort = process.argv.includes('--short');
for (const contest of contests({ workshop, recipe: label() })) {
  if (isShort && contest.isLong) continue;
  const figure = measure(contest);
  figures.push(figure);
  if (json) console.log(JSON.stringify(figure));
}
if (!json) {
  console.table(
    Object.fromEntries(
      figures.map(({ name, median, p95, n, ratio, reference }) => [
        name,
        { 'median ms': median, 'p95 ms': p95, n, ratio, against: reference },
      ]),
    ),
  );
}
const room = roomFor(workshop);
if (json) console.log(JSON.stringify({ name: 'hooks, clips and badges on a plate', ...room }));
else console.log(`Hooks, clips and badges on a plate: ${room.outlines}; of their boxes ${room.boxes}.`);
const batch = memoryOfBatch();
if (json) console.log(JSON.stringify(batch));
else console.log(`${batch.name}: ${batch.most} MB at most, of them ${batch.idle} before`);
if (!isShort) {
  const memory = await memoryOfRebuilds(label());
  const { name, before, after, n } = memory;
  if (json) console.log(JSON.stringify(memory));
  else console.log(`${name}: ${before} MB after ${n / 20}, ${after} MB after ${n} more`);
}
