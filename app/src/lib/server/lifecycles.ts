import { handInLife } from './handIns/lifecycle.ts';
import { staffLife } from './platform/auth/lifecycle.ts';
import type { Lifecycle } from './platform/lifecycle.ts';
import { changeLife } from './printing/filament/lifecycle.ts';
import { batchLife } from './printing/batches/lifecycle.ts';
import { entryLife } from './printing/queue/lifecycle.ts';
import { runLife } from './printing/runs/lifecycle.ts';
import { projectLife } from './projects/lifecycle.ts';
import { shareLife } from './projects/sharing/lifecycle.ts';

/** A lifecycle with where it is kept. */
export interface KeptLifecycle {
  readonly life: Lifecycle;
  /** The one file that writes its state. */
  readonly file: string;
  /** The name of its table in the schema. */
  readonly table: string;
  /** The column of its state; none where what is there is in its only state. */
  readonly column?: string;
  /** Whether the table holds nothing else, so that rows come and go by moves alone. */
  readonly isWholeTable: boolean;
}

/** Every lifecycle, for the pages that draw them and the tests that hold them. */
export const lifecycles: readonly KeptLifecycle[] = [
  { life: projectLife, file: 'projects/lifecycle.ts', table: 'projects', isWholeTable: true },
  { life: handInLife, file: 'handIns/lifecycle.ts', table: 'handIns', column: 'state', isWholeTable: true },
  {
    life: entryLife,
    file: 'printing/queue/lifecycle.ts',
    table: 'queueEntries',
    column: 'state',
    isWholeTable: true,
  },
  {
    life: batchLife,
    file: 'printing/batches/lifecycle.ts',
    table: 'batches',
    column: 'state',
    isWholeTable: true,
  },
  { life: runLife, file: 'printing/runs/lifecycle.ts', table: 'runs', column: 'state', isWholeTable: true },
  {
    life: changeLife,
    file: 'printing/filament/lifecycle.ts',
    table: 'filamentChanges',
    column: 'step',
    isWholeTable: true,
  },
  { life: shareLife, file: 'projects/sharing/lifecycle.ts', table: 'shares', isWholeTable: true },
  {
    life: staffLife,
    file: 'platform/auth/lifecycle.ts',
    table: 'users',
    column: 'disabledAt',
    isWholeTable: false,
  },
];
