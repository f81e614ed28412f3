import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { NewsExchange, type StreamEvents } from './newsExchange.ts';

/** An exchange of pages that are called by letters, with the streams that it opened. */
function exchange() {
  const streams: { topics: readonly string[]; events: StreamEvents; isClosed: boolean }[] = [];
  const told: string[] = [];
  const retries: (() => void)[] = [];
  const pages = new NewsExchange<string>(
    (topics, events) => {
      const stream = { topics, events, isClosed: false };
      streams.push(stream);
      return { close: () => (stream.isClosed = true) };
    },
    (page) => told.push(page),
    (again) => retries.push(again),
  );
  const open = () => streams.filter(({ isClosed }) => !isClosed);
  return { pages, streams, told, retries, open };
}

describe('pages that share a stream', () => {
  it('have one between them, however many they are', () => {
    const { pages, streams, told, open } = exchange();
    pages.follow('a', ['printroom']);
    streams[0].events.following(0);
    for (const page of ['b', 'c', 'd', 'e', 'f', 'g']) pages.follow(page, ['printroom']);
    expect(open()).toHaveLength(1);
    expect(told).toEqual(['a', 'b', 'c', 'd', 'e', 'f', 'g']);
  });

  it('hear of what they follow, and of what is for the person', () => {
    const { pages, streams, told } = exchange();
    pages.follow('a', ['class:1']);
    pages.follow('b', ['class:1', 'class:2']);
    streams.at(-1)!.events.following(0);
    told.length = 0;
    streams.at(-1)!.events.news('class:2');
    expect(told).toEqual(['b']);
    streams.at(-1)!.events.news('person:7');
    expect(told).toEqual(['b', 'a', 'b']);
  });

  it('miss nothing while a wider stream takes over, and only the newcomer looks', () => {
    const { pages, streams, told, open } = exchange();
    pages.follow('a', ['class:1']);
    streams[0].events.following(0);
    told.length = 0;
    pages.follow('b', ['class:2']);
    expect(open()).toHaveLength(2);
    streams[0].events.news('class:1');
    expect(told).toEqual(['a']);
    streams[1].events.following(0);
    expect(told).toEqual(['a', 'b']);
    expect(open()).toEqual([streams[1]]);
    expect(streams[1].topics).toEqual(['class:1', 'class:2']);
  });

  it('all look again when the stream was lost and is back', () => {
    const { pages, streams, told } = exchange();
    pages.follow('a', ['class:1']);
    streams[0].events.following(0);
    streams[0].events.following(0);
    expect(told).toEqual(['a', 'a']);
  });

  it('ask again when they were refused, and close the stream when the last is gone', () => {
    const { pages, streams, retries, open } = exchange();
    pages.follow('a', ['class:1']);
    streams[0].events.refused();
    expect(open()).toHaveLength(0);
    retries[0]();
    expect(open()).toHaveLength(1);
    streams[1].events.following(0);
    pages.leave('a');
    expect(open()).toHaveLength(0);
  });

  it('may follow as many classes as a teacher has', () => {
    const { pages, streams } = exchange();
    const classes = Array.from({ length: 40 }, (_, i) => `class:${i}`);
    pages.follow('a', classes);
    expect(streams[0].topics).toEqual(classes);
  });
});

describe('pages that know when their data were asked for', () => {
  const now = () => Date.now();
  beforeEach(() => void vi.useFakeTimers({ now: 1_000_000 }));
  afterEach(() => void vi.useRealTimers());

  it('look only where there were news since', () => {
    const { pages, streams, told } = exchange();
    pages.follow('a', ['queue'], now() - 3000);
    streams[0].events.following(60_000);
    expect(told).toEqual([]);
    pages.follow('b', ['queue'], now() - 90_000);
    expect(told).toEqual(['b']);
  });

  it('look where the news came only just before, since clocks differ', () => {
    const { pages, streams, told } = exchange();
    pages.follow('a', ['queue'], now() - 3000);
    streams[0].events.following(3500);
    expect(told).toEqual(['a']);
  });

  it('look for what was heard while others followed, if it was of theirs or of the person', () => {
    const { pages, streams, told } = exchange();
    pages.follow('a', ['queue', 'class:1', 'class:2'], now());
    streams[0].events.following(60_000);
    vi.advanceTimersByTime(20_000);
    streams[0].events.news('queue');
    vi.advanceTimersByTime(5000);
    told.length = 0;
    pages.follow('b', ['class:1'], now() - 10_000);
    expect(told).toEqual([]);
    pages.follow('c', ['queue'], now() - 10_000);
    expect(told).toEqual(['c']);
    pages.follow('d', ['queue'], now());
    expect(told).toEqual(['c']);
    streams[0].events.news('person:7');
    told.length = 0;
    pages.follow('e', ['class:1'], now() - 100);
    expect(told).toEqual(['e']);
  });

  it('look when the stream was lost and is back, however long it was quiet', () => {
    const { pages, streams, told } = exchange();
    pages.follow('a', ['queue'], now());
    streams[0].events.following(60_000);
    vi.advanceTimersByTime(30_000);
    streams[0].events.following(60_000);
    expect(told).toEqual(['a']);
  });
});
