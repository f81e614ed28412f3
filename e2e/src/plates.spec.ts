import { expect, handInLabel, test } from './kelbrin.ts';

test.use({ file: 'plates', printerSpeed: 400 });
test.setTimeout(180_000);

test('parts are laid together, moved, looked at, printed, and handed out or printed again', async ({
  as,
  browser,
  kelbrin,
}) => {
  const teacher = await as('teacher');
  await test.step('two more hand-ins are approved', async () => {
    for (const [who, words] of [
      ['asha', 'Basil'],
      ['luca', 'Dill'],
    ]) {
      await handInLabel(browser, kelbrin.origin, who, { words });
    }
    for (const name of ['Asha', 'Luca']) {
      await teacher.goto('/review');
      await expect(teacher.getByRole('row', { name }).locator('[data-verdict=pass]')).toBeVisible({
        timeout: 30_000,
      });
      await teacher.getByRole('link', { name, exact: true }).click();
      await teacher.getByRole('button', { name: 'Approve for printing' }).click();
      await expect(teacher.getByText(name, { exact: true })).toHaveCount(0);
    }
  });

  const helper = await as('helper');
  const bed = helper.getByRole('group', { name: /^Bed, / });
  await test.step('the helper lays all that waits on one plate', async () => {
    await helper.goto('/queue');
    await helper.getByRole('checkbox', { name: 'Choose all' }).check();
    await helper.getByRole('button', { name: 'Lay 5 parts' }).click();
    await helper.waitForURL('**/plate/*');
    await expect(bed.getByRole('button')).toHaveCount(5);
    await expect(bed.locator('[data-wrong=true]')).toHaveCount(0);
  });

  const takes = helper.getByTestId('takes');
  const minutes = async () => Number(/^(\d+)/.exec((await takes.textContent()) ?? '')?.[1]);
  await test.step('a setting shows at once what it does to minutes and grams', async () => {
    await expect(takes).toBeVisible({ timeout: 30_000 });
    const before = await minutes();
    await helper.getByLabel('Inside filled').fill('80');
    await helper.getByLabel('Inside filled').press('Tab');
    await expect.poll(minutes, { timeout: 30_000 }).toBeGreaterThan(before);
    await helper.getByLabel('Inside filled').fill('20');
    await helper.getByLabel('Inside filled').press('Tab');
    await expect.poll(minutes, { timeout: 30_000 }).toBe(before);
  });

  await test.step('a part that is moved onto another is marked, and the plate does not start', async () => {
    const middleOf = async (name: string) => {
      const box = (await bed.getByRole('button', { name: `Part of ${name}` }).boundingBox())!;
      return [box.x + box.width / 2, box.y + box.height / 2] as const;
    };
    await helper.mouse.move(...(await middleOf('Asha')));
    await helper.mouse.down();
    await helper.mouse.move(...(await middleOf('Femi')), { steps: 8 });
    await helper.mouse.up();
    await helper.keyboard.press('r');
    await expect(bed.locator('[data-wrong=true]').first()).toBeVisible();
    await startOn('Birch');
    await expect(helper.getByRole('alert')).toContainText(/too near to each other|over the edge/);
    await helper.getByRole('button', { name: 'Lay out anew' }).click();
    await expect(bed.locator('[data-wrong=true]')).toHaveCount(0);
  });

  await test.step('the layers are looked at, and the sheet says whose is what', async () => {
    await helper.getByRole('button', { name: 'Layers' }).click();
    await helper.getByLabel('Layer', { exact: true }).fill('8');
    await expect(helper.getByTestId('layer-words')).toContainText('Layer 9 of');
    const plate = helper.url();
    await helper.getByRole('link', { name: 'Plate sheet' }).click();
    for (const name of ['Asha', 'Femi', 'Greta', 'Hugo', 'Luca']) {
      await expect(helper.getByRole('listitem').filter({ hasText: name })).toBeVisible();
    }
    await helper.goto(plate);
    const [file] = await Promise.all([
      helper.waitForEvent('download'),
      helper.getByRole('link', { name: 'G-code' }).click(),
    ]);
    expect(file.suggestedFilename()).toMatch(/^plate-\d+\.gcode$/);
  });

  async function startOn(printer: string) {
    await helper.getByRole('button', { name: `Start on ${printer}` }).click();
    const dialog = helper.getByRole('dialog');
    await expect(dialog.getByRole('button', { name: 'Start printing' })).toBeDisabled();
    for (const check of await dialog.getByRole('checkbox').all()) await check.check();
    await dialog.getByRole('button', { name: 'Start printing' }).click();
  }

  await test.step('it is started after what people forget, and printed', async () => {
    await startOn('Birch');
    await helper.waitForURL('**/print-room');
    const birch = helper.locator('[data-printer=Birch]');
    await expect(birch).toContainText('Asha, Femi and 3 more');
    await expect(birch.getByRole('listitem').first()).toContainText('finished', { timeout: 60_000 });
    await birch.getByRole('link', { name: /Asha/ }).first().click();
  });

  await test.step('one part is good, one is printed again, one goes back to its student', async () => {
    const outcomeOf = (name: string) => helper.getByRole('listitem', { name: `Outcome of ${name}’s part` });
    await outcomeOf('Asha').getByRole('combobox').selectOption('good');
    await outcomeOf('Asha').getByRole('button', { name: 'Write down' }).click();
    await expect(outcomeOf('Asha')).toContainText('good');
    await outcomeOf('Femi').getByRole('combobox').selectOption('knocked');
    await outcomeOf('Femi').getByRole('button', { name: 'Write down' }).click();
    await expect(outcomeOf('Femi')).toContainText('was knocked off');
    await outcomeOf('Luca').getByRole('combobox').first().selectOption('tight');
    await outcomeOf('Luca').getByRole('combobox', { name: 'Then' }).selectOption('student');
    await outcomeOf('Luca').getByRole('textbox', { name: 'Note' }).fill('Make the hole wider.');
    await outcomeOf('Luca').getByRole('button', { name: 'Write down' }).click();
    await expect(outcomeOf('Luca')).toContainText('too tight');
    await helper.goto('/queue');
    await expect(helper.locator('[data-entry]')).toHaveCount(1);
    await expect(helper.locator('[data-entry=Femi]')).toBeVisible();
    const luca = await as('luca');
    await luca.goto('/home');
    await expect(luca.getByText('Make the hole wider.')).toBeVisible();
  });
});
