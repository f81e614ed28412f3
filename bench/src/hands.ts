import { chromium, type Page } from 'playwright-core';
import { school } from '../../app/src/lib/server/demo/school.ts';
import { chromiumOptions } from '../../ops/chromium.ts';
import { quantile } from './measure.ts';
import { onDemo } from './onDemo.ts';

/*
 * The bench under a student's hands, in a browser that draws without a graphics card: how long it takes to open when nothing
 * of it is in the browser yet, and how many solids a second follow a size that is dragged on the solid itself. Machines
 * differ and are noisy, so the drag is held against a loop of plain arithmetic that is timed in the same page.
 */

const LOADS = 5;
const DRAGS = 5;
const DRAG_MS = 4000;

/** What one drag came to. */
interface Dragged {
  readonly solidsPerSecond: number;
  readonly longestTaskMs: number;
  /** How many tasks of the page took longer than 50 ms. */
  readonly longTasks: number;
  /** A hundred million additions in the page, ms. */
  readonly loopMs: number;
}

await onDemo('hands', async ({ origin }) => {
  const browser = await chromium.launch(chromiumOptions);
  try {
    const loads = [];
    for (let i = 0; i < LOADS; i++) loads.push(await loaded(await signedIn()));
    const page = await signedIn();
    await openBench(page);
    const drags: Dragged[] = [];
    for (let i = 0; i < DRAGS; i++) drags.push(await dragged(page));
    const median = (of: readonly number[]) => Number(quantile(of, 0.5).toFixed(1));
    console.table({
      'until the bench answers, cold, ms': { median: median(loads.map(({ ms }) => ms)) },
      'kB until then, without the kernel': { median: median(loads.map(({ kB }) => kB)) },
      'solids a second while a size is dragged': {
        median: median(drags.map((each) => each.solidsPerSecond)),
      },
      'longest task of the page meanwhile, ms': { median: median(drags.map((each) => each.longestTaskMs)) },
      'tasks over 50 ms in four seconds': { median: median(drags.map((each) => each.longTasks)) },
      'a hundred million additions, ms': { median: median(drags.map((each) => each.loopMs)) },
    });
  } finally {
    await browser.close();
  }

  async function signedIn(): Promise<Page> {
    const context = await browser.newContext({ baseURL: origin, viewport: { width: 1280, height: 800 } });
    const form = { code: school.classCode, name: 'asha', pin: school.studentPin };
    await context.request.post('/sign-in?/student', { form, headers: { origin } });
    // Functions that are carried into a page name their own by this helper of the compiler, which is not carried along.
    await context.addInitScript('globalThis.__name = (named) => named');
    return context.newPage();
  }
});

async function pathOfBench(page: Page): Promise<string> {
  return /\/bench\/[0-9a-f-]+/.exec(await (await page.request.get('/home')).text())![0];
}

async function openBench(page: Page): Promise<void> {
  await page.goto(await pathOfBench(page));
  await page.getByTestId('solid-view').waitFor();
}

/** How long it takes until the first sentence can be worked at, and how much comes over the line before the kernel. */
async function loaded(page: Page): Promise<{ ms: number; kB: number }> {
  const path = await pathOfBench(page);
  let bytes = 0;
  const session = await page.context().newCDPSession(page);
  await session.send('Network.enable');
  const kernel = new Set<string>();
  session.on('Network.responseReceived', ({ requestId, response }) => {
    if (response.url.endsWith('.wasm')) kernel.add(requestId);
  });
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    if (!kernel.has(requestId)) bytes += encodedDataLength;
  });
  const begun = performance.now();
  await page.goto(path, { waitUntil: 'commit' });
  await page.locator('[data-step]').first().click();
  await page.getByRole('combobox', { name: /^More for/ }).waitFor();
  const ms = performance.now() - begun;
  const kB = bytes / 1000;
  await page.context().close();
  return { ms, kB };
}

/** Drags the width of the first step to and fro, with as many moves as frames. */
async function dragged(page: Page): Promise<Dragged> {
  await page.locator('[data-step]').first().click();
  const width = page.getByRole('spinbutton', { name: 'width', exact: true }).first();
  await width.fill('84');
  await width.press('Enter');
  await page.locator('[data-save=saved]').waitFor();
  await page.waitForTimeout(1500);
  return page.evaluate(drag, DRAG_MS);
}

/** Runs in the page: a hand that takes the width's arrow and swings it. */
async function drag(forMs: number): Promise<Dragged> {
  const volume = () => document.querySelector('[aria-label=Part]')?.textContent?.split('cm³')[0];
  const arrow = document.querySelector('[data-arrow="Size left to right: high"]')!;
  const sheet = arrow.closest('svg')!;
  // A pointer that no hand holds cannot be captured.
  sheet.setPointerCapture = () => {};
  const { left, top, width, height } = arrow.getBoundingClientRect();
  const [x, y] = [left + width / 2, top + height / 2];
  const point = (on: Element, type: string, dx: number) =>
    on.dispatchEvent(
      new PointerEvent(type, {
        bubbles: true,
        cancelable: true,
        clientX: x - dx,
        clientY: y - 0.4 * dx,
        // Held off from snapping, so that every move is another size.
        altKey: true,
      }),
    );
  const tasks: number[] = [];
  const watch = new PerformanceObserver((list) =>
    tasks.push(...list.getEntries().map((each) => each.duration)),
  );
  let solids = 0;
  let was = volume();
  const seen = new MutationObserver(() => {
    const is = volume();
    if (is !== was) solids++;
    was = is;
  });
  point(arrow, 'pointerdown', 0);
  watch.observe({ entryTypes: ['longtask'] });
  seen.observe(document.querySelector('[aria-label=Part]')!, {
    subtree: true,
    childList: true,
    characterData: true,
  });
  const begun = performance.now();
  for (let t = 0; t < forMs; t = performance.now() - begun) {
    point(sheet, 'pointermove', 50 - 50 * Math.cos(t / 400));
    await new Promise((next) => requestAnimationFrame(next));
  }
  const seconds = (performance.now() - begun) / 1000;
  watch.disconnect();
  seen.disconnect();
  point(sheet, 'pointerup', 0);
  const loopFrom = performance.now();
  let sum = 0;
  for (let i = 0; i < 1e8; i++) sum += i & 7;
  const loopMs = performance.now() - loopFrom + (sum < 0 ? 1 : 0);
  return {
    solidsPerSecond: solids / seconds,
    longestTaskMs: Math.max(0, ...tasks),
    longTasks: tasks.length,
    loopMs,
  };
}
