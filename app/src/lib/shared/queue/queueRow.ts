import type { FilamentColour } from '@kelbrin/core/colours';

/** A part in the queue as its page has it: what is shown of it, and what it is found, grouped and put in order by. */
export interface QueueRow {
  readonly id: string;
  /** What the part is called, and whose it is. */
  readonly part: string;
  readonly student: string;
  readonly className: string;
  readonly brief: string;
  /** The day until which the brief is to be done, as 2026-12-05. */
  readonly dueOn: string | null;
  /** When it joined the queue, counted; and its place where somebody put it there by hand. */
  readonly position: number;
  readonly handOrder: number | null;
  readonly seconds: number;
  readonly grams: number;
  readonly material: string;
  /** From the plate up; empty where any colour will do. */
  readonly colours: readonly FilamentColour[];
  readonly copy: number;
  readonly copies: number;
  readonly state: 'waiting' | 'held' | 'out';
  /** Why its approval may not hold any more; such a part is not printed before somebody has looked at it. */
  readonly doubt: string | null;
  readonly waivers: readonly Waived[];
}

/** A check that the teacher let pass, with the reason. */
export interface Waived {
  readonly check: string;
  readonly title: string;
  readonly reason: string;
  readonly by: string;
  readonly at: string;
}

/** What became of the queue since a version that the page knows, or all of it. */
export interface QueueNews {
  readonly version: string;
  /** What of all changes is in it, as `isChangeIn` reads it. */
  readonly snapshot: string;
  /** Whether these are all rows there are; otherwise only those that are new or not as they were. */
  readonly isWhole: boolean;
  readonly rows: readonly QueueRow[];
  /** The ids of rows that are in the queue no more. */
  readonly gone: readonly string[];
}

/** Whether a part may be put in a batch. */
export function mayBeLaid({ state, doubt }: Pick<QueueRow, 'state' | 'doubt'>): boolean {
  return state === 'waiting' && doubt === null;
}

/** The rows that a page has after news of them. */
export function afterNews(
  rows: ReadonlyMap<string, QueueRow> | undefined,
  news: QueueNews,
): Map<string, QueueRow> {
  const after = new Map(news.isWhole ? undefined : rows);
  for (const id of news.gone) after.delete(id);
  for (const row of news.rows) after.set(row.id, row);
  return after;
}
