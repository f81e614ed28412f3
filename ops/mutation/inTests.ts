import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterAll, expect } from 'vitest';

/* Set up in the process that runs tests: tells the sources which of their mutants is on, and notes which are met. */

const { KELBRIN_FAULT, KELBRIN_FAULTS_MET: notes } = process.env;
const on = KELBRIN_FAULT ? Number(KELBRIN_FAULT) : undefined;
const met = new Set<number>();

(globalThis as { faultIsOn?: (id: number) => boolean }).faultIsOn = notes
  ? (id) => {
      met.add(id);
      return false;
    }
  : (id) => id === on;

// Whether a property fails is asked here, and not in which smallest case.
fc.configureGlobal({ ...fc.readConfigureGlobal(), endOnFailure: true });

if (notes) {
  afterAll(() => {
    const file = expect.getState().testPath!;
    writeFileSync(join(notes, `${Buffer.from(file).toString('hex')}.json`), JSON.stringify([...met]));
  });
}
