import { asc, isNull } from 'drizzle-orm';
import { compute } from './platform/compute/compute.ts';
import { connection } from './platform/db/database.ts';
import { printers } from './platform/db/schema/index.ts';
import { recheckApproval } from './handIns/recheck.ts';
import { LiveHub } from './platform/live/hub.ts';
import { PrinterKeeper } from './printing/keeping/keeper.ts';
import { speakAsSet } from './platform/basics/language.ts';
import { log } from './platform/basics/log.ts';
import { askForInspection, INSPECT, RECHECK, startBoss, type InspectJob } from './handIns/boss.ts';
import { tellOfLateBriefs } from './printing/plan/lateBriefs.ts';
import { forgottenHandIns, inspectHandIn } from './handIns/inspectHandIn.ts';

/*
 * The job process: it inspects hand-ins and keeps the printers. It stands beside the web app, so that neither has to
 * wait for the other and either can be restarted alone.
 */

speakAsSet();
/** How often it is looked whether all will be printed in time, ms. */
const LOOK_AHEAD_MS = 3600_000;
const { sql, db } = connection();
const keepers = new Map<string, PrinterKeeper>();

const boss = await startBoss(true);
/** Takes jobs of a queue one by one, several side by side, so that one that takes its time holds up no other. */
async function work(queue: string, sideBySide: number, carryOut: (handInId: string) => Promise<void>) {
  for (let i = 0; i < sideBySide; i++) {
    await boss.work<InspectJob>(queue, { batchSize: 1, pollingIntervalSeconds: 0.5 }, ([job]) =>
      carryOut(job.data.handInId),
    );
  }
}

await work(INSPECT, 4, (id) => inspectHandIn(db, id));
await work(RECHECK, 1, (id) => recheckApproval(db, id));

async function lookAround(): Promise<void> {
  for (const handInId of await forgottenHandIns(db)) await askForInspection(handInId);
  const used = await db.select().from(printers).where(isNull(printers.retiredAt)).orderBy(asc(printers.name));
  for (const { id, connection } of used) {
    if (keepers.has(id)) continue;
    keepers.set(id, new PrinterKeeper(db, id));
    log.info({ printer: id, connection }, 'Keeping a printer');
  }
}

await lookAround();
const look = () => void lookAround().catch((error: unknown) => log.error({ err: error }, 'Looking for work'));
const round = setInterval(look, 5_000);
const lookAhead = () =>
  void tellOfLateBriefs(db, new Date()).catch((err: unknown) => log.error({ err }, 'Looking ahead'));
const ahead = setInterval(lookAhead, LOOK_AHEAD_MS);

// A run that was just asked for starts at once.
const unfollow = await new LiveHub(sql).follow(['orders'], () => {
  for (const keeper of keepers.values()) keeper.nudge();
  look();
});
log.info('The job process is ready');

async function stop(): Promise<void> {
  clearInterval(round);
  clearInterval(ahead);
  unfollow();
  // All at once: one after the other, what is inspected and what is printed would have to be waited for in turn.
  await Promise.all([
    ...[...keepers.values()].map((keeper) => keeper.stop()),
    boss.stop({ graceful: true, timeout: 5_000 }),
  ]);
  await compute().close();
  await sql.end({ timeout: 2 });
  process.exit(0);
}
process.once('SIGINT', () => void stop());
process.once('SIGTERM', () => void stop());
