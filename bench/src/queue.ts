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
/** Opened so often in each of the ways, by turns. */
const VISITS = 5;
/** Nothing was fetched for so long: all is quiet, ms. */
const QUIET_MS = 700;

/** Notes when the first frame with a row in it is painted: looked at from outside, a page that is at work answers late. */
const NOTE_FIRST_ROW = `
  const look = () => {
    if (document.querySelector('[data-entry]')) window.firstRowMs = performance.now();
    else requestAnimationFrame(look);
  };
  requestAnimationFrame(look);`;

await onDemo('queue', async (stack, databaseUrl) => {
  await fillQueue(databaseUrl, FILES, PRINTERS);
  const { email, password } = school.teacher;
  const teacher = await Visitor.signIn(stack.origin, { email, password });
  // A server that has answered nobody yet is another question.
  await teacher.load('/queue');
  await measureInBrowser(stack.origin);
  await measurePages({
    'the print room': () => teacher.load('/print-room'),
    'the queue, with new proposals': () => teacher.load('/queue'),
  });
});

/**
 * Opens the queue again and again, moves a part, and prints what it took: with a browser that has nothing of Kelbrin, from the
 * page that one comes to by signing in, and as somebody finds it who was there before.
 */
async function measureInBrowser(origin: string): Promise<void> {
  const browser = await chromium.launch(chromiumOptions);
  const { email, password } = school.teacher;
  const visits = { 'nothing in the browser': [], 'from the home page': [], 'later visits': [] } as Record<
    string,
    Visit[]
  >;
  for (let i = 0; i < VISITS; i++) {
    const open = async () => {
      const context = await browser.newContext({ baseURL: origin, viewport: { width: 1280, height: 800 } });
      await context.request.post('/sign-in?/staff', { form: { email, password }, headers: { origin } });
      return context.newPage();
    };
    const bare = await open();
    visits['nothing in the browser'].push(await visit(bare));
    const page = await open();
    await page.goto('/class', { waitUntil: 'load' });
    await page.waitForTimeout(QUIET_MS);
    visits['from the home page'].push(await visit(page));
    await page.goto('/glossary', { waitUntil: 'load' });
    await page.waitForTimeout(QUIET_MS);
    visits['later visits'].push(await visit(page));
    for (const each of [bare, page]) await each.context().close();
  }
  await browser.close();
  const row = (of: readonly Visit[]) => {
    const median = (name: keyof Visit) =>
      quantile(
        of.map((each) => each[name]),
        0.5,
      );
    return {
      'first rows, ms': Math.round(median('rowsMs')),
      'quiet, ms': Math.round(median('quietMs')),
      kB: Math.round(median('kB')),
      requests: median('requests'),
      'height of the page, px': median('heightPx'),
      'moving one, requests': median('moveRequests'),
      'moving one, kB': Number(median('moveKB').toFixed(1)),
    };
  };
  console.table(Object.fromEntries(Object.entries(visits).map(([name, each]) => [name, row(each)])));
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
  await page.addInitScript(NOTE_FIRST_ROW);
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
  const rowsMs = (await page.evaluate('firstRowMs')) as number;
  // Everything can be found and chosen once all rows are there.
  await page.getByRole('combobox', { name: 'Student' }).waitFor();
  await quiet();
  const opened = { rowsMs, quietMs: lastMs - begun, kB: bytes / 1000, requests };
  const heightPx = await page.evaluate('document.documentElement.scrollHeight');
  const grip = page.getByRole('button', { name: /^Move / }).first();
  // The rows that come into sight with it bring their pictures.
  await grip.focus();
  await page.waitForTimeout(QUIET_MS);
  await quiet();
  [requests, bytes] = [0, 0];
  lastMs = performance.now();
  await grip.press('ArrowDown');
  // Proposals are looked for anew a second after what changed them.
  await page.waitForTimeout(2 * QUIET_MS);
  await quiet();
  const moved = { moveRequests: requests, moveKB: bytes / 1000 };
  await session.detach();
  return { ...opened, heightPx: heightPx as number, ...moved };
}
