import type { Proposal } from '$lib/server/printing/batches/proposals';
import { lookOnNews } from '$lib/live/lookOnNews';

/** Something that came as JSON, with its times as text. */
export type Sent<T> = { readonly [K in keyof T]: T[K] extends Date ? string : T[K] };

/** However fast news come in, the server looks for proposals at most this often, ms. */
const PAUSE_MS = 1000;

/** What could be started now; it is looked for apart from the page, since that takes longer than the page does. */
export class Proposals {
  /** Undefined until they are known. */
  found = $state.raw<readonly Sent<Proposal>[]>();
  #latest: readonly Sent<Proposal>[] | undefined;
  #isHeld = false;

  /** Looks for them, and again with the news, until the returned function is called. */
  follow(): () => void {
    return lookOnNews(['printroom', 'queue'], PAUSE_MS, () => void this.#fetch());
  }

  /** Leaves them as they are while a row of the list below them is dragged: it would be dropped on another one. */
  hold(isHeld: boolean): void {
    this.#isHeld = isHeld;
    this.#show();
  }

  #show(): void {
    if (!this.#isHeld) this.found = this.#latest;
  }

  async #fetch(): Promise<void> {
    const answer = await fetch('/queue/proposals').catch(() => undefined);
    // The next news, or the connection when it is back, asks again.
    if (!answer?.ok) return;
    this.#latest = (await answer.json()) as readonly Sent<Proposal>[];
    this.#show();
  }
}
