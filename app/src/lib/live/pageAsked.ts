/** Whether the page that is shown is the one that came with the document. */
let isFirst = true;

/** Says that the page which came with the document is left. */
export function leaveFirstPage(): void {
  isFirst = false;
}

/**
 * When the data of the page that is shown were asked for, ms since the epoch. Undefined where that is not known: a page
 * behind a link may have been fetched when the link was first pointed at, and a document that the browser had kept is of
 * any age.
 */
export function pageAskedMs(): number | undefined {
  const [document] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[];
  return isFirst && document?.transferSize > 0 ? performance.timeOrigin : undefined;
}
