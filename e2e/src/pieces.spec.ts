import { add, choose, dragPiece, emptyBench, foot, more, pieceSheet as sheet, put } from './byHand.ts';
import { expect, saved, test } from './kelbrin.ts';

test.use({ file: 'building' });

test('an outline is put together from pieces by hand and eye', async ({ as }) => {
  const page = await as('hugo');
  await emptyBench(page);
  const cloud = await add(page, 'Extrude a shape');
  await put(cloud, 'width', '64');
  await put(cloud, 'depth', '22');
  await put(cloud, 'corner radius', '11');
  // What was one outline so far is the first piece of several.
  await cloud.getByRole('combobox', { name: 'shape' }).first().selectOption({ label: 'a combined outline' });
  await expect(cloud.getByRole('spinbutton', { name: 'width' })).toHaveValue('64');
  await cloud.getByRole('button', { name: 'Put the pieces together on the plan' }).click();
  await dragPiece(page, 'B', -48, 10);
  await page.getByRole('button', { name: 'copy B' }).click();
  await expect(page.getByRole('button', { name: 'piece C' })).toBeVisible();
  await dragPiece(page, 'C', 4, 3);
  await expect(foot(page)).toContainText('64 ×');
  await expect(cloud.getByRole('alert')).toHaveCount(0);

  // One stroke is taken back at once.
  const sentence = () =>
    cloud
      .getByRole('spinbutton')
      .evaluateAll((fields) => fields.map((field) => (field as HTMLInputElement).value).join(' '));
  const before = await sentence();
  await dragPiece(page, 'C', 6, -1);
  await expect.poll(sentence).not.toBe(before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(sentence).toBe(before);

  // The keyboard does as much.
  await page.getByRole('button', { name: 'piece B' }).click();
  await sheet(page).focus();
  await page.keyboard.press('ArrowUp');
  await expect.poll(sentence).not.toBe(before);
  await page.getByRole('button', { name: 'repeat B in a row' }).click();
  await expect(cloud.getByRole('spinbutton', { name: 'how often' })).toHaveValue('3');
  await page.getByRole('button', { name: 'Undo' }).click();

  // What leaves nothing says so, and is still there to be dragged back.
  await page.getByRole('button', { name: 'keep only what lies in another outline' }).click();
  await expect(cloud.getByRole('alert')).toHaveCount(0);
  await dragPiece(page, 'D', 0, 90);
  await expect(cloud.getByRole('alert')).toContainText('Nothing of the outline lies within D');
  await expect(sheet(page).locator('[data-piece=D]')).toBeVisible();
  await sheet(page).focus();
  await page.keyboard.press('Delete');
  await expect(cloud.getByRole('alert')).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'piece D' })).toHaveCount(0);

  // A piece that is drawn shows the others beside it, and leads back to them.
  await page.getByRole('button', { name: 'join an outline that I draw' }).click();
  await page.getByRole('button', { name: 'draw D' }).click();
  await expect(page.getByTestId('drawing')).toBeVisible();
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(sheet(page)).toBeVisible();
  await page.getByRole('button', { name: 'leave D out' }).click();
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByTestId('solid-view')).toBeVisible();

  await more(cloud, 'grow all of it');
  await expect(foot(page)).toContainText('66 ×');
  await more(cloud, 'round the corners');
  await choose(cloud, 'which corners', 'inner corners');
  await expect(cloud.getByRole('alert')).toHaveCount(0);
  await saved(page);
});
