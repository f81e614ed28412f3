import compression from 'compression';
import { server } from './build/index.js';

/*
 * The web process. Files that belong to the app are answered before any page is asked, so that what holds for the
 * headers of pages is said here for them as well. Pages and data are compressed: they are a tenth of their size then.
 */

/** News have to arrive at once, and would wait until there is enough of them to compress. */
const compress = compression({
  filter: (request, response) =>
    !String(response.getHeader('Content-Type')).startsWith('text/event-stream') &&
    compression.filter(request, response),
});

server.server.prependListener('request', (request, response) => {
  response.setHeader('X-Content-Type-Options', 'nosniff');
  // From here on the answer is compressed while it is written, by whoever writes it.
  compress(request, response, () => {});
});
