import type { Locator, Page } from '@playwright/test';
import { expectNoSeriousFault } from './accessibility.ts';
import {
  add,
  choose,
  clickDrawing as click,
  drawingSheet as sheet,
  emptyBench,
  foot,
  placeInDrawing as at,
} from './byHand.ts';
import { expect, saved, test } from './kelbrin.ts';

test.use({ file: 'building' });

const marked = (page: Page): Locator => page.getByRole('group', { name: 'Marked' });
const rules = (page: Page): Locator => page.getByRole('tabpanel', { name: 'Rules' });

/** Begins a drawing on an empty bench; the sheet opens by itself. */
async function begin(page: Page): Promise<Locator> {
  await emptyBench(page);
  const shape = await add(page, 'Extrude a shape');
  await choose(shape, 'shape', 'a drawn outline');
  await expect(sheet(page)).toBeVisible();
  return shape;
}

async function ask(page: Page, number: string, value: string): Promise<void> {
  const field = marked(page).getByRole('spinbutton', { name: number });
  await field.fill(value);
  await field.press('Enter');
}

test('a drawn box follows its lengths, and what cannot hold is said and not taken', async ({ as }) => {
  const page = await as('luca');
  const shape = await begin(page);
  // Beginning is no mistake: nothing is drawn yet, and nothing is wrong.
  await expect(shape.getByText('You are drawing it.')).toBeVisible();
  await expect(page.getByRole('alert')).toHaveCount(0);
  await click(page, [0, 0], [30, 0], [30, 18], [0, 18]);
  await expect(page.getByRole('alert')).toHaveCount(0);
  await click(page, [0, 0]);
  await expect(foot(page)).toContainText('30 × 18 × 2.6');

  await click(page, [8, 0]);
  await ask(page, 'length', '40');
  // What was drawn level and upright stays so: the box grows as one.
  await expect(foot(page)).toContainText('40 × 18 × 2.6');
  await expect(rules(page).getByRole('listitem')).toHaveCount(5);
  await click(page, [15, 18]);
  await expect(marked(page)).toContainText('1–2, 3–4');
  await marked(page).getByRole('button', { name: 'Equal' }).click();
  await expect(page.getByRole('alert')).toContainText(
    '“Edges 1–2 and 3–4 are equal” holds already, because of the other rules.',
  );
  await marked(page).getByRole('button', { name: 'Mark nothing' }).click();
  await click(page, [15, 18]);
  await ask(page, 'length', '50');
  await expect(page.getByRole('alert')).toContainText('“Edge 3–4 is 50 mm long” cannot hold together with');
  await expect(foot(page)).toContainText('40 × 18 × 2.6');
  await marked(page).getByRole('button', { name: 'Mark nothing' }).click();

  // A point that is dragged takes along what its rules hold to it.
  const [fromX, fromY] = await at(page, 35, 18);
  const [toX, toY] = await at(page, 35, 25);
  await page.mouse.move(fromX, fromY);
  await page.mouse.down();
  await page.mouse.move(toX, toY, { steps: 5 });
  await page.mouse.up();
  await expect(foot(page)).toContainText('40 × 25 × 2.6');
  await expect(page.getByText('All points can still move.')).toBeVisible();

  // A number of a rule can be worked out, and a rule can be taken away.
  const length = rules(page).getByRole('spinbutton').first();
  await length.fill('2 * 22');
  await length.press('Enter');
  await expect(foot(page)).toContainText('44 × 25 × 2.6');
  await page.keyboard.press('Control+z');
  await expect(foot(page)).toContainText('40 × 25 × 2.6');
  await rules(page).getByRole('button', { name: 'Take away: Edge 1–2 is 40 mm long' }).click();
  await expect(rules(page).getByRole('listitem')).toHaveCount(4);
  await expectNoSeriousFault(page, 'a drawing with rules');
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(sheet(page)).toHaveCount(0);
  await expect(shape).toContainText('with 4 points and 4 rules');
  await saved(page);
  await page.reload();
  await expect(foot(page)).toContainText('40 × 25 × 2.6');
});

test('an outline is drawn with the keyboard alone, its lines typed, and asked to hold', async ({ as }) => {
  const page = await as('maren');
  await begin(page);
  await page.getByRole('button', { name: '+ point' }).focus();
  await page.keyboard.press('Enter');
  await sheet(page).focus();
  for (const [length, angle] of [
    ['40', '0'],
    ['20', '90'],
    ['40', '180'],
  ] as const) {
    // oxfmt-ignore
    await page.keyboard.type(length);
    await page.keyboard.press('Tab');
    await page.keyboard.type(angle);
    await page.keyboard.press('Enter');
    await expect(sheet(page)).toBeFocused();
  }
  await page.keyboard.press('Escape');
  // What is open is closed where drawing ends.
  await expect(sheet(page)).toHaveCount(0);
  await expect(foot(page)).toContainText('40 × 20 × 2.6');

  await page.getByRole('button', { name: 'Draw the outline on the plan' }).press('Enter');
  await sheet(page).focus();
  await page.keyboard.press('e');
  await expect(marked(page)).toContainText('1–2');
  await page.keyboard.press('e');
  await page.keyboard.press('Shift+E');
  await expect(marked(page)).toContainText('2–3, 3–4');
  await page.keyboard.press('p');
  await expect(marked(page)).toContainText('Stays here');
  const before = Number(await sheet(page).getAttribute('data-pixels-per-mm'));
  await page.keyboard.press('+');
  await expect
    .poll(async () => Number(await sheet(page).getAttribute('data-pixels-per-mm')))
    .toBeGreaterThan(before);
  await page.keyboard.press('0');
  await expect.poll(async () => Number(await sheet(page).getAttribute('data-pixels-per-mm'))).toBe(before);
});

test('a drawing that was not begun leaves the outline as it was', async ({ as }) => {
  const page = await as('maren');
  await begin(page);
  await click(page, [0, 0]);
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.locator('[data-step]')).toContainText('with 3 points');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await saved(page);
});

test('an arc is put by three clicks, and gets its radius', async ({ as }) => {
  const page = await as('luca');
  await begin(page);
  await click(page, [0, 0], [30, 0]);
  await page.getByRole('button', { name: 'Arc' }).click();
  await click(page, [30, 20]);
  await click(page, [40, 10]);
  await page.getByRole('button', { name: 'Arc' }).click();
  await click(page, [0, 20]);
  await click(page, [0, 0]);
  await expect(foot(page)).toContainText('40 × 20 × 2.6');
  await click(page, [37, 17]);
  await ask(page, 'radius', '11');
  await expect(rules(page)).toContainText('Arc 2–3 has the radius');
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('on a phone an outline is drawn above its points, and nothing runs over', async ({ as }) => {
  const page = await as('keiko');
  await begin(page);
  await page.setViewportSize({ width: 390, height: 780 });
  const box = (await sheet(page).boundingBox())!;
  expect(box.width).toBeGreaterThan(330);
  expect(box.height).toBeGreaterThan(180);
  await click(page, [0, 0], [30, 0], [30, 18]);
  await click(page, [0, 0]);
  // The points wait folded below, so that the drawing has the room.
  await expect(page.getByRole('tab', { name: 'Points' })).toContainText('3');
  await page.getByRole('tab', { name: 'Points' }).click();
  await expect(page.getByRole('group', { name: 'Points' }).getByRole('row')).toHaveCount(4);
  await page.getByRole('tab', { name: 'Points' }).click();
  await click(page, [10, 0]);
  await ask(page, 'length', '36');
  await expect(foot(page)).toContainText('36 × 18');
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBe(0);
  await expectNoSeriousFault(page, 'a drawing on a phone');
});
