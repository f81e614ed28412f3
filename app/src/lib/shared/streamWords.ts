/*
 * What the server says on a stream of news, and how a browser reads it: a topic as the data of an event, and as its id the
 * transaction that changed it. Pages that know nothing of the id go on by the data alone.
 */

/** How a stream says that it follows from now on. */
const FOLLOWING = 'following';

/** An event of a stream: its data, and its id where it has one. */
export interface StreamEvent {
  readonly data: string;
  readonly id?: string;
}

/** What is said as a stream begins; `quietMs` is for how long there were no news of its topics, ms. */
export function followingFor(quietMs: number): StreamEvent {
  return { data: FOLLOWING, id: String(Math.floor(quietMs)) };
}

/** What is said when a topic changed, by a transaction if that is known. */
export function newsFor(topic: string, change?: string): StreamEvent {
  return { data: topic, id: change };
}

/** Something that a stream said: that it follows, or what changed. */
export type Said = { readonly quietMs: number } | { readonly topic: string; readonly change?: number };

/** Reads what a stream said. */
export function readSaid({ data, id }: StreamEvent): Said {
  if (data === FOLLOWING) return { quietMs: Number(id) };
  return { topic: data, change: id ? Number(id) : undefined };
}
