import { expect, it } from 'vitest';
import { moveHandIns, newHandIn } from './handIns/lifecycle.ts';
import { NotAllowed, type Person } from './platform/auth/access.ts';
import { moveStaff, newStaff } from './platform/auth/lifecycle.ts';
import type { Database } from './platform/db/database.ts';
import { moveBatch, newBatch, takeBatchApart } from './printing/batches/lifecycle.ts';
import { moveChange, newChange, overChange } from './printing/filament/lifecycle.ts';
import { joinQueue, leaveQueue, moveEntries } from './printing/queue/lifecycle.ts';
import { moveRuns, newRun } from './printing/runs/lifecycle.ts';
import { endProject, newProject } from './projects/lifecycle.ts';
import { endShares, newShare } from './projects/sharing/lifecycle.ts';

/** A database that nobody may come to. */
const untouched = new Proxy({} as Database, {
  get() {
    throw new Error('The database was touched.');
  },
});
const student: Person = { id: 's', name: 'Asha', role: 'student' } as Person;
const helper: Person = { id: 'h', name: 'Noor', role: 'helper' } as Person;
const nothing = {} as never;

it.each<[string, () => Promise<unknown>]>([
  ['the keeper of a printer begins a project', () => newProject(untouched, 'keeper', nothing)],
  ['a student ends a project', () => endProject(untouched, student, 'p')],
  ['the keeper of a printer hands in', () => newHandIn(untouched, 'keeper', nothing)],
  ['a student inspects', () => moveHandIns(untouched, 'inspected', student, undefined)],
  ['a helper approves', () => moveHandIns(untouched, 'approve', helper, undefined)],
  ['a student makes a colleague', () => newStaff(untouched, student, nothing)],
  ['a helper shuts the door on a colleague', () => moveStaff(untouched, 'open', helper, 'u')],
  ['a student shares for the keeper', () => newShare(untouched, 'keeper', nothing)],
  ['a student takes back for the teacher', () => endShares(untouched, 'revoke', student, undefined)],
  ['a student puts a part into the queue', () => joinQueue(untouched, student, 'f', 1)],
  ['a helper takes a part out of the queue', () => moveEntries(untouched, 'drop', helper, undefined)],
  ['a student empties the queue', () => leaveQueue(untouched, student, ['e'])],
  ['a student lays a batch', () => newBatch(untouched, student, nothing)],
  ['a student starts a batch', () => moveBatch(untouched, 'start', student, 'b')],
  ['a student takes a batch apart', () => takeBatchApart(untouched, student, 'b')],
  ['a student starts a print', () => newRun(untouched, student, nothing)],
  ['a student sends a file to a printer', () => moveRuns(untouched, 'send', student, undefined)],
  ['a student changes the filament', () => newChange(untouched, student, nothing)],
  ['a student says that the nozzle is hot', () => moveChange(untouched, 'heated', student, 'p')],
  ['a student says that it is cool', () => overChange(untouched, student, 'p')],
])('is not let through: %s', async (_, move) => {
  await expect(move()).rejects.toThrow(NotAllowed);
});
