import PgBoss from 'pg-boss';
import { serverConfig } from '../platform/basics/config.ts';
import { connection } from '../platform/db/database.ts';
import type { ToRecheck } from './recheck.ts';
import { log } from '../platform/basics/log.ts';

/** The queue of hand-ins that the server has to inspect; a job names the hand-in. */
export const INSPECT = 'inspect-hand-in';

/** The queue of approved hand-ins whose limits changed; a job names the hand-in. */
export const RECHECK = 'recheck-approval';

/** What a job of {@link INSPECT} or {@link RECHECK} carries. */
export interface InspectJob {
  readonly handInId: string;
}

/** Any number will do; it is asked for nowhere else. */
const LOCK = 7243;

let sender: Promise<PgBoss> | undefined;

/** Starts a job queue client. `work` says whether this process also maintains the queues. */
export async function startBoss(work: boolean): Promise<PgBoss> {
  const boss = new PgBoss({
    connectionString: serverConfig().DATABASE_URL,
    supervise: work,
    schedule: false,
    max: work ? 4 : 2,
  });
  boss.on('error', (error) => log.error({ err: error }, 'The job queue reports'));
  await boss.start();
  // Processes that start together would wait for each other's tables without end.
  await connection().sql.begin(async (tx) => {
    await tx`select pg_advisory_xact_lock(${LOCK})`;
    for (const name of [INSPECT, RECHECK]) {
      await boss.createQueue(name, { name, policy: 'short', retryLimit: 3, retryDelay: 2 });
    }
  });
  return boss;
}

/** Asks for a hand-in to be inspected. Asking twice does no harm. */
export async function askForInspection(handInId: string): Promise<void> {
  await send(INSPECT, handInId);
}

/** Asks for approved hand-ins to be held against the limits as they are now, and for others to be inspected. */
export async function askForRecheck({ waiting, approved }: ToRecheck): Promise<void> {
  for (const id of waiting) await send(INSPECT, id);
  for (const id of approved) await send(RECHECK, id);
}

async function send(queue: string, handInId: string): Promise<void> {
  sender ??= startBoss(false).catch((error: unknown) => {
    // Whoever asks next tries again.
    sender = undefined;
    throw error;
  });
  const boss = await sender;
  await boss.send(queue, { handInId } satisfies InspectJob, { singletonKey: handInId });
}
