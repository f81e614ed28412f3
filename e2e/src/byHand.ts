import type { Locator, Page } from '@playwright/test';
import { expect, openBench } from './kelbrin.ts';

/* What a person does on the bench, as tests do it: adding steps, choosing words, typing numbers, taking a file along. */

/** The bench of a student, its recipe emptied. */
export async function emptyBench(page: Page): Promise<void> {
  await openBench(page);
  // From the last on, since the others may be named by it.
  for (;;) {
    const count = await page.locator('[data-step]').count();
    if (count === 0) break;
    await step(page, count).getByRole('button').first().focus();
    await page.getByRole('button', { name: `Delete step ${count}`, exact: true }).click();
    await expect(page.locator('[data-step]')).toHaveCount(count - 1);
  }
}

export const step = (page: Page, number: number): Locator => page.locator('[data-step]').nth(number - 1);

/** What can be added, beside the recipe. */
export const offers = (page: Page): Locator => page.getByRole('dialog', { name: 'Add a step' });

/** Adds a step as it is offered: "Cut a hole", or "Extrude a shape: a heart". */
export async function add(page: Page, label: string): Promise<Locator> {
  const before = await page.locator('[data-step]').count();
  if (!(await offers(page).isVisible())) await page.getByRole('button', { name: 'Add a step' }).click();
  await offers(page).getByRole('button', { name: label, exact: true }).click();
  await expect(offers(page)).toHaveCount(0);
  await expect(page.locator('[data-step]')).not.toHaveCount(before);
  // The first step may bring a plate to be on.
  return step(page, await page.locator('[data-step]').count());
}

export async function put(within: Locator, name: string, value: string): Promise<void> {
  const field = within.getByRole('spinbutton', { name, exact: true });
  await field.fill(value);
  await field.press('Enter');
  await expect(within.getByRole('alert')).toHaveCount(0);
}

export const choose = (within: Locator, name: string, label: string) =>
  within.getByRole('combobox', { name, exact: true }).selectOption({ label });

export async function more(within: Locator, label: string): Promise<void> {
  await within.getByRole('combobox', { name: /^More for/ }).selectOption({ label });
}

/** The part's size and how many bodies it is of, as the foot and the worker say. */
export const foot = (page: Page) => page.getByRole('group', { name: 'Part' });

/** Exports the part and gives back the file. */
export async function exported(page: Page, format: string): Promise<{ name: string; text: string }> {
  await page.getByRole('button', { name: 'Export' }).click();
  const dialog = page.getByRole('dialog', { name: 'Export this part' });
  await dialog.getByLabel('Format').selectOption({ label: format });
  await expect(dialog.getByTestId('export-size')).toContainText('kB');
  const downloading = page.waitForEvent('download');
  await dialog.getByRole('link', { name: 'Download' }).click();
  const download = await downloading;
  const chunks: Buffer[] = [];
  for await (const chunk of await download.createReadStream()) chunks.push(chunk as Buffer);
  await dialog.getByRole('button', { name: 'Close', exact: true }).last().click();
  // What lies behind a dialog takes no keys until it is gone.
  await expect(dialog).toBeHidden();
  return { name: download.suggestedFilename(), text: Buffer.concat(chunks).toString('latin1') };
}

/** The sheet on which the pieces of an outline are put together. */
export const pieceSheet = (page: Page) => page.getByTestId('pieces');

/** Drags a piece by its letter, mm. */
export async function dragPiece(page: Page, letter: string, dx: number, dy: number): Promise<void> {
  const sheet = pieceSheet(page);
  const pixelsPerMm = Number(await sheet.getAttribute('data-pixels-per-mm'));
  const box = (await sheet.locator(`[data-piece=${letter}] text`).boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + (dx * pixelsPerMm) / 2, y - (dy * pixelsPerMm) / 2, { steps: 3 });
  await page.mouse.move(x + dx * pixelsPerMm, y - dy * pixelsPerMm, { steps: 3 });
  await page.mouse.up();
}

/** The sheet on which an outline is drawn. */
export const drawingSheet = (page: Page): Locator => page.getByTestId('drawing');

/** Where a place of a drawing lies in the window, px. */
export async function placeInDrawing(page: Page, x: number, y: number): Promise<readonly [number, number]> {
  const sheet = drawingSheet(page);
  const box = (await sheet.boundingBox())!;
  const [left, top] = (await sheet.getAttribute('data-origin'))!.split(' ').map(Number);
  const pixelsPerMm = Number(await sheet.getAttribute('data-pixels-per-mm'));
  return [box.x + left + x * pixelsPerMm, box.y + top - y * pixelsPerMm];
}

/** Clicks places of a drawing, mm, one after the other. */
export async function clickDrawing(
  page: Page,
  ...places: readonly (readonly [number, number])[]
): Promise<void> {
  for (const [x, y] of places) await page.mouse.click(...(await placeInDrawing(page, x, y)));
}
