import PgBoss from 'pg-boss';
import { serverConfig } from '../config.ts';

/** The queue of hand-ins that the server has to inspect; a job names the hand-in. */
export const INSPECT = 'inspect-hand-in';

/** What a job of {@link INSPECT} carries. */
export interface InspectJob {
  readonly handInId: string;
}

let sender: Promise<PgBoss> | undefined;

/** Starts a job queue client. `work` says whether this process also maintains the queues. */
export async function startBoss(work: boolean): Promise<PgBoss> {
  const boss = new PgBoss({
    connectionString: serverConfig().DATABASE_URL,
    supervise: work,
    schedule: false,
    max: work ? 4 : 2,
  });
  boss.on('error', (error) => console.error('The job queue reports:', error.message));
  await boss.start();
  await boss.createQueue(INSPECT, { name: INSPECT, policy: 'short', retryLimit: 3, retryDelay: 2 });
  return boss;
}

/** Asks for a hand-in to be inspected. Asking twice does no harm. */
export async function askForInspection(handInId: string): Promise<void> {
  const boss = await (sender ??= startBoss(false));
  await boss.send(INSPECT, { handInId } satisfies InspectJob, { singletonKey: handInId });
}
