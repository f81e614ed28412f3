import {
  defaultRangeExtractor,
  observeWindowOffset,
  observeWindowRect,
  Virtualizer,
  windowScroll,
  type VirtualItem,
  type VirtualizerOptions,
} from '@tanstack/virtual-core';

/** So many rows before and after those that are seen are there, so that the next ones are when they come into sight. */
const OVERSCAN = 4;
/** What a page shows that was written by the server, which has no window. */
const FIRST_SIGHT = { width: 1280, height: 800 };

interface Rows {
  readonly count: number;
  readonly key: (index: number) => string;
  /** The height of a row that was not measured yet, px. */
  readonly heightPx: (index: number) => number;
  /** How far down the page the first row begins, px. */
  readonly topPx: number;
  /** Rows that stay though they are out of sight: one that is dragged, or has the focus. */
  readonly kept: readonly number[];
}

/** The rows of a long list that a window shows while it scrolls; no others are drawn. */
export class WindowRows {
  readonly #rows: () => Rows;
  readonly #virtualizer: Virtualizer<Window, HTMLElement>;
  #changes = $state(0);

  constructor(rows: () => Rows) {
    this.#rows = rows;
    this.#virtualizer = new Virtualizer<Window, HTMLElement>(this.#options());
    $effect(() => this.#virtualizer._didMount());
    $effect(() => {
      void this.seen;
      this.#virtualizer._willUpdate();
    });
  }

  /** The rows to draw, from the top down, each with the room that is left empty before it. */
  readonly seen = $derived.by((): (VirtualItem & { readonly gapPx: number })[] => {
    void this.#changes;
    this.#virtualizer.setOptions(this.#options());
    const { topPx } = this.#rows();
    let end = topPx;
    return this.#virtualizer.getVirtualItems().map((item) => {
      const gapPx = item.start - end;
      end = item.end;
      return { ...item, gapPx };
    });
  });

  /** The room that all rows take, px. */
  get heightPx(): number {
    void this.seen;
    return this.#virtualizer.getTotalSize();
  }

  /** Follows the height of a drawn row, which has its index as data-index. */
  readonly measured = (row: HTMLElement): { destroy(): void } => {
    this.#virtualizer.measureElement(row);
    return { destroy: () => this.#virtualizer.measureElement(null) };
  };

  #options(): VirtualizerOptions<Window, HTMLElement> {
    const { count, key, heightPx, topPx, kept } = this.#rows();
    return {
      count,
      getItemKey: key,
      estimateSize: heightPx,
      scrollMargin: topPx,
      overscan: OVERSCAN,
      initialRect: FIRST_SIGHT,
      getScrollElement: () => (typeof window === 'undefined' ? null : window),
      observeElementRect: observeWindowRect,
      observeElementOffset: observeWindowOffset,
      scrollToFn: windowScroll,
      rangeExtractor: (range) => withKept(defaultRangeExtractor(range), kept),
      onChange: () => this.#changes++,
    };
  }
}

/** Indexes with those that stay, each once, from the first to the last. */
function withKept(seen: readonly number[], kept: readonly number[]): number[] {
  return [...seen, ...kept.filter((index) => !seen.includes(index))].sort((a, b) => a - b);
}
