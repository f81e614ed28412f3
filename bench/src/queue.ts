import { chromium, type Page } from 'playwright-core';
import { chromiumOptions } from '../../ops/chromium.ts';
import { school } from '../../app/src/lib/server/demo/school.ts';
import { Visitor } from './classroom.ts';
import { onDemo } from './onDemo.ts';
import { fillQueue } from '../../ops/fullQueue.ts';
import { quantile } from './measure.ts';
import { measurePages } from './pages.ts';

/*
 * The print room with eight printers while a thousand approved files of as many students wait: how long its pages take to
 * answer; and in a browser how long the queue takes until its first rows are there and until nothing is fetched any more,
 * what came over the line until then, and what moving one part sends.
 */

const FILES = 1000;
const PRINTERS = 8;
/** Opened so often: the first time with nothing in the browser, then as somebody finds it who was there before. */
const VISITS = 6;
/** Nothing was fetched for so long: all is quiet, ms. */
const QUIET_MS = 700;

await onDemo('queue', async (stack, databaseUrl) => {
  await fillQueue(databaseUrl, FILES, PRINTERS);
  const { email, password } = school.teacher;
  const teacher = await Visitor.signIn(stack.origin, { email, password });
  await measureInBrowser(stack.origin);
  await measurePages({
    'the print room': () => teacher.load('/print-room'),
    'the queue, with new proposals': () => teacher.load('/queue'),
  });
});

/** Opens the queue again and again, moves a part, and prints what it took. */
async function measureInBrowser(origin: string): Promise<void> {
  const browser = await chromium.launch(chromiumOptions);
  const context = await browser.newContext({ baseURL: origin, viewport: { width: 1280, height: 800 } });
  const { email, password } = school.teacher;
  await context.request.post('/sign-in?/staff', { form: { email, password }, headers: { origin } });
  const visits = [];
  const page = await context.newPage();
  for (let i = 0; i < VISITS; i++) {
    visits.push(await visit(page));
    await page.goto('/glossary');
  }
  await browser.close();
  const [cold, ...warm] = visits;
  const median = (of: keyof Visit) =>
    quantile(
      warm.map((each) => each[of]),
      0.5,
    );
  const row = (of: (name: keyof Visit) => number) => ({
    'first rows, ms': Math.round(of('rowsMs')),
    'quiet, ms': Math.round(of('quietMs')),
    kB: Math.round(of('kB')),
    requests: of('requests'),
    'height of the page, px': of('heightPx'),
    'moving one, requests': of('moveRequests'),
    'moving one, kB': Number(of('moveKB').toFixed(1)),
  });
  console.table({ 'first visit': row((name) => cold[name]), 'later visits': row(median) });
}

/** What one visit to the queue came to. */
interface Visit {
  readonly rowsMs: number;
  readonly quietMs: number;
  readonly kB: number;
  readonly requests: number;
  readonly heightPx: number;
  readonly moveRequests: number;
  readonly moveKB: number;
}

async function visit(page: Page): Promise<Visit> {
  let [requests, bytes, lastMs] = [0, 0, 0];
  const session = await page.context().newCDPSession(page);
  await session.send('Network.enable');
  // What the browser has already is no request.
  const kept = new Set<string>();
  session.on('Network.requestServedFromCache', ({ requestId }) => kept.add(requestId));
  session.on('Network.responseReceived', ({ requestId, response }) => {
    if (response.fromDiskCache || response.mimeType === 'text/event-stream') kept.add(requestId);
    if (kept.has(requestId)) return;
    requests++;
    lastMs = performance.now();
  });
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    if (kept.has(requestId)) return;
    bytes += encodedDataLength;
    lastMs = performance.now();
  });
  const quiet = async () => {
    while (performance.now() - lastMs < QUIET_MS) await page.waitForTimeout(20);
  };
  const begun = performance.now();
  await page.goto('/queue', { waitUntil: 'commit' });
  await page.locator('[data-entry]').first().waitFor();
  const rowsMs = performance.now() - begun;
  // Everything can be found and chosen once all rows are there.
  await page.getByRole('combobox', { name: 'Student' }).waitFor();
  await quiet();
  const opened = { rowsMs, quietMs: lastMs - begun, kB: bytes / 1000, requests };
  const heightPx = await page.evaluate('document.documentElement.scrollHeight');
  [requests, bytes] = [0, 0];
  lastMs = performance.now();
  await page
    .getByRole('button', { name: /^Move / })
    .first()
    .press('ArrowDown');
  await quiet();
  const moved = { moveRequests: requests, moveKB: bytes / 1000 };
  await session.detach();
  return { ...opened, heightPx: heightPx as number, ...moved };
}
