import postgres from 'postgres';
import { taskOf } from '../../app/src/lib/shared/taskText.ts';
import { school } from '../../app/src/lib/server/demo/school.ts';
import { Visitor } from './classroom.ts';
import { onDemo } from './onDemo.ts';
import { measurePages } from './pages.ts';

/*
 * The lists of a teacher with forty classes of thirty students, six projects each: how long a page takes to answer with
 * what it shows, and with the pictures of a whole class.
 */

const CLASSES = 40;
const STUDENTS = 30;
const BRIEFS = 6;

await onDemo('lists', async (stack, databaseUrl) => {
  await fill(databaseUrl);
  const { email, password } = school.teacher;
  const teacher = await Visitor.signIn(stack.origin, { email, password });
  const { classes } = await teacher.load<{ classes: { id: string; briefs: { id: string }[] }[] }>('/class');
  const group = classes.find(({ briefs }) => briefs.length === BRIEFS)!;
  const loaded = await teacher.load<{
    group: { briefs: { students: { project?: { id: string } }[] }[] };
  }>(`/class/${group.id}`);
  const pictures = loaded.group.briefs[0].students.map(({ project }) => `/picture/project/${project!.id}`);
  await measurePages({
    'all classes': () => teacher.load('/class'),
    'one class': () => teacher.load(`/class/${group.id}`),
    'one class with 30 pictures': () =>
      Promise.all([teacher.load(`/class/${group.id}`), ...pictures.map((path) => teacher.get(path))]),
    'the lesson view': () => teacher.load(`/lesson/${group.briefs[0].id}`),
    'the review': () => teacher.load('/review'),
  });
});

/** Fills the database beside the demo class, with copies of one of its projects. */
async function fill(databaseUrl: string): Promise<void> {
  const sql = postgres(databaseUrl, { max: 1, onnotice: () => {} });
  await sql`
    insert into classes (name, code, teacher_id, limits_card_id)
    select 'Class ' || n, 'FULL' || n, c.teacher_id, c.limits_card_id
    from generate_series(1, ${CLASSES}) n, (select * from classes limit 1) c`;
  await sql`
    insert into users (id, name, email)
    select 'full-' || c.code || '-' || n, 'Student ' || n, 'full-' || c.code || '-' || n || '@students.example'
    from classes c, generate_series(1, ${STUDENTS}) n where c.code like 'FULL%'`;
  await sql`
    insert into class_members (class_id, user_id, sign_in_name)
    select c.id, u.id, split_part(u.id, '-', 3) from classes c
    join users u on u.id like 'full-' || c.code || '-%'`;
  await sql`
    insert into briefs (class_id, title, task)
    select c.id, 'Brief ' || n, ${sql.json(taskOf('Design it.'))} from classes c, generate_series(1, ${BRIEFS}) n
    where c.code like 'FULL%'`;
  await sql`
    insert into projects (brief_id, student_id, design)
    select b.id, m.user_id, p.design
    from briefs b join class_members m on m.class_id = b.class_id and m.user_id like 'full-%',
      (select p.design from projects p join users u on u.id = p.student_id where u.name = 'Luca') p`;
  await sql`analyze`;
  await sql.end();
}
