import postgres from 'postgres';

/** Gives each of many students a copy of one of the demo school's files that wait, and the school so many printers. */
export async function fillQueue(databaseUrl: string, files: number, printers: number): Promise<void> {
  const sql = postgres(databaseUrl, { max: 1, onnotice: () => {} });
  const waiting = await sql<{ file: string; handIn: string; version: string; project: string }[]>`
    select distinct f.id as file, h.id as "handIn", h.version_id as version, h.project_id as project
    from queue_entries q join print_files f on f.id = q.print_file_id join hand_ins h on h.id = f.hand_in_id
    where q.state = 'waiting'`;
  await sql`
    insert into users (id, name, email)
    select 'full-' || n, 'Student ' || n, 'full-' || n || '@students.example' from generate_series(1, ${files}) n`;
  for (const [i, { file, handIn, version, project }] of waiting.entries()) {
    // Everything as in the file that is copied, but for whose it is.
    await sql`
      with p as (
        insert into projects (brief_id, student_id, design)
        select p.brief_id, u.id, p.design from projects p, users u
        where p.id = ${project} and u.id like 'full-%' and substr(u.id, 6)::int % ${waiting.length} = ${i}
        returning id
      ), v as (
        insert into versions
        select (jsonb_populate_record(v, jsonb_build_object('id', gen_random_uuid(), 'project_id', p.id))).*
        from p, versions v where v.id = ${version}
        returning id, project_id
      ), h as (
        insert into hand_ins
        select (jsonb_populate_record(h, jsonb_build_object(
          'id', gen_random_uuid(), 'project_id', v.project_id, 'version_id', v.id))).*
        from v, hand_ins h where h.id = ${handIn}
        returning id
      ), f as (
        insert into print_files
        select (jsonb_populate_record(f, jsonb_build_object('id', gen_random_uuid(), 'hand_in_id', h.id))).*
        from h, print_files f where f.id = ${file}
        returning id
      )
      insert into queue_entries (print_file_id) select id from f`;
  }
  // Printers that nothing is connected to are free as soon as they have filament.
  const more = printers - (await sql`select from printers`).length;
  await sql`
    with added as (
      insert into printers (name, model, connection)
      select 'Printer ' || number, 'By card', jsonb_set(p.connection, '{value}', '{"way": "card", "card": null}')
      from generate_series(1, ${more}) number, (select connection from printers limit 1) p
      returning id
    )
    insert into spools (material, colour, colour_name, grams_left, printer_id)
    select s.material, s.colour, s.colour_name, 5000, added.id from added, (select * from spools limit 1) s`;
  await sql`analyze`;
  await sql.end();
}
