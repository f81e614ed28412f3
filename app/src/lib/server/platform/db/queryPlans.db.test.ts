import { drizzle } from 'drizzle-orm/postgres-js';
import { afterAll, beforeAll, expect, it } from 'vitest';
import type { Person } from '../auth/access.ts';
import { logOf } from '../audit.ts';
import { noticesOf, unseenCount } from '../notices.ts';
import { figuresOf } from '../../overview/figures.ts';
import { lessonOf } from '../../overview/lesson.ts';
import { classesOf, classWithStandings } from '../../people/classes.ts';
import { openBatches } from '../../printing/batches/batches.ts';
import { queueRows } from '../../printing/queue/rows.ts';
import { galleryOf } from '../../projects/gallery.ts';
import { briefsOf, openProject, saveDesign } from '../../projects/projects.ts';
import { versionsOf } from '../../projects/versions.ts';
import { handInToReview, handInsToReview } from '../../review/stack.ts';
import { demoSchool, type TestDatabase } from '../../testing/database.ts';
import type { Database } from './database.ts';
import * as schema from './schema/index.ts';

/*
 * Whether the questions that pages ask stay quick in a school that has used Kelbrin for years: nothing that is asked of one
 * person, class or hand-in has to read a whole table of what grows with the projects. Looked at with 2,000 of them.
 */

let test: TestDatabase;
/** The same database, with every question written down. */
let db: Database;
let asked: { readonly query: string; readonly params: unknown[] }[] = [];
let teacher: Person;
let student: Person;

beforeAll(async () => {
  test = await demoSchool();
  db = drizzle(test.sql, { schema, logger: { logQuery: (query, params) => asked.push({ query, params }) } });
  teacher = await test.person('Ms Fenwick');
  student = await test.person('Dario');
  // Classes of 30 like the one that there is, each student with the project, versions, hand-ins and prints of one of its.
  await test.sql.unsafe(`
    create temp table model as
      select projects.id as project_id, row_number() over () as n from projects;
    create temp table made as
      select i, gen_random_uuid() as project_id, 'grown' || i as student_id, model.project_id as like_id
      from generate_series(1, 2000) i join model on model.n = 1 + i % (select count(*) from model);
    create temp table groups as
      select g, gen_random_uuid() as class_id, gen_random_uuid() as brief_id from generate_series(0, 66) g;
    insert into classes (id, name, code, teacher_id, limits_card_id)
      select class_id, 'Year ' || g, 'G' || lpad(g::text, 5, '0'), (select teacher_id from classes limit 1),
        (select limits_card_id from classes limit 1) from groups;
    insert into briefs (id, class_id, title, task, rules, guidance, starter, copies, shown_at)
      select groups.brief_id, groups.class_id, 'Labels', b.task, b.rules, b.guidance, b.starter, b.copies, now()
      from groups, lateral (select * from briefs limit 1) b;
    insert into users (id, name, email, role) select student_id, 'Student ' || i, student_id || '@x.example', 'student' from made;
    insert into class_members (class_id, user_id, sign_in_name)
      select class_id, student_id, student_id from made join groups on g = i / 30;
    insert into projects (id, brief_id, student_id, design, revision)
      select made.project_id, groups.brief_id, made.student_id, p.design, p.revision
      from made join groups on g = i / 30 join projects p on p.id = like_id;
    create temp table grown_hand_ins as
      select gen_random_uuid() as id, gen_random_uuid() as version_id, gen_random_uuid() as file_id, made.project_id, h.id as like_id
      from made join hand_ins h on h.project_id = like_id;
    insert into versions (id, project_id, number, name, design)
      select n.version_id, n.project_id, h.number, 'Hand-in', v.design
      from grown_hand_ins n join hand_ins h on h.id = like_id join versions v on v.id = h.version_id;
    insert into hand_ins (id, project_id, number, version_id, part_id, part, recipe, limits, rules, state, inspection, solid_hash)
      select n.id, n.project_id, h.number, n.version_id, h.part_id, h.part, h.recipe, h.limits, h.rules,
        case when h.state = 'waiting' then 'withdrawn' else h.state end, h.inspection, h.solid_hash
      from grown_hand_ins n join hand_ins h on h.id = like_id;
    insert into print_files (id, hand_in_id, name, hash, three_mf, stl_hash, stl, estimate, footprint)
      select n.file_id, n.id, f.name, f.hash, '', f.stl_hash, '', f.estimate, f.footprint
      from grown_hand_ins n join print_files f on f.hand_in_id = like_id;
    insert into queue_entries (print_file_id, state) select f.id, 'printed' from print_files f
      join grown_hand_ins n on n.file_id = f.id;
    insert into notices (person_id, kind, project_id, at, seen_at)
      select student_id, 'approved', project_id, now(), now() from made;
    insert into audit_log (actor_id, action, subject_id, class_id)
      select student_id, 'hand-in', n.id::text, g.class_id
      from made join groups g on g.g = i / 30 join grown_hand_ins n on n.project_id = made.project_id;
    analyze;`);
});
afterAll(() => test.drop());

/** The tables that grow with the projects. */
const GROWING =
  /^(projects|project_members|versions|hand_ins|print_files|queue_entries|batch_parts|pulses|failings|notices|class_members|users|remarks|waivers)$/;

interface Plan {
  readonly 'Node Type': string;
  readonly 'Relation Name'?: string;
  readonly 'Plan Rows': number;
  readonly Plans?: readonly Plan[];
}

/** The tables that the plan of a question reads from end to end. */
function wholeTables(plan: Plan): string[] {
  const here = plan['Node Type'] === 'Seq Scan' ? [plan['Relation Name']!] : [];
  return [...here, ...(plan.Plans ?? []).flatMap(wholeTables)];
}

/** What is read whole while a page asks its questions. */
async function readWhole(ask: () => Promise<unknown>): Promise<string[]> {
  asked = [];
  await ask();
  expect(asked.length).toBeGreaterThan(0);
  const found: string[] = [];
  for (const { query, params } of asked) {
    if (!/^\s*(select|with|update|delete)/i.test(query)) continue;
    // At this size reading a table whole is often as cheap, and is planned so; what matters is whether there is a way around.
    const rows = await test.sql.begin(async (tx) => {
      await tx`set local enable_seqscan = off`;
      return tx.unsafe(`explain (format json) ${query}`, params as never[]);
    });
    const [{ Plan }] = rows[0]['QUERY PLAN'] as [{ Plan: Plan }];
    for (const table of wholeTables(Plan))
      if (GROWING.test(table)) found.push(`${table}: ${query.slice(0, 400)}`);
  }
  return found;
}

it('there is a school of 2,000 projects', async () => {
  expect(await test.db.$count(schema.projects)).toBeGreaterThan(2000);
  expect(await test.db.$count(schema.handIns)).toBeGreaterThan(1000);
});

it.each<[page: string, ask: () => Promise<unknown>]>([
  ['the home of a student', () => briefsOf(db, student)],
  ['a student’s notices', () => noticesOf(db, student)],
  ['the count of notices', () => unseenCount(db, student)],
  ['the bench', async () => openProject(db, student, (await test.projectOf(student)).briefId)],
  ['the versions of a project', async () => versionsOf(db, student, (await test.projectOf(student)).id)],
  [
    'saving',
    async () => {
      const { id, revision, design } = await test.projectOf(student);
      await saveDesign(db, student, id, revision, design);
    },
  ],
  ['a class', async () => classWithStandings(db, teacher, (await classesOf(test.db, teacher))[0].id)],
  ['a lesson', async () => lessonOf(db, teacher, (await test.projectOf(student)).briefId)],
  ['the figures of a class', async () => figuresOf(db, teacher, (await classesOf(test.db, teacher))[0].id)],
  ['a gallery', async () => galleryOf(db, teacher, (await classesOf(test.db, teacher))[0].id)],
  ['the log of a class', async () => logOf(db, teacher, (await classesOf(test.db, teacher))[0].id)],
  [
    'a hand-in in the review',
    async () => {
      const [{ id }] = await handInsToReview(test.db, teacher);
      await handInToReview(db, teacher, id);
    },
  ],
  ['the queue', () => queueRows(db, teacher)],
  ['the batches', () => openBatches(db, teacher)],
])('%s reads no table whole that grows with the projects', async (_, ask) => {
  expect(await readWhole(ask)).toEqual([]);
});
