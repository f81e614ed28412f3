import { randomBytes } from 'node:crypto';
import postgres, { type Sql } from 'postgres';
import { createDatabase, startCluster, type Cluster } from '../../ops/postgres.ts';
import { Stack } from '../../ops/stack.ts';
import { expect, signInByRequest, startForm, test } from './kelbrin.ts';

/*
 * Whatever is killed while a batch is sliced, sent or printed, its run ends known, and its part is printed once: the file
 * goes on by itself, or the run failed with a reason and the batch can be started again.
 */

const BIRCH = 1;
/** Slow enough that every phase lasts, and fast enough that the prints end soon. */
const SPEED = 300;
const phases = ['preparing', 'sending', 'printing'] as const;
const victims = ['web', 'jobs', 'printer', 'database'] as const;

let cluster: Cluster;
let stack: Stack;
let sql: Sql;

test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  // A server of its own that writes as carefully as a school's does, since it is killed.
  cluster = await startCluster('crashes');
  const databaseUrl = cluster.url(`kelbrin_crashes_${randomBytes(4).toString('hex')}`);
  await createDatabase(databaseUrl);
  // As Kelbrin is started: a process that a lost database takes along is started again.
  stack = await Stack.start({ databaseUrl, printerSpeed: SPEED, supervised: true });
  sql = postgres(databaseUrl, { max: 1, onnotice: () => {} });
});
test.afterAll(async () => {
  await sql.end();
  await stack.stop();
  cluster.stop();
});

const kills: Record<(typeof victims)[number], () => Promise<void>> = {
  web: async () => {
    await stack.kill('web');
    await stack.startWeb();
  },
  jobs: async () => {
    await stack.kill('jobs');
    stack.startJobs();
  },
  printer: async () => {
    await stack.kill('printer Birch');
    stack.startPrinter(BIRCH);
  },
  database: async () => {
    cluster.crash();
    cluster.start();
    // The connection of these tests was cut as well; the next question makes a new one.
    await expect.poll(() => sql`select 1`.catch(() => [])).toHaveLength(1);
  },
};

/** The run that was started last. */
async function lastRun() {
  const [run] = await sql<{ id: string; batch: string; state: string; problem: string | null }[]>`
    select id, batch_id as batch, state, problem from runs order by started_at desc limit 1`;
  return run;
}

for (const phase of phases) {
  for (const victim of victims) {
    test(`${victim} killed while a batch is ${phase}`, async ({ playwright }) => {
      const request = await playwright.request.newContext({ baseURL: stack.origin });
      await signInByRequest(request, stack.origin, 'helper');
      const post = async (path: string, form: FormData) =>
        (
          await request.post(path, { form, headers: { origin: stack.origin, accept: 'application/json' } })
        ).json() as Promise<{ type: string; data?: string }>;
      const [{ entry, printer }] = await sql<{ entry: string; printer: string }[]>`
        insert into queue_entries (print_file_id, copy)
        select print_file_id, max(copy) + 1 from queue_entries group by print_file_id order by print_file_id limit 1
        returning id as entry, (select id from printers where name = 'Birch') as printer`;
      await expect
        .poll(async () => (await post('/queue?/start', startForm({ entry, printer }))).type, {})
        .toBe('redirect');
      const { id, batch } = await lastRun();
      await expect.poll(async () => (await lastRun()).state, { intervals: [5] }).toBe(phase);
      await kills[victim]();

      const ended = async () => (await sql`select state, problem from runs where id = ${id}`)[0];
      await expect.poll(async () => (await ended()).state).toMatch(/finished|failed/);
      if ((await ended()).state === 'failed') {
        // Only a printer that was switched off forgets; and then the batch is laid as it was.
        expect([victim, phase]).toEqual(['printer', 'printing']);
        expect((await ended()).problem).toContain('lost the file');
        await post(`/batch/${batch}?/start`, startForm({ printer }));
        await expect.poll(async () => (await lastRun()).state).toBe('finished');
      }
      const [{ state, printed }] = await sql<{ state: string; printed: number }[]>`
        select state, (select count(*)::int from runs where batch_id = ${batch} and state = 'finished') as printed
        from queue_entries where id = ${entry}`;
      expect({ state, printed }).toEqual({ state: 'printed', printed: 1 });
      await request.dispose();
    });
  }
}
