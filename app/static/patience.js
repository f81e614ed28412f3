/*
 * The data of a page that finds no server is asked for again for a while: the server may just be starting anew, and
 * otherwise the whole page would be given up for the browser's own "cannot be reached", which nothing follows any more.
 */
(() => {
  const RETRY_MS = 1_000;
  const PATIENCE_MS = 60_000;
  const fetchOnce = window.fetch;
  window.fetch = async (input, init) => {
    const { pathname } = new URL(input instanceof Request ? input.url : input, location.href);
    const isPageData = pathname.endsWith('/__data.json');
    const begun = Date.now();
    for (;;) {
      try {
        return await fetchOnce(input, init);
      } catch (problem) {
        const isOver = problem.name === 'AbortError' || Date.now() - begun > PATIENCE_MS;
        if (!isPageData || isOver) throw problem;
        await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
      }
    }
  };
})();
