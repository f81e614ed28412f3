/** Three states of one thing: what two people both began from, and what each made of it. Undefined is what is not there. */
export interface Three<Data> {
  readonly base: Data;
  readonly mine: Data;
  readonly theirs: Data;
}

/** Whose word holds where both changed the same thing. */
export type Preferred = 'mine' | 'theirs';

/** Whether data is an object with named fields. */
export function isRecord(data: unknown): data is Record<string, unknown> {
  return typeof data === 'object' && data !== null && !Array.isArray(data);
}

/** Whether two pieces of plain data say the same, whatever the order of their keys; a field that is undefined is none. */
export function sameData(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (Array.isArray(a))
    return Array.isArray(b) && a.length === b.length && a.every((each, i) => sameData(each, b[i]));
  if (!isRecord(a) || !isRecord(b)) return false;
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].every((key) => sameData(a[key], b[key]));
}
