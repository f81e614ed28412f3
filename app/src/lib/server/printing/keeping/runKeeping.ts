import type { Database } from '../../platform/db/database.ts';
import type { runs } from '../../platform/db/schema/index.ts';
import type { PrinterDriver } from '../../printers/drivers/driver.ts';
import type { Preparing } from './preparing.ts';

export type Run = typeof runs.$inferSelect;

/** What carrying on a run takes: its printer, and the right to write down how it goes. */
export interface RunKeeping {
  readonly db: Database;
  readonly driver: PrinterDriver;
  readonly preparing: Preparing;
  /** Writes as long as this process keeps the printer; throws {@link LeaseLost} when it does not any more. */
  write<T>(work: (tx: Database) => Promise<T>): Promise<T>;
  /** Aborted when the keeper has to stop; what takes long ends then. */
  readonly stopping: AbortSignal;
  /** Ends the connection to the printer, which broke off. */
  hangUp(): void;
}
