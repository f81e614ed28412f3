import type { Browser, Page } from '@playwright/test';
import { expectNoSeriousFault } from './accessibility.ts';
import { foot, offers } from './byHand.ts';
import { expect, openLabel, saved, signInByRequest, test } from './kelbrin.ts';

test.use({ file: 'building' });

/* One way from opening the bench to handing in, for each way of using it: by fingers, by keys alone, at twice the size. */

const label = { words: 'Kale', widthMm: 60 };

/** What can be pressed on the page and is smaller than a fingertip, 44 pixels; words of sentences that nobody works at are not. */
const tooSmall = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('button, a[href], select, input:not([type=range])')]
      .filter((each) => !each.closest('[data-step]:not([data-whole])') && each.checkVisibility())
      .filter((each) => {
        const { top, bottom, left, right } = each.getBoundingClientRect();
        return bottom > 0 && top < innerHeight && right > 0 && left < innerWidth && bottom - top < 43.5;
      })
      .map((each) => `${each.ariaLabel ?? each.textContent.trim()} ${each.getBoundingClientRect().height}`),
  );

async function byFinger(browser: Browser, origin: string): Promise<Page> {
  const context = await browser.newContext({
    baseURL: origin,
    viewport: { width: 390, height: 780 },
    hasTouch: true,
    isMobile: true,
  });
  await signInByRequest(context.request, origin, 'dario');
  return context.newPage();
}

test('a finger on a phone marks a step, changes a number, adds one and reads the checks', async ({
  browser,
  kelbrin,
}) => {
  const page = await byFinger(browser, kelbrin.origin);
  await openLabel(page, label);
  const step = page.locator('[data-step]').first();
  // Plain words of a sentence are what marks it; its number folds it.
  await step.getByText('mm', { exact: true }).first().tap();
  await expect(step).toHaveAttribute('data-whole', '');
  expect(await tooSmall(page)).toEqual([]);
  await expectNoSeriousFault(page, 'a marked step under a finger');
  const width = step.getByRole('spinbutton', { name: 'width', exact: true });
  await width.tap();
  await width.fill('66');
  await width.press('Enter');
  await expect(foot(page)).toContainText('66 × 28');

  await page.getByRole('button', { name: 'Add a step' }).tap();
  expect(await tooSmall(page)).toEqual([]);
  await offers(page).getByRole('button', { name: 'Extrude a shape: a heart', exact: true }).tap();
  await expect(page.locator('[data-step]')).toHaveCount(4);
  await page.getByRole('button', { name: 'Undo' }).tap();
  await expect(page.locator('[data-step]')).toHaveCount(3);

  const tabs = page.getByRole('group', { name: 'What is shown' });
  await tabs.getByRole('button', { name: 'Solid' }).tap();
  await expect(page.getByTestId('solid-view')).toBeInViewport();
  await tabs.getByRole('button', { name: 'Inspection' }).tap();
  await expect(page.locator('[data-check=size]')).toBeVisible();
  await saved(page);
  await page.context().close();
});

test('two fingers turn and zoom the solid', async ({ browser, kelbrin }) => {
  const page = await byFinger(browser, kelbrin.origin);
  await openLabel(page, label);
  await page
    .locator('[data-step]')
    .first()
    .tap({ position: { x: 6, y: 30 } });
  await page.getByRole('group', { name: 'What is shown' }).getByRole('button', { name: 'Solid' }).tap();
  const client = await page.context().newCDPSession(page);
  const view = (await page.getByTestId('solid-view').boundingBox())!;
  const [x, y] = [view.x + view.width / 2, view.y + view.height / 3];
  const longPx = async () => {
    const [high, low] = await Promise.all(
      ['high', 'low'].map((end) => page.locator(`[data-arrow="Size left to right: ${end}"]`).boundingBox()),
    );
    return Math.hypot(high!.x - low!.x, high!.y - low!.y);
  };
  const before = await longPx();
  const pinch = (type: 'touchStart' | 'touchMove' | 'touchEnd', apart: number) =>
    client.send('Input.dispatchTouchEvent', {
      type,
      touchPoints:
        type === 'touchEnd'
          ? []
          : [
              { x: x - apart, y, id: 0 },
              { x: x + apart, y, id: 1 },
            ],
    });
  await pinch('touchStart', 90);
  for (let apart = 85; apart >= 40; apart -= 5) await pinch('touchMove', apart);
  await pinch('touchEnd', 0);
  await expect.poll(longPx).toBeLessThan(before * 0.8);
  await page.context().close();
});

test('by keys alone a word is written, a hole is cut, a number is changed, and the label is handed in', async ({
  as,
}) => {
  const page = await as('maren');
  await openLabel(page, { ...label, words: 'Dill' });
  await page.keyboard.press('a');
  await expect(offers(page).getByRole('searchbox')).toBeFocused();
  await page.keyboard.type('heart');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-step]')).toHaveCount(4);
  // What was added last is at hand: Tab goes on through its sentence.
  const last = page.locator('[data-step]').last();
  await expect(last.locator(':focus')).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-step]')).toHaveCount(3);

  const width = page.getByRole('spinbutton', { name: 'width', exact: true }).first();
  await width.focus();
  await page.keyboard.press('ArrowUp');
  await expect(width).toHaveValue('61');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.getByRole('button', { name: 'Hand in', exact: true }).focus();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog');
  await expect(dialog).toBeVisible();
  await dialog.getByRole('button', { name: 'Hand in', exact: true }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Take it back' })).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Hand in', exact: true })).toBeVisible();
});

test('at twice the size all of the bench is reached, and nothing runs over', async ({ as }) => {
  const page = await as('keiko');
  /** What the browser could not draw. */
  const faults: string[] = [];
  page.on('console', (message) => message.type() === 'error' && faults.push(message.text()));
  await openLabel(page, label);
  // A laptop of 1280 × 800 that shows everything twice as large has so many pixels of the page.
  await page.setViewportSize({ width: 640, height: 400 });
  const overflow = () => page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
  expect(await overflow()).toBe(0);
  const tabs = page.getByRole('group', { name: 'What is shown' });
  await tabs.getByRole('button', { name: 'Recipe' }).click();
  const width = page.getByRole('spinbutton', { name: 'width', exact: true }).first();
  await width.fill('64');
  await width.press('Enter');
  await expect(foot(page)).toContainText('64 × 28');
  await page.getByRole('button', { name: 'Add a step' }).click();
  const heart = offers(page).getByRole('button', { name: 'Extrude a shape: a heart', exact: true });
  await heart.scrollIntoViewIfNeeded();
  await expect(heart).toBeInViewport();
  await expectNoSeriousFault(page, 'what can be added, at twice the size');
  await heart.click();
  await expect(page.locator('[data-step]').last()).toBeInViewport();
  expect(await overflow()).toBe(0);
  for (const [pane, what] of [
    ['Solid', page.getByTestId('solid-view')],
    ['Inspection', page.locator('[data-check=size]')],
  ] as const) {
    await tabs.getByRole('button', { name: pane }).click();
    await what.scrollIntoViewIfNeeded();
    await expect(what).toBeInViewport();
    expect(await overflow()).toBe(0);
    await expectNoSeriousFault(page, `${pane} at twice the size`);
  }
  await saved(page);
  expect(faults).toEqual([]);
});
