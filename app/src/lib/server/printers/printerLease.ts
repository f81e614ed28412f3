import { and, eq, lt, sql } from 'drizzle-orm';
import type { Database } from '../platform/db/database.ts';
import { printerLeases } from '../platform/db/schema/index.ts';
import { say } from '@kelbrin/core/words';

/** How long a lease holds after it was last renewed. Whoever is killed or hangs is succeeded within this and a round. */
const LEASE_MS = 3_000;
/** How often it is renewed. */
export const RENEW_MS = 1_000;
/** By so much sooner than the database its holder takes it for lost, for clocks that do not run alike. */
const MARGIN_MS = 500;

/** What a keeper gets that goes on after its lease has gone to another. */
export class LeaseLost extends Error {
  constructor() {
    super(say('Another process keeps this printer by now.'));
    this.name = 'LeaseLost';
  }
}

/**
 * The right to keep a printer, which one process has at a time. It lies in the database with a number that goes up each
 * time it changes hands: every write of a keeper checks that number, and every line to the printer the time that is left,
 * so that a keeper that slept through its lease can do nothing any more.
 */
export class PrinterLease {
  readonly #db: Database;
  readonly #printerId: string;
  readonly #fence: number;
  /** On the clock of `performance.now()`, which also runs while the process stands still. */
  #heldUntilMs: number;

  private constructor(db: Database, printerId: string, fence: number, heldUntilMs: number) {
    this.#db = db;
    this.#printerId = printerId;
    this.#fence = fence;
    this.#heldUntilMs = heldUntilMs;
  }

  /** Takes the lease of a printer; undefined while somebody else has it. */
  static async take(db: Database, printerId: string): Promise<PrinterLease | undefined> {
    const askedMs = performance.now();
    const [taken] = await db
      .insert(printerLeases)
      .values({ printerId, fence: 1, heldUntil: inDatabase(LEASE_MS) })
      .onConflictDoUpdate({
        target: printerLeases.printerId,
        set: { fence: sql`${printerLeases.fence} + 1`, heldUntil: inDatabase(LEASE_MS) },
        setWhere: lt(printerLeases.heldUntil, sql`now()`),
      })
      .returning({ fence: printerLeases.fence });
    return taken && new PrinterLease(db, printerId, taken.fence, askedMs + LEASE_MS - MARGIN_MS);
  }

  get isHeld(): boolean {
    return performance.now() < this.#heldUntilMs;
  }

  /** Throws {@link LeaseLost} unless the lease holds at this moment. */
  demand(): void {
    if (!this.isHeld) throw new LeaseLost();
  }

  /** Makes the lease hold on from now; throws {@link LeaseLost} if another has it. */
  async renew(): Promise<void> {
    const askedMs = performance.now();
    const renewed = await this.#db
      .update(printerLeases)
      .set({ heldUntil: inDatabase(LEASE_MS) })
      .where(this.#isOwn)
      .returning({ fence: printerLeases.fence });
    if (renewed.length === 0) {
      this.#heldUntilMs = 0;
      throw new LeaseLost();
    }
    this.#heldUntilMs = askedMs + LEASE_MS - MARGIN_MS;
  }

  /** Carries out writes, all or none, and none of them once another has the lease. */
  async write<T>(work: (tx: Database) => Promise<T>): Promise<T> {
    this.demand();
    return this.#db.transaction(async (tx) => {
      // Held until the writes are committed, so that nobody takes over in between.
      const own = await tx
        .select({ fence: printerLeases.fence })
        .from(printerLeases)
        .where(this.#isOwn)
        .for('share');
      if (own.length === 0) throw new LeaseLost();
      return work(tx);
    });
  }

  /** Gives the lease up, so that another need not wait for its end. */
  async release(): Promise<void> {
    this.#heldUntilMs = 0;
    await this.#db
      .update(printerLeases)
      .set({ heldUntil: inDatabase(-1) })
      .where(this.#isOwn);
  }

  get #isOwn() {
    return and(eq(printerLeases.printerId, this.#printerId), eq(printerLeases.fence, this.#fence));
  }
}

/** So many milliseconds from now, by the clock of the database. */
function inDatabase(ms: number) {
  return sql`now() + make_interval(secs => ${ms / 1000})`;
}
