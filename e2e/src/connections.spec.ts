import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { startPrinter } from '../../printer/src/index.ts';
import { expectNoSeriousFault } from './accessibility.ts';
import { confirmStart, expect, printOn, putOn, setFarBells, test } from './kelbrin.ts';

test.use({ file: 'connections', printerSpeed: 400 });

/** Puts a roll onto a printer, wherever it is. */
async function moveRoll(page: Page, printer: string, roll: string): Promise<void> {
  await page.goto('/spools');
  const item = page.getByRole('listitem', { name: /^Spool/ }).filter({ hasText: roll });
  const off = item.getByRole('button', { name: 'Take off' });
  await expect(item).toBeVisible();
  if (await off.isVisible()) await off.click();
  await putOn(item, printer);
  await expect(item).toContainText(`on ${printer}`);
}

test('a printer that nothing is connected to is a lane like the others, from its sheet to what came of the print', async ({
  as,
  kelbrin,
}) => {
  const teacher = await as('teacher');
  await test.step('it gets a sheet of its model, and its files go onto a card', async () => {
    await setFarBells(teacher);
    await teacher.goto('/machines');
    await teacher.getByLabel('New sheet from the example').selectOption('Sprout 120');
    await teacher.getByRole('button', { name: 'Make the sheet' }).click();
    await expect(teacher.getByRole('heading', { name: 'Sprout 120' })).toBeVisible();
    await teacher.goto('/printers');
    const form = teacher.getByRole('form', { name: 'Add a printer' });
    await form.getByLabel('Name').fill('Rowan, 2nd floor');
    await form.getByLabel('Machine sheet').selectOption('Sprout 120');
    await form.getByLabel('Connected by').selectOption('memory card');
    await form.getByLabel('Files go to').selectOption('left reader');
    await form.getByRole('button', { name: 'Add a printer' }).click();
    await expect(teacher.getByRole('listitem', { name: 'Printer Rowan, 2nd floor' })).toContainText(
      'by memory card',
    );
    await expectNoSeriousFault(teacher, 'the printers');
    await moveRoll(teacher, 'Rowan, 2nd floor', 'chalk white');
  });

  const helper = await as('helper');
  const lane = helper.locator('[data-printer="Rowan, 2nd floor"]');
  const file = async () => (await readdir(join(kelbrin.cards!, 'left reader'))).at(0);
  await test.step('the same looks are asked for, and then the file lies on the card', async () => {
    await helper.goto('/queue');
    await printOn(helper, undefined, 'Rowan, 2nd floor');
    await confirmStart(helper);
    await helper.waitForURL('**/print-room');
    await expect(lane.getByTestId('doing')).toHaveText('waits to be begun');
    await expect(lane).toContainText('The file is on the card “left reader”');
    await expect(lane.getByRole('button', { name: 'Pause' })).toHaveCount(0);
    // Its first twenty characters tell batch and printer.
    expect((await file())!.slice(0, 20)).toMatch(/^b\d+-rowan-2nd-floor/);
    const code = await readFile(join(kelbrin.cards!, 'left reader', (await file())!), 'utf8');
    // As the sheet of its model says: nothing of a heated plate, and filament counted from the start.
    expect(code).not.toMatch(/^M1[49]0/m);
    expect(code).toContain('\nM82\n');
    await expectNoSeriousFault(helper, 'a print by hand');
  });

  await test.step('somebody says that it has begun, and a second person sees it; then that it is done', async () => {
    await teacher.goto('/print-room');
    await lane.getByRole('button', { name: 'It has begun' }).click();
    const other = teacher.locator('[data-printer="Rowan, 2nd floor"]');
    await expect(other.getByTestId('doing')).toHaveText('printing');
    await expect(other.getByRole('progressbar')).toBeVisible();
    await other.getByRole('button', { name: 'It is done' }).click();
    await expect(lane.getByTestId('doing')).toHaveText('to be cleared');
    await lane.getByRole('link', { name: 'Note the outcome' }).click();
    await helper.getByRole('button', { name: 'It is good' }).click();
    await expect(helper.getByRole('listitem', { name: /^Outcome of/ })).toContainText('good');
  });

  await test.step('another one comes off the plate, and why is said with it', async () => {
    await helper.goto('/queue');
    await printOn(helper, undefined, 'Rowan, 2nd floor');
    await confirmStart(helper);
    await lane.getByRole('button', { name: 'It has begun' }).click();
    await lane.getByRole('button', { name: 'It failed' }).click();
    const dialog = helper.getByRole('dialog');
    await dialog.getByRole('textbox').fill('It came off the plate, 李 saw it.');
    await dialog.getByRole('button', { name: 'End the print' }).click();
    await expect(lane.getByTestId('doing')).toHaveText(/free|to be cleared/);
    await expect(lane.getByTitle('It came off the plate, 李 saw it.')).toBeVisible();
  });
});

test('a printer on a USB cable prints on while the cable is out, and is followed again when it is in', async ({
  as,
  kelbrin,
}) => {
  const printer = await startPrinter({
    name: 'Cedar',
    port: 0,
    speed: 60,
    terminal: join(kelbrin.ports!, 'usb-Hedge_220-if00'),
  });
  try {
    const teacher = await as('teacher');
    await expect.poll(() => readdir(kelbrin.ports!)).toHaveLength(1);
    await teacher.goto('/printers');
    const form = teacher.getByRole('form', { name: 'Add a printer' });
    await form.getByLabel('Name').fill('Cedar');
    await form.getByLabel('Connected by').selectOption('USB cable');
    await expect(form.getByLabel('Plugged into')).toHaveValue(/usb-Hedge_220-if00$/);
    await form.getByLabel('Bits a second').selectOption('250000');
    await form.getByRole('button', { name: 'Add a printer' }).click();
    await expect(teacher.getByRole('listitem', { name: 'Printer Cedar' })).toContainText('answers');
    await moveRoll(teacher, 'Cedar', 'chalk white');

    await teacher.goto('/queue');
    await printOn(teacher, undefined, 'Cedar');
    await confirmStart(teacher);
    await teacher.waitForURL('**/print-room');
    const lane = teacher.locator('[data-printer=Cedar]');
    const percent = async () => Number(await lane.getByTestId('percent').textContent());
    await expect.poll(percent, { timeout: 60_000 }).toBeGreaterThan(2);
    await printer.cable!.unplug();
    await expect(lane.getByTestId('doing')).toHaveText('does not answer');
    await expect(lane.getByRole('alert')).toContainText('It may still be printing');
    const before = await percent();
    await printer.cable!.plugIn();
    await expect(lane.getByTestId('doing')).toHaveText('printing');
    await expect.poll(percent, { timeout: 60_000 }).toBeGreaterThan(before);
    // The rest of it in an instant: what is looked at is that it comes to its end in the lane.
    printer.machine.advance(20_000);
    await expect(lane.getByTestId('doing')).toHaveText('to be cleared');
    await expect(lane.getByRole('listitem').filter({ hasText: 'finished' })).toHaveCount(1);
  } finally {
    await printer.close();
  }
});
