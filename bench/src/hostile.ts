import { setTimeout as pause } from 'node:timers/promises';
import { strToU8, zipSync } from 'fflate';
import postgres, { type Sql } from 'postgres';
import { designOf } from '../../core/src/design/index.ts';
import { emptyRecipe, type Recipe } from '../../core/src/recipe/index.ts';
import { labelRecipe } from '../../app/src/lib/server/demo/labels.ts';
import { startChecks } from '../../app/src/lib/shared/startChecks.ts';
import { setUpClass, type Classroom, type Visitor } from './classroom.ts';
import { quantile } from './measure.ts';
import { onDemo } from './onDemo.ts';

/*
 * A lesson with one student who means harm: files and recipes that were made to hold the server up are sent without a
 * pause, while 29 others edit, save, have pictures made and hand in, and a batch prints to its end. --minutes N says how
 * long (2).
 */

const STUDENTS = 30;
const EDIT_EVERY_MS = 2_000;
const MOST_SAVE_MS = 150;
const MOST_INSPECTION_S = 10;

const at = process.argv.indexOf('--minutes');
const minutes = at < 0 ? 2 : Number(process.argv[at + 1]);

/** Files that were made to do harm, made beforehand so that making them holds up nobody who is measured. */
const hostileFiles: readonly [string, Uint8Array<ArrayBuffer>][] = [
  ['lines.obj', strToU8(`${'\n'.repeat(200_000)}x`)],
  ['deep.obj', strToU8(`v 0 0 0\nv 1 0 0\nv 0 1 0\n${'f 1 2 3\n'.repeat(400_000)}`)],
  ['bomb.3mf', zipSync({ '3D/3dmodel.model': strToU8(`<model>${'<vertex x="0" y="0" z="0"/>'.repeat(1_500_000)}`) })], // oxfmt-ignore
  ['words.stl', strToU8(`solid ${'vertex '.repeat(2_000_000)}`)],
  ['fan.obj', strToU8(fan(60_000))],
];

await onDemo('hostile', async (stack, databaseUrl) => {
  const sql = postgres(databaseUrl, { max: 2, onnotice: () => {} });
  try {
    await teach(await setUpClass(stack.origin, STUDENTS), sql);
  } finally {
    await sql.end();
  }
});

async function teach({ teacher, students }: Classroom, sql: Sql): Promise<void> {
  const until = performance.now() + minutes * 60_000;
  const [hostile, ...others] = students;
  const savesMs: number[] = [];
  const picturesMs: number[] = [];
  const ids = others.map(({ projectId }) => projectId);
  const inspected = watchInspections(sql, ids, until + 30_000);
  const batch = printBatch(teacher, sql);
  const sent = attack(hostile.visitor, hostile.projectId, until);
  const edits = others.map(async ({ visitor, projectId }, i) => {
    // They do not all press at once.
    await pause((i * EDIT_EVERY_MS) / STUDENTS);
    const handsInAt = performance.now() + 5_000 + (i * (minutes * 60_000 - 30_000)) / STUDENTS;
    let revision = 0;
    let isHandedIn = false;
    for (let next = performance.now(); next < until; next += EDIT_EVERY_MS) {
      await pause(Math.max(0, next - performance.now()));
      const words = `Plant ${revision + 1}`;
      const design = designOf(labelRecipe({ words, widthMm: 100 + (revision % 30) }), 'Label');
      const begun = performance.now();
      const saved = await visitor.put(`/bench/${projectId}/design`, { baseRevision: revision, design });
      savesMs.push(performance.now() - begun);
      if (!saved.ok) throw new Error(`A save was answered with ${saved.status}.`);
      ({ revision } = (await saved.json()) as { revision: number });
      if (revision % 10 === 5) {
        const asked = performance.now();
        await visitor.get(`/picture/project/${projectId}?r=${revision}`);
        picturesMs.push(performance.now() - asked);
      }
      if (isHandedIn || performance.now() < handsInAt) continue;
      isHandedIn = true;
      await visitor.act(`/bench/${projectId}?/handIn`, {
        revision: String(revision),
        said: JSON.stringify({ note: '', arguments: [] }),
      });
    }
  });
  await Promise.all(edits);
  const attacks = await sent;
  const seconds = await inspected;
  const ms = (value: number) => `${value.toFixed(0)} ms`;
  console.table({
    [`a save, of ${savesMs.length}`]: {
      median: ms(quantile(savesMs, 0.5)),
      p95: ms(quantile(savesMs, 0.95)),
    },
    [`a picture, of ${picturesMs.length}`]: { median: ms(quantile(picturesMs, 0.5)), p95: ms(quantile(picturesMs, 0.95)) }, // oxfmt-ignore
    [`an inspection, of ${seconds.length}`]: {
      median: `${quantile(seconds, 0.5).toFixed(1)} s`,
      p95: `${Math.max(...seconds).toFixed(1)} s at most`,
    },
  });
  console.log(`${attacks} hostile files and recipes were sent meanwhile.`);
  console.log(`The batch ${await batch}.`);
  const faults = [
    ...(quantile(savesMs, 0.95) > MOST_SAVE_MS ? [`the p95 of saves is over ${MOST_SAVE_MS} ms`] : []),
    ...(Math.max(...seconds) > MOST_INSPECTION_S ? [`an inspection took over ${MOST_INSPECTION_S} s`] : []),
    ...(seconds.length < others.length ? ['not all handed in'] : []),
    ...((await batch) === 'was printed to its end' ? [] : ['the batch was not printed']),
  ];
  console.log(faults.length === 0 ? 'All as it must be.' : `Not as it must be: ${faults.join('; ')}.`);
  process.exitCode = faults.length === 0 ? 0 : 1;
}

/** How long each hand-in of some projects was being checked, s, until all are through or it is too late. */
async function watchInspections(sql: Sql, projectIds: readonly string[], until: number): Promise<number[]> {
  const tookS = new Map<string, number>();
  while (performance.now() < until && tookS.size < projectIds.length) {
    const through = await sql<{ id: string; seconds: number }[]>`
      select id, extract(epoch from now() - created_at)::float as seconds from hand_ins
      where project_id in ${sql([...projectIds])} and state <> 'checking'`;
    for (const { id, seconds } of through) if (!tookS.has(id)) tookS.set(id, seconds);
    await pause(200);
  }
  return [...tookS.values()];
}

/** Sends files and recipes that were made to do harm, one after the other; says how many. */
async function attack(visitor: Visitor, projectId: string, until: number): Promise<number> {
  let revision = 0;
  let sent = 0;
  for (; performance.now() < until; sent++) {
    const [name, bytes] = hostileFiles[sent % hostileFiles.length];
    // Two at once, which one student does not get.
    await Promise.all([1, 2].map(() => visitor.send(`/bench/${projectId}/files`, name, bytes)));
    const design = designOf(multiplying(3 + (sent % 20)), 'Label');
    const saved = await visitor.put(`/bench/${projectId}/design`, { baseRevision: revision, design });
    if (saved.ok) ({ revision } = (await saved.json()) as { revision: number });
    await visitor
      .act(`/bench/${projectId}?/handIn`, {
        revision: String(revision),
        said: JSON.stringify({ note: '', arguments: [] }),
      })
      .catch(() => undefined);
    await visitor.get(`/picture/project/${projectId}?r=${revision}`).catch(() => undefined);
  }
  return sent;
}

/** A recipe whose repeats repeat each other. */
function multiplying(count: number): Recipe {
  const { steps } = labelRecipe({ words: 'Basil' });
  const again = (id: string, of: string): Recipe['steps'][number] => ({
    id,
    kind: 'repeat',
    of: [{ step: of }],
    pattern: { type: 'grid', columns: count, columnMm: 2, rows: count, rowMm: 2 },
  });
  return { ...emptyRecipe(), steps: [...steps, again('r1', 's2'), again('r2', 'r1'), again('r3', 'r2')] };
}

/** Triangles that all meet in one corner. */
function fan(sides: number): string {
  const rim = Array.from({ length: sides }, (_, i) => {
    const turn = (2 * Math.PI * i) / sides;
    return `v ${Math.cos(turn)} ${Math.sin(turn)} 0`;
  });
  const faces = rim.map((_, i) => `f 1 ${i + 2} ${((i + 1) % sides) + 2}`);
  return ['v 0 0 1', ...rim, ...faces].join('\n');
}

/** Lays what waits first on a batch and starts it; says what became of it. */
async function printBatch(teacher: Visitor, sql: Sql): Promise<string> {
  const [{ entry }] = await sql<{ entry: string }[]>`
    select id as entry from queue_entries where state = 'waiting' order by position limit 1`;
  for (;;) {
    const [printer] = await sql<{ id: string }[]>`
      select p.id from printers p where exists (select from spools s where s.printer_id = p.id) and p.status ->> 'online' = 'true'
        and not exists (select 1 from runs r where r.printer_id = p.id and r.state in ('preparing', 'sending', 'printing')) limit 1`;
    const started =
      printer &&
      (await teacher
        .act('/queue?/start', { entry, printer: printer.id, check: startChecks })
        .then(() => true, () => false)); // oxfmt-ignore
    if (started) break;
    await pause(1_000);
  }
  for (let tries = 0; tries < 600; tries++) {
    const [run] = await sql<{ state: string; problem: string | null }[]>`
      select r.state::text as state, r.problem from runs r order by r.started_at desc limit 1`;
    if (run.state === 'finished') return 'was printed to its end';
    if (run.problem) return `failed: ${run.problem}`;
    await pause(500);
  }
  return 'did not come to its end';
}
