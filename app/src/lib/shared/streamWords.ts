/* What the server says on a stream of news, and how a browser reads it. */

/** How a stream says that it follows from now on, before for how long nothing was heard of what it follows. */
const FOLLOWING = 'following';

/** What is said as a stream begins; `quietMs` is for how long there were no news of its topics, ms. */
export function followingFor(quietMs: number): string {
  return `${FOLLOWING} ${Math.floor(quietMs)}`;
}

/** What is said when a topic changed, by a transaction if that is known. */
export function newsFor(topic: string, change?: string): string {
  return change === undefined ? topic : `${topic} ${change}`;
}

/** Something that a stream said: that it follows, or what changed. */
export type Said = { readonly quietMs: number } | { readonly topic: string; readonly change?: number };

/** Reads what a stream said. */
export function readSaid(words: string): Said {
  const [first, number] = words.split(' ');
  if (first === FOLLOWING) return { quietMs: Number(number) };
  return { topic: first, change: number === undefined ? undefined : Number(number) };
}
