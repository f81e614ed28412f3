import { exampleSheets } from '../../core/src/machine/index.ts';
import { modelOf, startPrinter } from '../../printer/src/index.ts';
import { expectNoSeriousFault } from './accessibility.ts';
import { confirmStart, expect, handInLabel, putOn, setFarBells, test } from './kelbrin.ts';

test.use({ file: 'twoFilaments', printerSpeed: 400 });

const duo = exampleSheets.find(({ filaments }) => filaments === 2)!;

test('a batch in two colours is printed by a printer that changes its filament by itself', async ({
  as,
  browser,
  kelbrin,
}) => {
  const printer = await startPrinter({
    name: 'Rowan',
    port: 0,
    speed: 400,
    model: modelOf(JSON.parse(JSON.stringify(duo))),
  });
  try {
    const teacher = await as('teacher');
    await test.step('it has two places for rolls, and one is put on each', async () => {
      await setFarBells(teacher);
      await teacher.goto('/machines');
      await teacher.getByLabel('New sheet from the example').selectOption(duo.name);
      await teacher.getByRole('button', { name: 'Make the sheet' }).click();
      await expect(teacher.getByLabel('Where it changes the filament by itself')).toHaveValue(
        /T\{filament\}/,
      );
      await teacher.goto('/printers');
      const form = teacher.getByRole('form', { name: 'Add a printer' });
      await form.getByLabel('Name').fill('Rowan');
      await form.getByLabel('Machine sheet').selectOption(duo.name);
      await form.getByLabel('Address').fill('127.0.0.1');
      await form.getByLabel('Port').fill(String(printer.port));
      await form.getByRole('button', { name: 'Add a printer' }).click();
      await expect(teacher.getByRole('listitem', { name: 'Printer Rowan' })).toContainText('answers');

      await teacher.goto('/spools');
      const add = teacher.locator('form', { has: teacher.getByRole('button', { name: 'Add a spool' }) });
      await add.getByLabel('Colour', { exact: true }).fill('#3f8f5f');
      await add.getByLabel('Colour in words', { exact: true }).fill('new leaf green');
      await add.getByRole('button', { name: 'Add a spool' }).click();
      const roll = (words: string) =>
        teacher.getByRole('listitem', { name: /^Spool/ }).filter({ hasText: words });
      await putOn(roll('chalk white'), 'Rowan, place 1');
      await expect(roll('chalk white')).toContainText('on Rowan, place 1');
      await putOn(roll('new leaf green'), 'Rowan, place 2');
      await expect(roll('new leaf green')).toContainText('on Rowan, place 2');
      await expectNoSeriousFault(teacher, 'the spools of a printer with two places');
    });

    await test.step('a label with letters of another colour is approved', async () => {
      await handInLabel(browser, kelbrin.origin, 'keiko', { words: 'Fennel', lettersIn: 'chalkWhite' });
      await teacher.goto('/review/sheet');
      await expect(teacher.getByLabel('Approve Keiko’s hand-in')).toBeChecked();
      await teacher.getByRole('button', { name: /^Approve these/ }).click();
      await expect(teacher.getByRole('status')).toContainText('approved.');
    });

    await test.step('each colour comes from the roll that is of it, and nobody has to change anything', async () => {
      await teacher.goto('/queue');
      await teacher.locator('[data-entry=Keiko]').getByRole('checkbox').check();
      await teacher.getByRole('button', { name: 'Put one part' }).click();
      await teacher.waitForURL('**/batch/*');
      await teacher.getByRole('button', { name: 'Start on Rowan' }).click();
      const dialog = teacher.getByRole('dialog');
      const green = dialog.getByLabel('leaf green comes from');
      await expect(green).toHaveValue('1');
      await expect(dialog.getByLabel('chalk white comes from')).toHaveValue('0');
      await expect(dialog).toContainText('The printer changes between them by itself.');
      await expectNoSeriousFault(teacher, 'a start in two colours');
      // Both from one place: then somebody has to stand by.
      await green.selectOption('0');
      await expect(dialog).toContainText('It stops once for you to change the spool');
      await expect(dialog.getByRole('status')).toContainText('It should be leaf green');
      await green.selectOption('1');
      await expect(dialog).toContainText('PLA, new leaf green and PLA, chalk white are on the printer');
      await confirmStart(teacher);
      await teacher.waitForURL('**/print-room');
    });

    await test.step('it is printed to its end without a stop, and both rolls are counted down', async () => {
      const lane = teacher.locator('[data-printer=Rowan]');
      await expect(lane).toContainText('Place 1:');
      await expect(lane).toContainText('Place 2:');
      const filaments = new Set<number>();
      await expect
        .poll(
          async () => {
            filaments.add(printer.machine.filament);
            return lane.getByTestId('doing').textContent();
          },
          { timeout: 120_000, intervals: [50] },
        )
        .toBe('to be cleared');
      expect(printer.machine.filament).toBe(0);
      expect([...filaments]).toContain(1);
      await expect(lane.getByRole('listitem').filter({ hasText: 'finished' })).toHaveCount(1);
      await lane.getByRole('link', { name: 'Note the outcome' }).click();
      await teacher.getByRole('button', { name: 'It is good' }).click();
      await expect(teacher.getByRole('listitem', { name: /^Outcome of/ })).toContainText('good');
      await teacher.goto('/spools');
      for (const words of ['chalk white', 'new leaf green']) {
        const roll = teacher.getByRole('listitem', { name: /^Spool/ }).filter({ hasText: words });
        await expect(roll.getByLabel(/^Grams of filament/)).not.toHaveValue('1000');
      }
    });
  } finally {
    await printer.close();
  }
});
