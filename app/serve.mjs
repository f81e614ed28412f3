import { server } from './build/index.js';

/*
 * The web process. Files that belong to the app are answered before any page is asked, so that what holds for the
 * headers of pages is said here for them as well.
 */

server.server.prependListener('request', (_, response) => {
  response.setHeader('X-Content-Type-Options', 'nosniff');
});
