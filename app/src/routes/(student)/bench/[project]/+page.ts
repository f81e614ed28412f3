/** The bench lives in the browser: it needs the graphics card, a worker and the browser's storage. */
export const ssr = false;
