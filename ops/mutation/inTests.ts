import { writeFileSync } from 'node:fs';
import fc from 'fast-check';
import { afterAll, afterEach, beforeEach, expect } from 'vitest';
import { notesOf } from './notes.ts';

/* Set up in the process that runs tests: tells the sources which of their mutants is on, or notes which tests meet which. */

const { KELBRIN_FAULT, KELBRIN_FAULTS_MET: notes } = process.env;
const on = KELBRIN_FAULT ? Number(KELBRIN_FAULT) : undefined;
/** What tests met, by their ids; under no id what was met outside of them, which all tests of the file depend on. */
const met = new Map<string, Set<number>>([['', new Set()]]);
let meeting = met.get('')!;

(globalThis as { faultIsOn?: (id: number) => boolean }).faultIsOn = notes
  ? (id) => {
      meeting.add(id);
      return false;
    }
  : (id) => id === on;

// Whether a property fails is asked here, and not in which smallest case.
fc.configureGlobal({ ...fc.readConfigureGlobal(), endOnFailure: true });

if (notes) {
  beforeEach(({ task }) => {
    met.set(task.id, (meeting = met.get(task.id) ?? new Set()));
  });
  afterEach(() => {
    meeting = met.get('')!;
  });
  afterAll(() => {
    const file = expect.getState().testPath!;
    const written = [...met].map(([test, ids]) => [test, [...ids]]);
    writeFileSync(notesOf(file, notes), JSON.stringify(written));
  });
}
