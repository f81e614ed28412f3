/** A stream of news that was asked for. */
export interface NewsStream {
  close(): void;
}

/** What a stream tells of itself. */
export interface StreamEvents {
  /**
   * It follows from this moment, and there were no news for `quietMs` before; also after each time that it was lost.
   */
  following(quietMs: number): void;
  /** A topic changed, by a transaction if that is known. */
  news(topic: string, change?: number): void;
  /** It was refused and will not come back by itself. */
  refused(): void;
}

/** Opens a stream that follows topics. */
export type OpenStream = (topics: readonly string[], events: StreamEvents) => NewsStream;

interface Open {
  readonly topics: ReadonlySet<string>;
  /** When the news of each topic came last, ms since the epoch. */
  readonly heardMs: Map<string, number>;
  stream?: NewsStream;
  /** Since when nothing else was missed, once it follows, ms since the epoch. */
  knownFromMs?: number;
}

/** What a page follows, and when its data were asked for, ms since the epoch; a page that cannot say so looks once. */
interface Wish {
  readonly topics: ReadonlySet<string>;
  readonly askedMs: number | undefined;
}

/** Clocks of one machine may differ by so much, ms: who has no news for a moment longer has missed none. */
const DOUBT_MS = 1000;

/** News of a person, which every stream has whatever it follows. */
const isForAll = (topic: string) => topic.startsWith('person:');

/**
 * Shares one stream among all pages of a browser, which opens only a few connections to one server. When a page wants
 * more than is followed, a second stream is opened and takes over once it follows, so that nothing is missed in between.
 */
export class NewsExchange<Page> {
  readonly #pages = new Map<Page, Wish>();
  readonly #openStream: OpenStream;
  readonly #tell: (page: Page, change?: number) => void;
  readonly #retry: (again: () => void) => void;
  #current: Open | undefined;
  #next: Open | undefined;

  /**
   * @param tell tells a page to look, since something that it shows has changed or may have; by which transaction, if it
   *   is known to be one alone
   * @param retry calls back when a stream that was refused may be asked for again
   */
  constructor(
    openStream: OpenStream,
    tell: (page: Page, change?: number) => void,
    retry: (again: () => void) => void,
  ) {
    this.#openStream = openStream;
    this.#tell = tell;
    this.#retry = retry;
  }

  /**
   * Says what a page follows from now on.
   * @param askedMs when the page's data were asked for, ms since the epoch; undefined if that is not known
   */
  follow(page: Page, topics: readonly string[], askedMs?: number): void {
    const wish = { topics: new Set(topics), askedMs };
    this.#pages.set(page, wish);
    const open = this.#current;
    if (!open || topics.some((topic) => !open.topics.has(topic))) this.#widen();
    // Its data may have been loaded before it came here.
    else if (mayHaveMissed(wish, open)) this.#tell(page);
  }

  /** Says that a page is gone. */
  leave(page: Page): void {
    this.#pages.delete(page);
    if (this.#pages.size > 0) return;
    for (const open of [this.#current, this.#next]) open?.stream?.close();
    this.#current = this.#next = undefined;
  }

  /** Opens a stream that follows all that any page wants. */
  #widen(): void {
    const topics = new Set([...this.#pages.values()].flatMap((wish) => [...wish.topics]));
    if (topics.size === 0) return;
    this.#next?.stream?.close();
    const next: Open = { topics, heardMs: new Map() };
    this.#next = next;
    next.stream = this.#openStream([...topics], {
      following: (quietMs) => this.#takesOver(next, quietMs),
      news: (topic, change) => this.#heard(next, topic, change),
      refused: () => this.#refused(next),
    });
  }

  #takesOver(open: Open, quietMs: number): void {
    const before = this.#current;
    if (this.#next === open) this.#next = undefined;
    this.#current = open;
    const isBack = before === open;
    open.knownFromMs = Date.now() - (isBack ? 0 : quietMs);
    if (!isBack) before?.stream?.close();
    for (const [page, wish] of this.#pages) {
      // Who was followed all the while has missed nothing; how long a stream was lost is not known.
      const wasFollowed =
        before !== undefined && !isBack && [...wish.topics].every((topic) => before.topics.has(topic));
      if (!wasFollowed && (isBack || mayHaveMissed(wish, open))) this.#tell(page);
    }
  }

  #heard(open: Open, topic: string, change?: number): void {
    open.heardMs.set(topic, Date.now());
    for (const [page, { topics }] of this.#pages)
      if (isForAll(topic) || topics.has(topic)) this.#tell(page, change);
  }

  #refused(open: Open): void {
    open.stream?.close();
    if (this.#next === open) this.#next = undefined;
    if (this.#current === open) this.#current = undefined;
    this.#retry(() => {
      if (this.#pages.size > 0 && !this.#current && !this.#next) this.#widen();
    });
  }
}

/** Whether there may have been news for a page since its data were asked for, of which it was not told. */
function mayHaveMissed({ topics, askedMs }: Wish, { heardMs, knownFromMs }: Open): boolean {
  if (askedMs === undefined || knownFromMs === undefined) return true;
  const heard = [...heardMs].flatMap(([topic, ms]) => (isForAll(topic) || topics.has(topic) ? [ms] : []));
  return Math.max(knownFromMs, ...heard) > askedMs - DOUBT_MS;
}
