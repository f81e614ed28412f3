/** A stream of news that was asked for. */
export interface NewsStream {
  close(): void;
}

/** What a stream tells of itself. */
export interface StreamEvents {
  /** It follows from this moment; also after each time that it was lost. */
  following(): void;
  news(topic: string): void;
  /** It was refused and will not come back by itself. */
  refused(): void;
}

/** Opens a stream that follows topics. */
export type OpenStream = (topics: readonly string[], events: StreamEvents) => NewsStream;

interface Open {
  readonly topics: ReadonlySet<string>;
  stream?: NewsStream;
  isFollowing: boolean;
}

/** News of a person, which every stream has whatever it follows. */
const isForAll = (topic: string) => topic.startsWith('person:');

/**
 * Shares one stream among all pages of a browser, which opens only a few connections to one server. When a page wants
 * more than is followed, a second stream is opened and takes over once it follows, so that nothing is missed in between.
 */
export class NewsExchange<Page> {
  readonly #pages = new Map<Page, ReadonlySet<string>>();
  readonly #openStream: OpenStream;
  readonly #tell: (page: Page) => void;
  readonly #retry: (again: () => void) => void;
  #current: Open | undefined;
  #next: Open | undefined;

  /**
   * @param tell tells a page to look, since something that it shows has changed or may have
   * @param retry calls back when a stream that was refused may be asked for again
   */
  constructor(openStream: OpenStream, tell: (page: Page) => void, retry: (again: () => void) => void) {
    this.#openStream = openStream;
    this.#tell = tell;
    this.#retry = retry;
  }

  /** Says what a page follows from now on. */
  follow(page: Page, topics: readonly string[]): void {
    this.#pages.set(page, new Set(topics));
    if (this.#current?.isFollowing && topics.every((topic) => this.#current!.topics.has(topic))) {
      // Its data may have been loaded before it came here.
      this.#tell(page);
    } else this.#widen();
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
    const topics = new Set([...this.#pages.values()].flatMap((wanted) => [...wanted]));
    if (topics.size === 0) return;
    this.#next?.stream?.close();
    const next: Open = { topics, isFollowing: false };
    this.#next = next;
    next.stream = this.#openStream([...topics], {
      following: () => this.#takesOver(next),
      news: (topic) => this.#heard(topic),
      refused: () => this.#refused(next),
    });
  }

  #takesOver(open: Open): void {
    const before = this.#current;
    if (this.#next === open) this.#next = undefined;
    this.#current = open;
    open.isFollowing = true;
    if (before !== open) before?.stream?.close();
    for (const [page, wanted] of this.#pages) {
      // Who was followed all the while has missed nothing.
      const wasFollowed =
        before !== undefined && before !== open && [...wanted].every((topic) => before.topics.has(topic));
      if (!wasFollowed) this.#tell(page);
    }
  }

  #heard(topic: string): void {
    for (const [page, wanted] of this.#pages) if (isForAll(topic) || wanted.has(topic)) this.#tell(page);
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
