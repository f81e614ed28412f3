import { createHash } from 'node:crypto';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { stateFolder } from '../../ops/state.ts';
import { wordsOf } from '../../ops/words.ts';
import { readers, type Reader } from './readers.ts';
import { isOnlySlow, MOST_MB, MOST_SECONDS, tried, type Trial } from './trial.ts';

/*
 * Feeds each reader with inputs that are made to break it, for some minutes, and tells what it found. An input that is a
 * finding is written into a folder, to be tried again.
 */

const { values } = wordsOf({
  options: {
    minutes: { type: 'string', default: '5' },
    reader: { type: 'string' },
    seed: { type: 'string', default: String(Date.now() % 2 ** 31) },
  },
});
/** So many inputs are made before they are read: some are as large as a file may be. */
const BATCH = 10;

const all = await readers();
const chosen = all.filter(({ name }) => values.reader === undefined || name === values.reader);
if (chosen.length === 0) {
  console.error(
    `There is no reader “${values.reader}”; there are ${all.map(({ name }) => name).join(', ')}.`,
  );
  process.exit(2);
}
const seconds = (Number(values.minutes) * 60) / chosen.length;
const folder = join(stateFolder, 'fuzz');
mkdirSync(folder, { recursive: true });
console.log(
  `Seed ${values.seed}; ${Math.round(seconds)} s for each of ${chosen.length} readers, at most ${MOST_SECONDS} s and ${MOST_MB} MB an input.`,
);
let found = 0;
for (const [i, reader] of chosen.entries()) {
  const end = performance.now() + seconds * 1000;
  let [inputs, slowest, largest] = [0, 0, 0];
  // In batches, each from a seed of its own, until the time is over.
  for (let batch = 0; performance.now() < end; batch++) {
    const seed = Number(values.seed) + 7919 * i + batch;
    for (const input of fc.sample(reader.input, { numRuns: BATCH, seed })) {
      const trial = confirmed(reader, input);
      inputs++;
      slowest = Math.max(slowest, trial.seconds);
      largest = Math.max(largest, input.length);
      if (trial.fault !== undefined) {
        found++;
        const name = `${reader.name}-${createHash('sha256').update(input).digest('hex').slice(0, 12)}`;
        writeFileSync(join(folder, name), input);
        console.log(`  ${reader.name}: ${trial.fault}\n    ${join(folder, name)}`);
      }
      if (performance.now() > end) break;
    }
    globalThis.gc?.();
  }
  console.log(
    `${reader.name.padEnd(8)} ${String(inputs).padStart(8)} inputs, the largest ${(largest / 1e6).toFixed(1)} MB, the slowest ${slowest.toFixed(2)} s`,
  );
}
/**
 * Tries an input; what took too long is tried again with a clean memory, since the machine may be busy. What held too much
 * is not: the peak of a process cannot rise to the same height twice.
 */
function confirmed(reader: Reader, input: string | Uint8Array): Trial {
  let trial = tried(reader, input);
  for (let again = 0; again < 3 && isOnlySlow(trial); again++) {
    globalThis.gc?.();
    const next = tried(reader, input);
    if (next.seconds < trial.seconds || next.fault === undefined) trial = next;
  }
  return trial;
}

console.log(found === 0 ? 'Nothing was found.' : `${found} findings; see ${folder}.`);
process.exitCode = found === 0 ? 0 : 1;
