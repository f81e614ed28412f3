import { record, type Action } from './audit.ts';
import { NotAllowed, type Person } from './auth/access.ts';
import type { Database } from './db/database.ts';
import { announce, type Topic } from './live/topics.ts';
import { isBriefNews, tellStudents, tellTeacher, type BriefNews, type ProjectNews } from './notices.ts';

/** Who moves a thing on: a person, the server by itself, or the process that keeps a printer. */
export type Mover = Person | 'server' | 'keeper';

/** One way in which a thing moves on. */
export interface Move<State extends string = string> {
  /** The states in which it may stand before; none for what comes to be. */
  readonly from: readonly State[];
  /** The state in which it stands afterwards, or that nothing is left of it. */
  readonly to: State | 'gone';
  /** Who may do so: people of these roles, or a part of Kelbrin. */
  readonly by: readonly (Person['role'] | 'server' | 'keeper')[];
  /** What must hold besides, in words for whoever reads the drawing. */
  readonly when?: string;
  /** What is written down in the log of the class or the school. */
  readonly recorded?: Action;
  /** Who hears of it at once: pages of the project, of its class, of the print room, or who keeps the printers. */
  readonly announced?: readonly ('project' | 'class' | 'printroom' | 'orders')[];
  /** What students, or the teacher, are told until they have seen it. */
  readonly noticed?: ProjectNews | BriefNews;
}

/** The states of a thing and the ways between them, as data: what moves it, what is tested and what is drawn. */
export interface Lifecycle<State extends string = string, Moves = Readonly<Record<string, Move<State>>>> {
  /** What it is, in one or two words. */
  readonly thing: string;
  /** Each state, and what it means. */
  readonly states: Readonly<Record<State, string>>;
  readonly moves: Moves;
}

/** Says what a lifecycle is, with its states and moves known to the compiler by name. */
export function lifecycle<
  const State extends string,
  const Moves extends Readonly<Record<string, Move<NoInfer<State>>>>,
>(life: Lifecycle<State, Moves>): Lifecycle<State, Moves> {
  return life;
}

/** Throws {@link NotAllowed} unless `mover` may move a thing on in this way. */
export function demandMover({ by }: Move, mover: Mover): void {
  const who = typeof mover === 'string' ? mover : mover.role;
  if (!by.includes(who)) throw new NotAllowed();
}

/** What has moved on, with all that it belongs to. */
export interface Moved {
  readonly id: string;
  readonly projectId?: string;
  readonly briefId?: string;
  readonly classId?: string;
}

/** Writes down, tells and announces what has moved on, as the move says. */
export async function follow(tx: Database, move: Move, mover: Mover, moved: readonly Moved[]): Promise<void> {
  if (moved.length === 0) return;
  if (move.recorded && typeof mover !== 'string') {
    for (const classId of new Set(moved.map((each) => each.classId))) {
      const ids = moved.filter((each) => each.classId === classId).map(({ id }) => id);
      await record(tx, mover, move.recorded, classId ?? null, ids);
    }
  }
  const projectIds = theOnes(moved, 'projectId');
  const { noticed } = move;
  if (noticed && isBriefNews(noticed))
    for (const briefId of theOnes(moved, 'briefId')) await tellTeacher(tx, briefId, noticed);
  else if (noticed) for (const id of projectIds) await tellStudents(tx, id, noticed);
  const topics = (move.announced ?? []).flatMap((kind): Topic[] => {
    if (kind === 'project') return projectIds.map((id) => `project:${id}` as const);
    if (kind === 'class') return theOnes(moved, 'classId').map((id) => `class:${id}` as const);
    return [kind];
  });
  await announce(tx, ...topics);
}

function theOnes(moved: readonly Moved[], key: Exclude<keyof Moved, 'id'>): string[] {
  return [...new Set(moved.map((each) => each[key]).filter((id) => id !== undefined))];
}
