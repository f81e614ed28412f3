import { and, asc, eq, sql, type SQL } from 'drizzle-orm';
import { classToTeach, demandRole, NotAllowed, type Person } from '../platform/auth/access.ts';
import type { Database } from '../platform/db/database.ts';
import {
  batchParts,
  briefs,
  classes,
  failings,
  fieldOf,
  handIns,
  printFiles,
  projects,
  queueEntries,
  runs,
} from '../platform/db/schema/index.ts';

/** How many projects of a brief had come how far by the end of a day. */
export interface DayOfBrief {
  /** As `2026-11-26`. */
  readonly day: string;
  readonly begun: number;
  readonly handedIn: number;
  readonly approved: number;
  readonly printed: number;
}

/** How a check went while a brief was designed for. */
export interface CheckFigure {
  readonly check: string;
  /** In how many projects it failed at some time. */
  readonly projects: number;
  /** In how many of them it fails still. */
  readonly open: number;
  /** The median of how long it failed until it was mended; null if it never was. */
  readonly medianMinutes: number | null;
}

/** More days than this are not drawn. */
const MOST_DAYS = 120;

/** What a class's page of figures shows: the chosen brief, or the last that was begun. */
export async function figuresOf(db: Database, teacher: Person, classId: string, briefId?: string) {
  const group = await classToTeach(db, teacher, classId);
  const set = await db
    .select({ id: briefs.id, title: briefs.title })
    .from(briefs)
    .where(eq(briefs.classId, group.id))
    .orderBy(asc(briefs.dueOn), asc(briefs.title));
  const brief = briefId === undefined ? set[0] : set.find(({ id }) => id === briefId);
  if (briefId !== undefined && !brief) throw new NotAllowed();
  return {
    group: { id: group.id, name: group.name },
    briefs: set,
    briefId: brief?.id,
    days: brief ? await daysOf(db, brief.id) : [],
    checks: brief ? await checkFigures(db, brief.id) : [],
    grams: await gramsByClass(db, teacher),
  };
}

async function daysOf(db: Database, briefId: string): Promise<DayOfBrief[]> {
  const isOfBrief = eq(projects.briefId, briefId);
  const firstOf = (at: SQL | typeof handIns.createdAt) =>
    sql<Date | null>`min(${at})`.mapWith(projects.begunAt);
  const milestones = await db
    .select({
      begun: projects.begunAt,
      handedIn: firstOf(handIns.createdAt),
      approved: firstOf(sql`case when ${handIns.state} = 'approved' then ${handIns.decidedAt} end`),
      printed: firstOf(sql`case when ${runs.state} = 'finished' then ${runs.endedAt} end`),
    })
    .from(projects)
    .leftJoin(handIns, eq(handIns.projectId, projects.id))
    .leftJoin(printFiles, eq(printFiles.handInId, handIns.id))
    .leftJoin(queueEntries, eq(queueEntries.printFileId, printFiles.id))
    .leftJoin(batchParts, eq(batchParts.queueEntryId, queueEntries.id))
    .leftJoin(runs, eq(runs.batchId, batchParts.batchId))
    .where(isOfBrief)
    .groupBy(projects.id);
  if (milestones.length === 0) return [];
  const firstMs = Math.min(...milestones.map(({ begun }) => begun.getTime()));
  const days: DayOfBrief[] = [];
  for (let at = dayOf(new Date()); days.length < MOST_DAYS; at = dayBefore(at)) {
    const by = (key: 'begun' | 'handedIn' | 'approved' | 'printed') =>
      milestones.filter((project) => project[key] && dayOf(project[key]) <= at).length;
    days.unshift({
      day: at,
      begun: by('begun'),
      handedIn: by('handedIn'),
      approved: by('approved'),
      printed: by('printed'),
    });
    if (at <= dayOf(new Date(firstMs))) break;
  }
  return days;
}

async function checkFigures(db: Database, briefId: string): Promise<CheckFigure[]> {
  const minutes = sql`extract(epoch from ${failings.until} - ${failings.since}) / 60`;
  const rows = await db
    .select({
      check: failings.check,
      projects: sql<number>`count(distinct ${failings.projectId})::int`,
      open: sql<number>`count(distinct ${failings.projectId}) filter (where ${failings.until} is null)::int`,
      medianMinutes: sql<number | null>`percentile_cont(0.5) within group (order by ${minutes})
        filter (where ${failings.until} is not null)::float`,
    })
    .from(failings)
    .innerJoin(projects, eq(projects.id, failings.projectId))
    .where(eq(projects.briefId, briefId))
    .groupBy(failings.check);
  return rows.sort((a, b) => b.projects - a.projects || a.check.localeCompare(b.check));
}

/** The grams of filament in what was printed for each of a teacher's classes. */
async function gramsByClass(db: Database, teacher: Person): Promise<{ name: string; grams: number }[]> {
  demandRole(teacher, 'teacher');
  return db
    .select({
      name: classes.name,
      grams: sql<number>`sum((${fieldOf(printFiles.estimate, 'grams')})::float)`,
    })
    .from(classes)
    .innerJoin(briefs, eq(briefs.classId, classes.id))
    .innerJoin(projects, eq(projects.briefId, briefs.id))
    .innerJoin(handIns, eq(handIns.projectId, projects.id))
    .innerJoin(printFiles, eq(printFiles.handInId, handIns.id))
    .innerJoin(
      queueEntries,
      and(eq(queueEntries.printFileId, printFiles.id), eq(queueEntries.state, 'printed')),
    )
    .where(eq(classes.teacherId, teacher.id))
    .groupBy(classes.id)
    .orderBy(asc(classes.name));
}

/** The day of a moment where the server is, as `2026-11-26`, which orders as days do. */
function dayOf(at: Date): string {
  const two = (number: number) => String(number).padStart(2, '0');
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
}

function dayBefore(day: string): string {
  const [year, month, date] = day.split('-').map(Number);
  return dayOf(new Date(year, month - 1, date - 1));
}
