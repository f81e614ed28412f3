import type { LiveHub } from './hub.ts';
import type { Topic } from './topics.ts';

/** A comment this often keeps proxies from closing a silent connection. */
const BEAT_MS = 20_000;

/** How each stream that is open now is closed. */
const open = new Set<() => void>();
let isStopping = false;

/** What a page that follows some topics is sent, as server-sent events; a page that loses it asks for another. */
export function liveStream(hub: LiveHub, topics: readonly Topic[]): ReadableStream<Uint8Array> {
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
      open.add(close);
      const send = (words: string) => {
        if (isOpen) controller.enqueue(encoder.encode(words));
      };
      beat = setInterval(() => send(': still here\n\n'), BEAT_MS);
      unfollow = await hub.follow(topics, (topic) => send(`data: ${topic}\n\n`));
      if (!isOpen) return end();
      // Whatever happened before this moment was not heard: the page looks once.
      send('retry: 1000\ndata: following\n\n');
    },
    cancel: end,
  });
}

/** Closes every open stream and each that is asked for from now on, so that a server that stops need not wait for pages to be left. */
export function closeStreams(): void {
  isStopping = true;
  for (const close of [...open]) close();
}
