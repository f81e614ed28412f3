import type { Locator, Page } from '@playwright/test';
import { foot } from './byHand.ts';
import { expect, openLabel, saved, test } from './kelbrin.ts';

test.use({ file: 'building' });

const label = { words: 'Kale', widthMm: 60 };

const step = (page: Page, number: number) => page.locator('[data-step]').nth(number - 1);
const arrow = (page: Page, label: string, end = 'high') => page.locator(`[data-arrow="${label}: ${end}"]`);

/** The middle of something once it stays where it is: what an edit moves comes to rest with its solid. */
async function restingPlace(what: Locator): Promise<readonly [number, number]> {
  let at = await what.boundingBox();
  await expect(async () => {
    const before = at;
    at = await what.boundingBox();
    expect(at).not.toBeNull();
    expect(at).toEqual(before);
  }).toPass({ intervals: [150] });
  return [at!.x + at!.width / 2, at!.y + at!.height / 2];
}

/** Takes hold of something on the solid and drags it on; what is let go is up to the caller. */
async function take(page: Page, what: Locator, dx: number, dy: number): Promise<void> {
  const [x, y] = await restingPlace(what);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + dx / 2, y + dy / 2, { steps: 3 });
  await page.mouse.move(x + dx, y + dy, { steps: 3 });
}

test('sizes and places are dragged and typed on the solid itself, and one drag is one edit', async ({
  as,
}) => {
  const page = await as('keiko');
  await openLabel(page, label);
  await step(page, 1).click({ position: { x: 8, y: 30 } });
  const width = page.getByRole('spinbutton', { name: 'width', exact: true });
  // The small plan follows a drag in its own time, and ends where the solid does.
  const onPlan = page.getByTestId('plan').locator('path[fill-rule]').first();
  const asItWas = await onPlan.getAttribute('d');
  await take(page, arrow(page, 'Size left to right'), 60, 24);
  await page.mouse.up();
  // The solid grows to where it was dragged, by both its ends, since it is centred.
  await expect.poll(async () => Number(await width.inputValue())).toBeGreaterThan(66);
  await expect(foot(page)).toContainText(`${await width.inputValue()} × 28`);
  await expect(onPlan).not.toHaveAttribute('d', asItWas!);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(width).toHaveValue('60');
  await expect(foot(page)).toContainText('60 × 28');
  await expect(onPlan).toHaveAttribute('d', asItWas!);

  // Escape lets all be as it was.
  await take(page, arrow(page, 'Size left to right'), 60, 24);
  await expect.poll(async () => Number(await width.inputValue())).toBeGreaterThan(66);
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(width).toHaveValue('60');
  await expect(foot(page)).toContainText('60 × 28');

  // A number that is typed meanwhile takes over from the hand.
  await take(page, arrow(page, 'Size from below to above'), 0, -6);
  await page.keyboard.press('3');
  await page.mouse.up();
  const figure = page.getByRole('textbox', { name: 'Size from below to above' });
  await expect(figure).toHaveValue('3');
  await figure.press('Enter');
  await expect(step(page, 1).getByRole('spinbutton', { name: /up|height/ })).toHaveValue('3');

  // A figure is pressed and typed over, with units and decimal commas as everywhere; what cannot be is said there.
  await page.locator('[data-figure="Size front to back"]').click();
  const depth = page.getByRole('textbox', { name: 'Size front to back' });
  await depth.fill('3 elbows');
  await depth.press('Enter');
  await expect(page.getByTestId('hands').getByRole('alert')).toBeVisible();
  await depth.fill('2,5 cm');
  await depth.press('Enter');
  await expect(foot(page)).toContainText('60 × 25');

  await step(page, 2).click({ position: { x: 8, y: 12 } });
  const hole = () =>
    step(page, 2)
      .getByRole('spinbutton', { name: /from the left|distance/ })
      .first();
  const before = Number(await hole().inputValue());
  await take(page, page.locator('[data-hand=move]'), 30, 12);
  await page.mouse.up();
  await expect.poll(async () => Number(await hole().inputValue())).toBeGreaterThan(before + 3);
  await saved(page);
});

test('what the pointer rests on is said, and a finger drags an arrow too', async ({ as }) => {
  const page = await as('keiko');
  await openLabel(page, label);
  const view = (await page.getByTestId('solid-view').boundingBox())!;
  await page.getByRole('button', { name: 'Top', exact: true }).click();
  await page.mouse.move(view.x + view.width * 0.78, view.y + view.height / 2 - 10);
  await expect(page.getByTestId('pointed')).toHaveText('top of step 1');
  await page.mouse.move(view.x + 4, view.y + view.height / 2);
  await expect(page.getByTestId('pointed')).toHaveCount(0);

  await step(page, 1).click({ position: { x: 8, y: 30 } });
  const width = page.getByRole('spinbutton', { name: 'width', exact: true });
  const client = await page.context().newCDPSession(page);
  await client.send('Emulation.setTouchEmulationEnabled', { enabled: true });
  const box = (await arrow(page, 'Size left to right').boundingBox())!;
  // A fingertip meets it: 44 pixels across.
  expect(Math.round(Math.min(box.width, box.height))).toBeGreaterThanOrEqual(44);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', dx: number) =>
    client.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: type === 'touchEnd' ? [] : [{ x: box.x + box.width / 2 + dx, y: box.y + box.height / 2 }],
    });
  await touch('touchStart', 0);
  for (let dx = 6; dx <= 36; dx += 6) await touch('touchMove', dx);
  await touch('touchEnd', 36);
  await expect.poll(async () => Number(await width.inputValue())).toBeGreaterThan(66);
  await saved(page);
});

test('on a part that was scaled and stood up the arrows are where the step is', async ({ as }) => {
  const page = await as('keiko');
  await openLabel(page, label);
  for (const what of ['Scale the whole part', 'Turn the part']) {
    await page.getByRole('button', { name: 'Add a step' }).click();
    await page.keyboard.type(what);
    await page.keyboard.press('Enter');
  }
  await step(page, 1).click({ position: { x: 8, y: 30 } });
  const width = page.getByRole('spinbutton', { name: 'width', exact: true });
  const end = (await arrow(page, 'Size left to right').boundingBox())!;
  const other = (await arrow(page, 'Size left to right', 'low').boundingBox())!;
  const longPx = Math.hypot(end.x - other.x, end.y - other.y);
  const share = 30 / longPx;
  await take(page, arrow(page, 'Size left to right'), (end.x - other.x) * share, (end.y - other.y) * share);
  await page.mouse.up();
  // Thirty pixels further at both ends, on a length of so many.
  await expect
    .poll(async () => Math.abs(Number(await width.inputValue()) - 60 * (1 + 2 * share)))
    .toBeLessThan(3);
  await saved(page);
});
