import { AGAIN_AFTER_MS } from '$lib/live/eventStream';
import { lookOnNews } from '$lib/live/lookOnNews';
import { afterNews, type QueueNews, type QueueRow } from '$lib/shared/queue/queueRow';
import { inFairOrder } from '$lib/shared/proposal';
import { isChangeIn } from '$lib/shared/snapshot';

/** However fast news come in, the rows are asked for at most this often, ms. */
const PAUSE_MS = 250;

/**
 * The rows of the queue as they are now. The first of them come with the page, and all are fetched as soon as it is there;
 * after that only what is new is. Without a connection they stay as they were, and are brought up to date when it is back.
 */
export class QueueRows {
  #known = $state.raw<ReadonlyMap<string, QueueRow>>();
  #version: string | undefined;
  #snapshot: string | undefined;
  /** The part that is being put somewhere else, until the server has done so. */
  #moving = $state.raw<{ readonly id: string; readonly before: string | undefined }>();
  readonly #first: () => readonly QueueRow[];
  #last: Promise<unknown> = Promise.resolve();
  #isStale = false;
  #again: ReturnType<typeof setTimeout> | undefined;

  /** @param first the rows that came with the page */
  constructor(first: () => readonly QueueRow[]) {
    this.#first = first;
  }

  /** Whether all rows are here, so that what is counted of them holds. */
  get isWhole(): boolean {
    return this.#known !== undefined;
  }

  readonly #inOrder = $derived(
    this.#known && inFairOrder([...this.#known.values()].toSorted((a, b) => a.position - b.position)),
  );

  /** In the order in which they are printed, with those that were taken out. */
  readonly all = $derived.by((): readonly QueueRow[] => {
    const rows = this.#inOrder ?? this.#first();
    const moved = rows.find(({ id }) => id === this.#moving?.id);
    if (!moved) return rows;
    const others = rows.filter((row) => row !== moved);
    const before = others.findIndex(({ id }) => id === this.#moving!.before);
    return others.toSpliced(before === -1 ? others.length : before, 0, moved);
  });

  /**
   * Shows a part before another, or last, while the server is told to put it there, which answers with what is new since
   * the version that is here; undefined if it could not.
   */
  async put(
    id: string,
    before: string | undefined,
    tell: (known: string | undefined) => Promise<QueueNews | undefined>,
  ): Promise<void> {
    const moving = { id, before };
    this.#moving = moving;
    const isTold = await this.#inTurn(async () => {
      const news = await tell(this.#version);
      if (news) this.#take(news);
      return news !== undefined;
    });
    if (!isTold) await this.refresh();
    if (this.#moving === moving) this.#moving = undefined;
  }

  /** Fetches what is new. Asked while it does so, it does so once more. */
  refresh(): Promise<void> {
    this.#isStale = true;
    return this.#inTurn(() => (this.#isStale ? this.#fetch() : Promise.resolve()));
  }

  /** Follows the news until the returned function is called. */
  follow(): () => void {
    const isSeen = (change: number) => this.#snapshot !== undefined && isChangeIn(this.#snapshot, change);
    const unfollow = lookOnNews(['printroom', 'queue'], PAUSE_MS, () => void this.refresh(), isSeen);
    return () => {
      unfollow();
      clearTimeout(this.#again);
    };
  }

  /** Does one thing after the other: what was read before something else was taken would bring back what was before. */
  #inTurn<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.#last.then(work);
    this.#last = mine.catch(() => {});
    return mine;
  }

  async #fetch(): Promise<void> {
    this.#isStale = false;
    const query = this.#version ? `?known=${this.#version}` : '';
    const answer = await fetch(`/queue/rows${query}`).catch(() => undefined);
    if (!answer || answer.status >= 500) {
      // Away just now; what is shown stays until it answers.
      this.#again = setTimeout(() => void this.refresh(), AGAIN_AFTER_MS);
      return;
    }
    // Whoever may see the queue no more is told so by the page.
    if (answer.ok) this.#take((await answer.json()) as QueueNews);
  }

  #take(news: QueueNews): void {
    this.#version = news.version;
    this.#snapshot = news.snapshot;
    this.#known = afterNews(this.#known, news);
  }
}
