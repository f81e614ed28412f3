import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import postgres, { type Sql } from 'postgres';
import { school } from '../../app/src/lib/server/demo/school.ts';
import { root } from '../../ops/state.ts';
import { everybody, type Ids, type Line, type Somebody } from './accessLine.ts';
import { accessTable } from './accessTable.ts';
import { expect, handInLabel, test } from './kelbrin.ts';

// Printers as slow as real ones, so that no run ends meanwhile and changes what was compared.
test.use({ file: 'access', printerSpeed: 1 });
/** What every route folder offers, as the table calls it: "/queue ?/start". */
function offered(folder = join(root, 'app/src/routes'), route = ''): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory())
      return offered(path, entry.name.startsWith('(') ? route : `${route}/${entry.name}`);
    const at = route === '' ? '/' : route;
    const source = () => readFileSync(path, 'utf8');
    if (entry.name === '+server.ts') {
      return [...source().matchAll(/export const (GET|PUT|POST|PATCH|DELETE)\b/g)].map(
        ([, call]) => `${at} ${call}`,
      );
    }
    if (entry.name === '+page.svelte') return [`${at} load`];
    if (entry.name !== '+page.server.ts') return [];
    // The names stand before the end of the object, one to a line.
    const [, actions = ''] = /export const actions[^{]*\{\n([^]*?)\n\};/.exec(source()) ?? [];
    return [...actions.matchAll(/^ {2}(?:async )?(\w+)(?::|\()/gm)].map(([, name]) => `${at} ?/${name}`);
  });
}

/** Asks the server something as somebody; says whether that was answered, refused or went wrong. */
async function ask(
  origin: string,
  line: Line,
  ids: Ids,
  cookie: string,
): Promise<'answered' | 'refused' | string> {
  const filled = line.route
    .replace('[class]', ids.classId)
    .replace('[brief]', ids.brief)
    .replace('[card]', ids.card)
    .replace('[sheet]', ids.machine)
    .replace('[project]', ids.project)
    .replace('[handIn]', ids.handIn)
    .replace('[number]', '1')
    .replace('[token]', ids.token)
    .replace('[batch]', ids.batch)
    .replace('[entry]', ids.laid)
    .replace('[file]', ids.file)
    .replace('[hash]', '0'.repeat(64));
  const path = line.path?.(ids) ?? filled;
  const body = line.body?.(ids) ?? {};
  const isAction = line.call.startsWith('?/');
  const isLoad = line.call === 'load';
  const url = isLoad
    ? `${origin}${path === '/' ? '' : path}/__data.json`
    : `${origin}${path}${isAction && line.call !== '?/default' ? line.call : ''}`;
  const answer = await fetch(url, {
    method: isAction ? 'POST' : isLoad ? 'GET' : line.call,
    redirect: 'manual',
    headers: {
      cookie,
      origin,
      accept: 'application/json',
      ...(isAction ? {} : { 'content-type': 'application/json' }),
    },
    body:
      isLoad || line.call === 'GET'
        ? undefined
        : isAction
          ? new URLSearchParams(
              Object.entries(body).flatMap(([name, value]) =>
                [value].flat().map((each) => [name, String(each)]),
              ),
            )
          : JSON.stringify(body),
  });
  if (answer.headers.get('content-type')?.includes('event-stream')) {
    await answer.body?.cancel();
    return 'answered';
  }
  const words = await answer.text();
  if (answer.status >= 500 || words.includes('"status":500'))
    return `${answer.status}: ${words.slice(0, 200)}`;
  const isSentAway = answer.headers.get('location') === '/sign-in' || words.includes('"location":"/sign-in"');
  // Signing out leads there too, and is what was asked for.
  if (isSentAway && line.route !== '/sign-out') return 'refused';
  const told = /"type":"error".*?"status":(\d+)|^\{"message".*/.exec(words);
  const status = told?.[1] ? Number(told[1]) : answer.status;
  return status === 401 || status === 403 || status === 404 ? 'refused' : 'answered';
}

/** What stands in every table, but for who is signed in and what printers say of themselves. */
async function fingerprint(sql: Sql): Promise<Record<string, string>> {
  const tables = await sql<{ name: string }[]>`
    select table_name as name from information_schema.tables
    where table_schema = 'public' and table_type = 'BASE TABLE'
      and table_name not in ('sessions', 'sign_in_attempts', 'printers', 'printer_leases', 'pictures', 'runs')`;
  const prints: Record<string, string> = {};
  for (const { name } of tables) {
    const [{ print }] = await sql<{ print: string }[]>`
      select coalesce(md5(string_agg(t::text, '|' order by t::text)), '') as print from ${sql(name)} t`;
    prints[name] = print;
  }
  return prints;
}

async function signedIn(origin: string, form: Record<string, string>): Promise<string> {
  const answer = await fetch(`${origin}/sign-in?/${form.email ? 'staff' : 'student'}`, {
    method: 'POST',
    headers: { origin, accept: 'application/json' },
    body: new URLSearchParams(form),
    redirect: 'manual',
  });
  const cookies = answer.headers.getSetCookie().map((each) => each.split(';')[0]);
  expect(cookies.length, JSON.stringify(form)).toBeGreaterThan(0);
  return cookies.join('; ');
}

/** Another teacher with a class and a student, made the way the app makes them. */
async function makeStrangers(sql: Sql, origin: string, teacherCookie: string, helperId: string) {
  const act = async (cookie: string, path: string, form: Record<string, string>) => {
    const answer = await fetch(origin + path, {
      method: 'POST',
      headers: { cookie, origin, accept: 'application/json' },
      body: new URLSearchParams(form),
    });
    return (await answer.json()) as { type: string; location?: string; data?: string };
  };
  const made = await act(teacherCookie, '/class?/create', { name: 'Year 9, Rook group' });
  const otherClassId = /\/class\/([0-9a-f-]+)/.exec(made.location!)![1];
  const added = await act(teacherCookie, `/class/${otherClassId}/people?/add`, {
    list: 'Zara\tzara\t730164',
  });
  expect(added.type).toBe('success');
  // The helper's password is the demo's; with another role and class, the same person's twin is another teacher.
  const [{ password: hash }] = await sql<{ password: string }[]>`
    select password from accounts where user_id = ${helperId}`;
  await sql`insert into users (id, name, email, role) values ('quill', 'Mr Quill', 'quill@wrenfield.example', 'teacher')`;
  await sql`insert into accounts (id, user_id, account_id, provider_id, password)
    values ('quill', 'quill', 'quill', 'credential', ${hash})`;
  const [{ code }] = await sql<{ code: string }[]>`
    update classes set teacher_id = 'quill' where id = ${otherClassId} returning code`;
  return { otherClassId, code };
}

test('everyone may do what the table says, everything else is refused and changes nothing', async ({
  kelbrin,
  databaseUrl,
  browser,
}) => {
  const { origin } = kelbrin;
  expect([...new Set(accessTable.map(({ route, call }) => `${route} ${call}`))].sort()).toEqual(
    offered().sort(),
  );

  const sql = postgres(databaseUrl, { max: 1, onnotice: () => {} });
  try {
    await handInLabel(browser, origin, 'luca', { words: 'Rocket' });
    await expect
      .poll(async () => (await sql`select 1 from hand_ins where state = 'checking'`).length, {
        timeout: 300_000,
      })
      .toBe(0);
    const { teacher, helper, classCode, studentPin } = school;
    const teacherCookie = await signedIn(origin, { email: teacher.email, password: teacher.password });
    const [{ id: helperId }] = await sql<
      { id: string }[]
    >`select id from users where email = ${helper.email}`;
    const { otherClassId, code } = await makeStrangers(sql, origin, teacherCookie, helperId);
    const cookies: Record<Somebody, string> = {
      visitor: '',
      own: await signedIn(origin, { code: classCode, name: 'luca', pin: studentPin }),
      team: await signedIn(origin, { code: classCode, name: 'maren', pin: studentPin }),
      mate: await signedIn(origin, { code: classCode, name: 'bruno', pin: studentPin }),
      stranger: await signedIn(origin, { code, name: 'zara', pin: '730164' }),
      helper: await signedIn(origin, { email: helper.email, password: helper.password }),
      teacher: teacherCookie,
      otherTeacher: await signedIn(origin, { email: 'quill@wrenfield.example', password: helper.password }),
    };
    const [{ id: toLay }] = await sql<
      { id: string }[]
    >`select id from queue_entries where state = 'waiting' order by position desc limit 1`;
    await fetch(`${origin}/queue?/lay`, {
      method: 'POST',
      headers: { cookie: teacherCookie, origin, accept: 'application/json' },
      body: new URLSearchParams({ entry: toLay }),
    });
    await fetch(`${origin}/machines?/create`, {
      method: 'POST',
      headers: { cookie: teacherCookie, origin, accept: 'application/json' },
      body: new URLSearchParams({ example: 'Hedge 220' }),
    });
    await sql`insert into kept_briefs (teacher_id, title, task)
      select c.teacher_id, b.title, b.task from briefs b join classes c on c.id = b.class_id`;
    const [ids] = await sql<Ids[]>`
      select c.id as "classId", b.id as brief, c.limits_card_id as card, p.id as project, u.id as student,
        (select id from users where name = 'Noor') as leaver, ${helperId} as helper,
        'a-link-that-holds' as token,
        h.id as "handIn", h.version_id as version, q.id as entry,
        l.batch_id as batch, l.queue_entry_id as laid, l.print_file_id as file, r.id as printer,
        (select id from machine_sheets limit 1) as machine,
        (select id from spools order by number desc limit 1) as spool, ${otherClassId} as "otherClassId",
        (select id from hand_ins where state = 'approved' limit 1) as piece,
        (select id from kept_briefs limit 1) as kept, (select hash from task_pictures limit 1) as "taskPicture"
      from hand_ins h join projects p on p.id = h.project_id join users u on u.id = p.student_id
        join briefs b on b.id = p.brief_id join classes c on c.id = b.class_id,
        (select id from queue_entries where state = 'waiting' limit 1) q, (select id from printers limit 1) r,
        (select batch_id, queue_entry_id, print_file_id from batch_parts
          join queue_entries e on e.id = queue_entry_id where e.state = 'laid' limit 1) l
      where u.name = 'Luca' and h.state = 'waiting'`;

    await sql`delete from projects where student_id = (select id from users where name = 'Maren')`;
    // Who helps another class as well is not shut out when the help in this one ends.
    await sql`insert into class_members (class_id, user_id) values (${otherClassId}, ${helperId})`;
    await sql`insert into team_members (project_id, student_id)
      select ${ids.project}, id from users where name = 'Maren'`;
    await sql`insert into shares (token, version_id, expires_at)
      values (${ids.token}, ${ids.version}, now() + interval '1 day')`;
    const before = await fingerprint(sql);
    const wrong: string[] = [];
    for (const line of accessTable) {
      for (const who of everybody.filter((each) => !line.may.includes(each))) {
        const came = await ask(origin, line, ids, cookies[who]);
        if (came !== 'refused') wrong.push(`${who}: ${line.route} ${line.call} was ${came}`);
      }
    }
    expect(wrong).toEqual([]);
    expect(await fingerprint(sql)).toEqual(before);

    for (const line of accessTable) {
      for (const who of line.may) {
        const came = await ask(origin, line, ids, cookies[who]);
        if (came !== 'answered') wrong.push(`${who}: ${line.route} ${line.call} was ${came}`);
      }
    }
    expect(wrong).toEqual([]);
  } finally {
    await sql.end();
  }
});
