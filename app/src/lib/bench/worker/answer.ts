import type { FromWorker } from './messages';

/** Tells the page what the worker has found. */
export function answer(message: FromWorker): void {
  self.postMessage(message);
}
