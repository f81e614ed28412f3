import { expectNoSeriousFault } from './accessibility.ts';
import { expect, followsNews, test } from './kelbrin.ts';

test.use({ file: 'machines' });

test('a teacher writes a machine sheet, is told of faults in its code, and gives it to a printer', async ({
  as,
}) => {
  const page = await as('teacher');
  await page.goto('/printers');
  await page.getByRole('link', { name: 'Machine sheets' }).click();
  await page.getByLabel('New sheet from the example').selectOption('Silo 200');
  await page.getByRole('button', { name: 'Make the sheet' }).click();
  await expect(page.getByRole('heading', { name: 'Silo 200' })).toBeVisible();
  await expectNoSeriousFault(page, 'a machine sheet');

  await page.getByLabel('Name of the model').fill('Łódź press');
  await page.getByLabel('Shape of the plate').selectOption('rectangle');
  await page.getByRole('spinbutton', { name: 'depth mm' }).fill('180,5');
  await page.getByRole('spinbutton', { name: 'depth mm' }).press('Enter');
  await page.getByLabel('Where x and y are 0').selectOption('frontLeft');
  const before = page.getByRole('textbox', { name: 'Before a print' });
  const code = await before.inputValue();
  await before.fill(`${code}\nG0 Y{depthMm + 1}\nM109 S{hotness}`);
  await expect(page.getByText('The nozzle would leave the plate')).toBeVisible();
  await expect(page.getByText('Nothing is called “hotness” here.')).toBeVisible();
  await page.getByRole('button', { name: 'Save the sheet' }).click();
  await expect(page.getByRole('alert')).toContainText('Before a print, line');
  // What was typed is still there.
  await expect(before).toHaveValue(/hotness/);
  // Left before it is saved, the page asks first, and stays with all that was typed.
  const asked = page.waitForEvent('dialog');
  const leaving = page.getByRole('link', { name: 'Machine sheets' }).click();
  await (await asked).dismiss();
  await leaving;
  await expect(before).toHaveValue(/hotness/);
  await before.fill(`${code}\nG0 Y{depthMm - 1}`);
  await page.getByText('As it would be written').first().click();
  await expect(page.locator('pre').first()).toContainText('G0 Y179.5');
  await page.getByRole('button', { name: 'Save the sheet' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();

  await page.getByRole('link', { name: 'Machine sheets' }).click();
  await expect(page.getByRole('listitem', { name: 'Łódź press' })).toContainText(
    'No printer uses this sheet',
  );
  await page.getByRole('link', { name: 'Printers', exact: true }).click();
  const birch = page.getByRole('listitem', { name: 'Printer Birch' });
  await birch.getByLabel('Machine sheet').selectOption('Łódź press');
  await birch.getByRole('button', { name: 'Save' }).click();
  await page.getByRole('link', { name: 'Machine sheets' }).click();
  await expect(page.getByRole('listitem', { name: 'Łódź press' })).toContainText('Birch');
  await expectNoSeriousFault(page, 'the machine sheets');
  await page.getByRole('link', { name: 'Łódź press' }).click();
  await page.getByRole('button', { name: 'Delete the sheet' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Delete the sheet' }).click();
  await expect(page.getByRole('alert')).toContainText('Birch uses this sheet');
});

test('what is chosen stays though the page is loaded anew for news of the page before', async ({ as }) => {
  const page = await as('teacher');
  const follows = followsNews(page);
  await page.goto('/printers');
  await follows;
  const held: (() => void)[] = [];
  await page.route('**/machines/__data.json*', async (route) => {
    await new Promise<void>((resolve) => held.push(resolve));
    await route.continue();
  });
  await page.getByRole('link', { name: 'Machine sheets' }).click();
  await expect.poll(() => held.length).toBe(1);
  const elsewhere = await page.context().newPage();
  await elsewhere.goto('/spools');
  await elsewhere.getByLabel('Colour in words').fill('heather');
  await elsewhere.getByRole('button', { name: 'Add a spool' }).click();
  await expect(elsewhere.getByText('heather')).toBeVisible();
  // By now the page was told, and waits for the link that was pressed first.
  await page.waitForTimeout(1000);
  held[0]();
  const example = page.getByLabel('New sheet from the example');
  await expect.poll(() => held.length).toBe(2);
  await example.selectOption('Silo 200');
  const loaded = page.waitForResponse('**/machines/__data.json*');
  held[1]();
  await loaded;
  await page.waitForTimeout(300);
  await expect(example).toHaveValue('Silo 200');
  await page.unrouteAll({ behavior: 'ignoreErrors' });
});
