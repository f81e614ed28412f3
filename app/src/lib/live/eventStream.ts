import type { OpenStream } from './newsExchange.ts';
import { readSaid } from '../shared/streamWords.ts';

/** Follows topics by server-sent events; the browser makes a lost connection anew by itself. */
export const eventStream: OpenStream = (topics, { following, news, refused }) => {
  const query = topics.map((topic) => `topic=${encodeURIComponent(topic)}`).join('&');
  const source = new EventSource(`/live?${query}`);
  source.onmessage = ({ data, lastEventId: id }: MessageEvent<string>) => {
    const said = readSaid({ data, id });
    if ('quietMs' in said) following(said.quietMs);
    else news(said.topic, said.change);
  };
  source.onerror = () => {
    if (source.readyState === EventSource.CLOSED) refused();
  };
  return source;
};

/** Streams that were refused are asked for again after this long, ms: a session may be back, or a place free. */
export const AGAIN_AFTER_MS = 10_000;
