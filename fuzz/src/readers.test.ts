import fc from 'fast-check';
import { expect, it } from 'vitest';
import { readers } from './readers.ts';
import { isMeasured, tried } from './trial.ts';

/** Enough to meet what is easily met; “./run fuzz” goes on for as long as one likes. */
const INPUTS = 120;

it.each((await readers()).map((reader) => [reader.name, reader] as const))(
  'reads or refuses in a sentence whatever comes as %s',
  (_, reader) => {
    fc.assert(
      fc.property(reader.input, (input) => {
        const trial = tried(reader, input);
        // Time and memory are measured by “./run fuzz”, where nothing else runs.
        expect(isMeasured(trial) ? undefined : trial.fault).toBeUndefined();
      }),
      { numRuns: INPUTS, endOnFailure: true },
    );
  },
);
