import type { LiveHub } from './hub.ts';
import { followingFor, newsFor, type StreamEvent } from '../../../shared/streamWords.ts';
import type { Topic } from './topics.ts';

/** A comment this often keeps proxies from closing a silent connection. */
const BEAT_MS = 20_000;

/** The browsers of one person that may be open at a time; all pages of one browser share a stream. */
const MOST_PER_PERSON = 12;

/** How each stream that is open now is closed, and whose it is. */
const open = new Map<() => void, string>();
let isStopping = false;

/** Begins to send what a stream is for; hands out what ends that. `close` has the browser ask for another stream. */
type Begin = (send: (event: StreamEvent) => void, close: () => void) => Promise<() => void>;

/**
 * What a browser is sent as server-sent events, until it leaves. Undefined for a person who has too many streams already.
 */
export function eventStream(personId: string, begin: Begin): ReadableStream<Uint8Array> | undefined {
  if ([...open.values()].filter((id) => id === personId).length >= MOST_PER_PERSON) return undefined;
  const encoder = new TextEncoder();
  let isOpen = true;
  let unfollow = () => {};
  let beat: ReturnType<typeof setInterval> | undefined;
  let close = () => {};
  // A page may be left at any moment, even before its stream follows anything.
  const end = () => {
    isOpen = false;
    clearInterval(beat);
    unfollow();
    open.delete(close);
  };
  return new ReadableStream<Uint8Array>({
    async start(controller) {
      close = () => {
        end();
        controller.close();
      };
      if (isStopping) return close();
      open.set(close, personId);
      const send = (words: string) => {
        if (isOpen) controller.enqueue(encoder.encode(words));
      };
      beat = setInterval(() => send(': still here\n\n'), BEAT_MS);
      // An empty id too is sent: without one an event would have that of the event before.
      unfollow = await begin(({ data, id = '' }) => send(`id: ${id}\ndata: ${data}\n\n`), close);
      if (!isOpen) return end();
      send('retry: 1000\n\n');
    },
    cancel: end,
  });
}

/**
 * What a browser that follows some topics is sent; one that loses it asks for another. It is told of the person's notices
 * as well, and closed when the person may not be told any more.
 */
export function liveStream(
  hub: LiveHub,
  personId: string,
  topics: readonly Topic[],
): ReadableStream<Uint8Array> | undefined {
  return eventStream(personId, async (send, close) => {
    const ended: Topic = `sessions:${personId}`;
    const wanted: Topic[] = [...topics, `person:${personId}`];
    let isFollowing = false;
    const unfollow = await hub.follow([...wanted, ended], (topic, change) => {
      // What is heard before it follows is in how long nothing was.
      if (!isFollowing) return;
      if (topic !== ended) send(newsFor(topic, change));
      // The browser asks for another, and is let in if it still may.
      else close();
    });
    isFollowing = true;
    // A page whose data are older than that looks once: what happened in between was not heard.
    send(followingFor(hub.quietMs(wanted)));
    return unfollow;
  });
}

/** Closes every open stream and each that is asked for from now on, so that a server that stops need not wait for pages to be left. */
export function closeStreams(): void {
  isStopping = true;
  for (const close of [...open.keys()]) close();
}
