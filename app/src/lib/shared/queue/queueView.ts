import { inPlainAscii } from '@kelbrin/core/machine';
import type { QueueRow } from './queueRow.ts';

/** What parts in the queue are told apart by. */
export const facets = ['class', 'brief', 'student', 'material', 'colour', 'due', 'state'] as const;
export type Facet = (typeof facets)[number];

/** Which parts are looked at, and how they are put together. */
export interface QueueView {
  /** Words that all have to be in the part's name, its student, its class or its brief. */
  readonly words: string;
  /** The one value that is looked at, of some facets. */
  readonly only: Readonly<Partial<Record<Facet, string>>>;
  readonly group: Facet | undefined;
}

/** A value as it is compared and kept in an address; empty where a part has none, such as no due date. */
export function valueOf(row: QueueRow, facet: Facet): string {
  switch (facet) {
    case 'class':
      return row.className;
    case 'brief':
      return row.brief;
    case 'student':
      return row.student;
    case 'material':
      return row.material;
    case 'colour':
      return row.colours.join(' ');
    case 'due':
      return row.dueOn ?? '';
    case 'state':
      return row.state;
  }
}

/** The parts that a view shows, in their order. What was taken out is shown where it is asked for. */
export function rowsIn(rows: readonly QueueRow[], { words, only }: QueueView): QueueRow[] {
  const wanted = plain(words).split(/\s+/).filter(Boolean);
  const facetsAsked = facets.filter((facet) => only[facet] !== undefined);
  return rows.filter(
    (row) =>
      (only.state !== undefined || row.state !== 'out') &&
      facetsAsked.every((facet) => valueOf(row, facet) === only[facet]) &&
      wanted.every((word) => plainOf(row).includes(word)),
  );
}

/** A value of a facet, and how many parts have it of those that the other wishes of a view leave. */
export interface Choice {
  readonly value: string;
  readonly count: number;
}

/** What can be chosen of a facet, each value once: days and classes in their order, and what has no value last. */
export function choicesOf(rows: readonly QueueRow[], view: QueueView, facet: Facet): Choice[] {
  const { [facet]: own, ...only } = view.only;
  const left = rowsIn(rows, { ...view, only });
  // All states can be chosen between, also the one that is shown only where it is asked for.
  if (facet === 'state') left.push(...rowsIn(rows, { ...view, only: { ...only, state: 'out' } }));
  const counts = new Map<string, number>();
  for (const row of left) {
    const value = valueOf(row, facet);
    counts.set(value, (counts.get(value) ?? 0) + 1);
  }
  // What is chosen can be seen, and undone, though nothing has it any more.
  if (own !== undefined && !counts.has(own)) counts.set(own, 0);
  return [...counts]
    .map(([value, count]) => ({ value, count }))
    .sort((a, b) => Number(a.value === '') - Number(b.value === '') || inOrder(a.value, b.value));
}

/** Parts that have a value in common. */
export interface Group {
  readonly value: string;
  readonly rows: readonly QueueRow[];
  readonly seconds: number;
  readonly grams: number;
}

/** Parts by what they have in common, the groups in the order of the first part of each, so that the queue's order holds. */
export function groupsOf(rows: readonly QueueRow[], facet: Facet): Group[] {
  const groups = new Map<string, QueueRow[]>();
  for (const row of rows) {
    const value = valueOf(row, facet);
    const group = groups.get(value);
    if (group) group.push(row);
    else groups.set(value, [row]);
  }
  return [...groups].map(([value, own]) => ({ value, rows: own, ...takesOf(own) }));
}

/** The time and the filament of parts together, each printed by itself. */
export function takesOf(rows: readonly QueueRow[]): { seconds: number; grams: number } {
  return {
    seconds: rows.reduce((sum, { seconds }) => sum + seconds, 0),
    grams: rows.reduce((sum, { grams }) => sum + grams, 0),
  };
}

/** A view as the query of an address, so that Back, a reload and a bookmark lead to it. */
export function queryOf({ words, only, group }: QueueView): string {
  const query = new URLSearchParams();
  if (words) query.set('words', words);
  for (const facet of facets) {
    const value = only[facet];
    if (value !== undefined) query.set(facet, value);
  }
  if (group) query.set('group', group);
  return query.toString();
}

/** The view that an address asks for; what it asks that does not exist is passed over. */
export function viewIn(query: URLSearchParams): QueueView {
  const group = facets.find((facet) => facet === query.get('group'));
  const only: Partial<Record<Facet, string>> = {};
  for (const facet of facets) {
    const value = query.get(facet);
    if (value !== null) only[facet] = value;
  }
  return { words: query.get('words') ?? '', only, group };
}

const order = new Intl.Collator(undefined, { numeric: true });
function inOrder(a: string, b: string): number {
  return order.compare(a, b);
}

/** Letters without their marks and in small, so that "lukasz" finds Łukasz. Letters of other scripts stay. */
function plain(words: string): string {
  return [...words.toLowerCase()].map((letter) => inPlainAscii(letter) || letter).join('');
}

/** Of each row, since a search asks for all of them with each letter that is typed. */
const plainRows = new WeakMap<QueueRow, string>();
function plainOf(row: QueueRow): string {
  const known = plainRows.get(row);
  if (known !== undefined) return known;
  const words = plain([row.part, row.student, row.className, row.brief].join('\n'));
  plainRows.set(row, words);
  return words;
}
