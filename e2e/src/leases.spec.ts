import { connect, createServer, type Server } from 'node:net';
import postgres, { type Sql } from 'postgres';
import { randomBytes } from 'node:crypto';
import { createDatabase, onDatabase } from '../../ops/postgres.ts';
import { Stack, type ProcessName } from '../../ops/stack.ts';
import { expect, signInByRequest, startForm, test } from './kelbrin.ts';

/*
 * Two job processes on one database, with a recorder between them and the printer: each batch is sent whole once and
 * started once, whatever becomes of the process that keeps the printer.
 */

const BIRCH = 1;
/** Who keeps the printer is succeeded within this. */
const SUCCESSION_MS = 5_000;

let stack: Stack;
let sql: Sql;
let recorder: Recorder;

/** What was said to the printer: files that were sent whole, and files that were started. */
class Recorder {
  sent: string[] = [];
  started: string[] = [];
  readonly server: Server;

  constructor(printerPort: number) {
    this.server = createServer((keeper) => {
      const printer = connect({ host: '127.0.0.1', port: printerPort });
      for (const [from, to] of [
        [keeper, printer],
        [printer, keeper],
      ] as const)
        from
          // Held back for the answer to the packet before, each handful of lines would take 40 ms.
          .setNoDelay(true)
          .on('error', () => to.destroy())
          .on('close', () => to.destroy());
      keeper.pipe(printer).pipe(keeper);
      let rest = '';
      let writing = '';
      let selected = '';
      keeper.on('data', (chunk: Buffer) => {
        const lines = (rest + chunk.toString()).split('\n');
        rest = lines.pop()!;
        for (const line of lines) {
          const [, code, name = ''] = /^N\d+ (M2[3489])(?: ([^*]*))?\*/.exec(line) ?? [];
          if (code === 'M28') writing = name;
          else if (code === 'M29') this.sent.push(writing);
          else if (code === 'M23') selected = name;
          else if (code === 'M24') this.started.push(selected);
        }
      });
    });
  }
}

test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  const server = process.env.KELBRIN_TEST_SERVER!;
  const databaseUrl = onDatabase(server, `kelbrin_test_leases_${randomBytes(4).toString('hex')}`);
  await createDatabase(databaseUrl, { template: 'kelbrin_test_school' });
  stack = await Stack.start({ databaseUrl, printerSpeed: 1000, processes: 2 });
  sql = postgres(databaseUrl, { max: 1, onnotice: () => {} });
  recorder = new Recorder(stack.printerPorts[BIRCH]);
  const port = await new Promise<number>((resolve) => {
    recorder.server.listen(0, '127.0.0.1', () =>
      resolve((recorder.server.address() as { port: number }).port),
    );
  });
  await sql`update printers set connection = jsonb_set(connection, '{value,port}', to_jsonb(${port}::int)) where name = 'Birch'`;
});
test.afterAll(async () => {
  await sql.end();
  await stack.stop();
  recorder.server.close();
});

const processes: readonly ProcessName[] = ['jobs', 'jobs 2'];

const fates: Record<string, (name: ProcessName) => Promise<void>> = {
  'runs on': async () => {},
  'is killed': (name) => stack.kill(name),
  hangs: async (name) => stack.standStill(name),
};

for (const [fate, befalls] of Object.entries(fates)) {
  for (const [i, name] of processes.entries()) {
    if (fate === 'runs on' && i > 0) continue;
    for (const phase of fate === 'hangs' ? (['printing'] as const) : (['sending'] as const)) {
      test(`a batch is sent and started once while ${name} ${fate} when it is ${phase}`, async ({
        playwright,
      }) => {
        recorder.sent = [];
        recorder.started = [];
        const request = await playwright.request.newContext({ baseURL: stack.origin });
        await signInByRequest(request, stack.origin, 'helper');
        const [{ entry, printer }] = await sql<{ entry: string; printer: string }[]>`
          insert into queue_entries (print_file_id, copy)
          select print_file_id, max(copy) + 1 from queue_entries group by print_file_id order by print_file_id limit 1
          returning id as entry, (select id from printers where name = 'Birch') as printer`;
        const start = async () => {
          const answer = await request.post('/queue?/start', {
            form: startForm({ entry, printer }),
            headers: { origin: stack.origin, accept: 'application/json' },
          });
          return ((await answer.json()) as { type: string }).type;
        };
        await expect.poll(start).toBe('redirect');
        const run = async () =>
          (
            await sql<{ state: string; file: string; problem: string | null }[]>`
              select state, file_name as file, problem from runs order by started_at desc limit 1`
          )[0];
        await expect.poll(async () => (await run()).state, { intervals: [20] }).not.toBe('preparing');
        if (phase === 'printing')
          await expect.poll(async () => (await run()).state, { intervals: [20] }).toBe('printing');
        await befalls(name);
        // Whoever kept the printer, somebody does again soon.
        await new Promise((resolve) => setTimeout(resolve, SUCCESSION_MS));
        const [{ kept }] = await sql<{ kept: boolean }[]>`
          select held_until > now() as kept from printer_leases where printer_id = ${printer}`;
        expect(kept).toBe(true);
        await expect.poll(async () => (await run()).state).toBe('finished');
        if (fate === 'hangs') {
          // Whatever it was about to do, it may not any more.
          stack.goOn(name);
          await new Promise((resolve) => setTimeout(resolve, 1_500));
        }
        if (fate === 'is killed') stack.startJobs(i);
        const { file } = await run();
        expect(recorder.sent, 'sent whole').toEqual([file]);
        expect(recorder.started, 'started').toEqual([file]);
        await request.dispose();
      });
    }
  }
}
