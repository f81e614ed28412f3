import type { Page } from '@playwright/test';
import * as hand from './byHand.ts';
import { expect, openBench, saved, test } from './kelbrin.ts';

test.use({ file: 'saving' });

const field = (page: Page, name: string) => page.getByRole('spinbutton', { name, exact: true });
const width = (page: Page) => field(page, 'width');

async function type(page: Page, name: string, value: string): Promise<void> {
  await field(page, name).fill(value);
  await field(page, name).press('Enter');
}

test('two tabs cannot overwrite each other silently, and neither state is lost', async ({ as }) => {
  const first = await as('luca');
  // Neither tab hears what the other one saves; without a shared worker each asks for news itself.
  await first.context().addInitScript('delete window.SharedWorker');
  await first.context().route('**/live?**', (route) => route.abort());
  await openBench(first);
  const second = await first.context().newPage();
  await openBench(second);

  await type(first, 'width', '81');
  await saved(first);
  await type(second, 'width', '66');
  const dialog = second.getByRole('dialog', { name: 'Changed somewhere else' });
  await expect(dialog).toBeVisible();

  await dialog.getByRole('button', { name: 'Take the other one' }).click();
  await expect(width(second)).toHaveValue('81');
  await second.getByRole('button', { name: 'Undo' }).click();
  await expect(width(second)).toHaveValue('66');
  await saved(second);

  // The first tab now has the older state; keeping its own leaves the other one within reach.
  await type(first, 'width', '90');
  const again = first.getByRole('dialog', { name: 'Changed somewhere else' });
  await again.getByRole('button', { name: 'Keep mine' }).click();
  await saved(first);
  await first.getByRole('button', { name: 'Undo' }).click();
  await expect(width(first)).toHaveValue('66');
  await saved(first);

  const third = await first.context().newPage();
  await openBench(third);
  await expect(width(third)).toHaveValue('66');
});

test('a lost connection loses no edit, even if the tab is closed before it is back', async ({ as }) => {
  const page = await as('maren');
  await openBench(page);
  const context = page.context();
  await context.route('**/design', (route) => route.abort());
  await type(page, 'height', '3.2');
  await expect(page.locator('[data-save=offline]')).toContainText('kept on this computer');
  await type(page, 'depth', '31');
  await page.close();

  await context.unroute('**/design');
  const back = await context.newPage();
  await openBench(back);
  await expect(field(back, 'depth')).toHaveValue('31');
  await expect(field(back, 'height')).toHaveValue('3.2');
  await saved(back);

  const other = await as('maren');
  await openBench(other);
  await expect(field(other, 'depth')).toHaveValue('31');
});

test('letters that cannot be fetched without a connection are said to be missing, and come with it', async ({
  as,
}) => {
  const page = await as('asha');
  await openBench(page);
  const letters = await hand.add(page, 'Write letters');
  await expect(letters.getByRole('alert')).toHaveCount(0);
  await page.context().setOffline(true);
  const words = letters.getByRole('textbox', { name: 'words to write' });
  await words.fill('Ωμέγα');
  await expect(letters.getByRole('alert')).toContainText('this font is not loaded');
  await page.context().setOffline(false);
  await words.fill('Ωμέγα Ж');
  await expect(letters.getByRole('alert')).toHaveCount(0);
  await saved(page);
});

test('a drawing sheet that cannot be written without a connection says why, and comes with it', async ({
  as,
}) => {
  const page = await as('asha');
  await openBench(page);
  const dialog = page.getByRole('dialog', { name: 'Export this part' });
  const choose = (format: string) => dialog.getByLabel('Format').selectOption({ label: format });
  const isWritten = () => expect(dialog.getByTestId('export-size')).toContainText('kB');

  await page.context().setOffline(true);
  await page.getByRole('button', { name: 'Export' }).click();
  await choose('Drawing sheet, PDF');
  await expect(dialog.getByRole('alert')).toContainText('cannot be fetched without a network');
  await choose('STL, binary');
  await isWritten();
  await expect(dialog.getByRole('alert')).toHaveCount(0);
  await page.context().setOffline(false);
  await choose('Drawing sheet, PDF');
  await isWritten();
});

test('edits made without a connection are saved when it is back', async ({ as }) => {
  const page = await as('asha');
  await openBench(page);
  await page.context().route('**/design', (route) => route.abort());
  await type(page, 'width', '77');
  await expect(page.locator('[data-save=offline]')).toBeVisible();
  await page.context().unroute('**/design');
  await saved(page);
});

test('a part is copied before a bold change, versions are kept, compared and gone back to', async ({
  as,
}) => {
  const page = await as('dario');
  await openBench(page);
  const versions = page.getByRole('dialog', { name: 'Versions' });
  const changes = versions.getByRole('list', { name: 'What changed' });
  const parts = page.getByRole('region', { name: 'Parts' });

  await page.getByRole('button', { name: 'Versions' }).click();
  // What was handed in is a version already.
  const named = (name: string) => versions.locator('strong', { hasText: name });
  await expect(named('Hand-in 1')).toBeVisible();
  await versions.getByLabel('Keep the project as it is now').fill('before it grows');
  await versions.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(named('before it grows')).toBeVisible();

  // A link shows the version to whoever has it, until it is taken back.
  await versions.getByRole('button', { name: 'Make the link' }).click();
  const link = versions.getByRole('list', { name: 'Links that work now' }).getByRole('link');
  const visitor = await as();
  const path = (await link.getAttribute('href'))!;
  await visitor.goto(path);
  await expect(visitor.getByRole('list', { name: 'Recipe' })).toContainText('Write “Chives”');
  await expect(visitor.getByTestId('solid-view')).toBeVisible();
  await versions.getByRole('button', { name: 'End the link' }).click();
  await expect(link).toHaveCount(0);
  await visitor.goto(path);
  await expect(visitor.getByText('This link leads nowhere')).toBeVisible();
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'Add a measure' }).click();
  await parts.getByRole('button', { name: 'Copy this part' }).click();
  await parts.getByLabel('name of the part').fill('Long label');
  await parts.getByLabel('name of the part').press('Enter');
  await page.getByRole('button', { name: 'Share a with all parts' }).click();
  await type(page, 'a', '90');
  await type(page, 'width', 'a');
  await parts.getByRole('button', { name: 'Hand in this one instead' }).click();
  await parts.getByRole('button', { name: 'Label', exact: true }).click();
  await type(page, 'width', 'a - 2');
  await expect(page.getByRole('group', { name: 'Part', exact: true })).toContainText('88 × 28');
  await saved(page);

  await page.getByRole('button', { name: 'Versions' }).click();
  const kept = versions.getByRole('listitem').filter({ hasText: 'before it grows' });
  await kept.getByRole('button', { name: 'What changed' }).click();
  await expect(changes.getByRole('listitem')).toHaveText([
    'New shared measure: a = 90',
    'New part: Long label',
    'The part to hand in is Long label',
    'Step 1: width 84 → (a − 2) mm',
  ]);
  await kept.getByRole('button', { name: 'Go back to it' }).click();
  await expect(parts.getByRole('button', { name: 'Long label' })).toHaveCount(0);
  await expect(width(page)).toHaveValue('84');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(parts.getByRole('button', { name: 'Long label' })).toBeVisible();
  await saved(page);
});
