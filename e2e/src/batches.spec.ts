import { expectNoSeriousFault } from './accessibility.ts';
import { confirmStart, expect, handInLabel, setFarBells, test } from './kelbrin.ts';

test.use({ file: 'batches', printerSpeed: 400 });
test('eight hand-ins become a proposed batch that is changed, printed with a change of filament, and judged', async ({
  as,
  browser,
  kelbrin,
}) => {
  const teacher = await as('teacher');
  const newcomers = ['Asha', 'Cleo', 'Jonah', 'Luca', 'Maren'];
  const everyone = [...newcomers, 'Femi', 'Greta', 'Hugo'].toSorted();
  await test.step('five more hand-ins are approved, so that eight wait', async () => {
    for (const [i, name] of newcomers.entries()) {
      const words = ['Basil', 'Chives', 'Dill', 'Mint', 'Sage'][i];
      await handInLabel(browser, kelbrin.origin, name.toLowerCase(), { words });
    }
    await teacher.goto('/review/sheet');
    for (const name of newcomers) {
      await expect(teacher.getByLabel(`Approve ${name}’s hand-in`)).toBeChecked();
    }
    for (const other of await teacher.getByLabel(/^Approve (?!th)/).all()) {
      const name = /^Approve (.*)’s hand-in$/.exec((await other.getAttribute('aria-label'))!)![1];
      if (!newcomers.includes(name)) await other.uncheck();
    }
    await teacher.getByRole('button', { name: 'Approve these 5' }).click();
    await expect(teacher.getByRole('status')).toContainText('5 approved.');
    await setFarBells(teacher);
    // What the demo has on it is done; of the printers that are free, it is proposed for first.
    const alder = teacher.locator('[data-printer=Alder]');
    await expect(alder.getByTestId('doing')).toHaveText('to be cleared');
    await alder.getByRole('button', { name: 'The plate is clear' }).click();
    await expect(alder.getByTestId('doing')).toHaveText('free');
  });

  const helper = await as('helper');
  const plate = helper.getByRole('group', { name: /^Plate, / });
  await test.step('the helper orders the queue by hand, and lays the batch that is proposed', async () => {
    await helper.goto('/queue');
    await expect(helper.locator('[data-entry]')).toHaveCount(8);
    const names = () => helper.locator('[data-entry] strong').allInnerTexts();
    const [first, second] = await names();
    // What could be started now is looked for once more, and stands above the list.
    const looked = helper.waitForResponse('**/queue/proposals');
    await helper.getByRole('button', { name: `Move ${first}’s part` }).press('ArrowDown');
    await expect.poll(async () => (await names()).slice(0, 2)).toEqual([second, first]);
    await expect(helper.getByText('Somebody changed the order by hand.')).toBeVisible();
    await looked;
    await helper
      .getByRole('button', { name: `Move ${first}’s part` })
      .dragTo(helper.locator(`[data-entry=${second}]`));
    await expect.poll(async () => (await names()).slice(0, 2)).toEqual([first, second]);
    const proposal = helper.locator('[data-proposal=Alder]');
    await expect(proposal).toContainText('8 parts on Alder');
    await expect(proposal).toContainText('Saves 7 starts');
    await proposal.getByRole('button', { name: 'Make this batch' }).click();
    await helper.waitForURL('**/batch/*');
    await expect(plate.getByRole('button')).toHaveCount(8);
    await expect(plate.locator('[data-wrong=true]')).toHaveCount(0);
  });

  const takes = helper.getByTestId('takes');
  const minutes = async () => Number(/^(\d+)/.exec((await takes.textContent()) ?? '')?.[1]);
  await test.step('a setting shows at once what it does to minutes and grams', async () => {
    await expect(takes).toBeVisible();
    const before = await minutes();
    const lines = helper.getByLabel('Lines inside');
    await expect(lines).toHaveValue('1');
    await lines.selectOption('lines crossed');
    await expect(lines).toHaveValue('2');
    await lines.selectOption('lines one way');
    await helper.getByLabel('Inside filled').fill('80');
    await helper.getByLabel('Inside filled').press('Tab');
    await expect.poll(minutes).toBeGreaterThan(before);
    await helper.getByLabel('Inside filled').fill('20');
    await helper.getByLabel('Inside filled').press('Tab');
    await expect.poll(minutes).toBe(before);
  });

  await test.step('one part is printed otherwise than the others, and as they are again', async () => {
    const taken = () => takes.textContent();
    const before = await taken();
    await plate.getByRole('button', { name: 'Part of Asha' }).click();
    const only = helper.getByRole('region', { name: 'Only the part of Asha' });
    await only.getByLabel('Wall lines').fill('5');
    await only.getByLabel('Wall lines').press('Tab');
    await expect.poll(taken).not.toBe(before);
    await expect(helper.getByText('Printed otherwise: Asha')).toBeVisible();
    await only.getByLabel('Seam').selectOption('at a mark');
    const mark = plate.getByRole('button', { name: 'Where the lines of Asha’s part begin' });
    const placeOf = () => mark.getAttribute('transform');
    const first = await placeOf();
    const kept = helper.waitForResponse(
      (answer) => answer.request().postData()?.includes('seamAtMm') ?? false,
    );
    await mark.press('Shift+ArrowLeft');
    await kept;
    const place = await placeOf();
    expect(place).not.toBe(first);
    await expectNoSeriousFault(helper, 'a batch with a part that is printed otherwise');
    await helper.reload();
    await helper.getByRole('button', { name: 'Asha', exact: true }).click();
    await expect(only.getByLabel('Wall lines')).toHaveValue('5');
    await expect(mark).toHaveAttribute('transform', place!);
    await only.getByRole('button', { name: 'Print it as the batch' }).click();
    await expect(helper.getByText('Printed otherwise:')).toHaveCount(0);
    await expect.poll(taken).toBe(before);
  });

  await test.step('printed one after another, parts are too near, and each is seen in its turn', async () => {
    const tick = helper.getByLabel('One part after another');
    await tick.check();
    await expect(helper.getByText(/the print head needs 35 mm/).first()).toBeVisible();
    await expect(plate.locator('[data-wrong=true]').first()).toBeVisible();
    await helper.getByRole('button', { name: 'Layers' }).click();
    await expect(helper.getByTestId('layer-words')).toContainText(/\d · \w+: layer 1 of/);
    await helper.getByRole('button', { name: 'Plate', exact: true }).click();
    await tick.uncheck();
    await helper.getByRole('button', { name: 'Layers' }).scrollIntoViewIfNeeded();
    await expect(plate.locator('[data-wrong=true]')).toHaveCount(0);
  });

  await test.step('a part that is moved onto another is marked, and the batch does not start', async () => {
    const middleOf = async (name: string) => {
      const box = (await plate.getByRole('button', { name: `Part of ${name}` }).boundingBox())!;
      return [box.x + box.width / 2, box.y + box.height / 2] as const;
    };
    await helper.mouse.move(...(await middleOf('Asha')));
    await helper.mouse.down();
    await helper.mouse.move(...(await middleOf('Femi')), { steps: 8 });
    await helper.mouse.up();
    await helper.keyboard.press('r');
    await expect(plate.locator('[data-wrong=true]').first()).toBeVisible();
    await startOn('Alder');
    await expect(helper.getByRole('alert')).toContainText(/too near to each other|over the edge/);
    await helper.getByRole('button', { name: 'Arrange again' }).click();
    await expect(plate.locator('[data-wrong=true]')).toHaveCount(0);
  });

  await test.step('the layers are looked at, and the sheet says whose is what', async () => {
    await helper.getByRole('button', { name: 'Layers' }).click();
    const words = helper.getByTestId('layer-words');
    await expect(words).toContainText(/^Minute \d+ of \d+ · layer 1 of/);
    const ruler = helper.getByRole('slider', { name: 'Height of the layer' });
    await ruler.press('Shift+ArrowUp');
    for (let times = 0; times < 3; times++) await ruler.press('ArrowUp');
    await expect(words).toContainText('layer 9 of');
    // The minutes lead through the same: at the first the printer warms up, at the last all of it is there.
    const minutes = helper.getByRole('slider', { name: 'Minute of the print' });
    await minutes.press('Home');
    await expect(words).toContainText('warming up');
    await minutes.press('End');
    await expect(words).toContainText(/Minute (\d+) of \1 · layer (\d+) of \2,/);
    await helper.getByRole('button', { name: 'Section' }).click();
    await helper.getByLabel('Through the part of').selectOption('Femi');
    await expect(helper.getByTestId('section')).toBeVisible();
    await expect(helper.getByLabel('Planned for').locator('option:checked')).toHaveText('Alder');
    const batch = helper.url();
    await helper.getByRole('link', { name: 'Batch sheet' }).click();
    for (const name of everyone) {
      await expect(helper.getByRole('listitem').filter({ hasText: name })).toBeVisible();
    }
    await helper.goto(batch);
    const [file] = await Promise.all([
      helper.waitForEvent('download'),
      helper.getByRole('link', { name: 'G-code' }).click(),
    ]);
    expect(file.suggestedFilename()).toMatch(/^batch-\d+\.gcode$/);
  });

  /** Answers what people forget, and starts. */
  async function startOn(printer: string) {
    await helper.getByRole('button', { name: `Start on ${printer}` }).click();
    await confirmStart(helper);
  }

  await test.step('too little is on the roll: the filament is changed, guided, before it is started', async () => {
    const batch = helper.url();
    await helper.goto('/spools');
    const roll = helper.getByRole('listitem', { name: /^Spool/ }).filter({ hasText: /(?<!Put )on Alder/ });
    await roll.getByLabel(/^Grams of filament/).fill('6');
    await roll.getByRole('button', { name: 'Save the weight' }).click();
    await helper.goto(batch);
    await expect(takes).toBeVisible();
    await helper.getByRole('button', { name: 'Start on Alder' }).click();
    const dialog = helper.getByRole('dialog');
    await expect(dialog.getByRole('alert')).toContainText('there are 6.0 g on the spool');
    await dialog.getByRole('button', { name: 'Heat the nozzle' }).click();
    await dialog.getByRole('button', { name: 'Draw it out' }).click();
    await dialog.getByRole('button', { name: 'Push it in' }).click();
    await dialog.getByRole('button', { name: 'Push more' }).click();
    await dialog.getByRole('button', { name: 'It runs clean' }).click();
    await expect(dialog.getByRole('alert')).toHaveCount(0);
    // When the change is over its steps go, and what stands below them moves up.
    await expect(dialog.getByRole('button', { name: 'It runs clean' })).toHaveCount(0);
    for (const check of await dialog.getByRole('checkbox').all()) await check.check();
    await dialog.getByRole('button', { name: 'Start printing' }).click();
  });

  await test.step('it is watched until it is printed', async () => {
    await helper.waitForURL('**/print-room');
    const alder = helper.locator('[data-printer=Alder]');
    await expect(alder).toContainText('Asha, Cleo and 6 more');
    await expect(alder.getByRole('progressbar')).toBeVisible();
    const past = alder.getByRole('listitem').filter({ hasText: 'Asha' });
    await expect(past).toContainText('finished');
    await past.getByRole('link').click();
  });

  await test.step('one part is good, one is printed again, one goes back to its student', async () => {
    const outcomeOf = (name: string) => helper.getByRole('listitem', { name: `Outcome of ${name}’s part` });
    await outcomeOf('Asha').getByRole('button', { name: 'Note more of Asha’s part' }).click();
    await outcomeOf('Asha')
      .getByRole('textbox', { name: /^Measured sizes/ })
      .fill('69,8 × 25.1');
    for (const name of ['Femi', 'Luca'])
      await outcomeOf(name)
        .getByRole('button', { name: `${name}’s part is not good` })
        .click();
    await outcomeOf('Femi').getByRole('combobox').first().selectOption('knocked');
    await outcomeOf('Luca').getByRole('combobox').first().selectOption('tight');
    await outcomeOf('Luca').getByRole('combobox', { name: 'What happens next' }).selectOption('student');
    await outcomeOf('Luca').getByRole('textbox', { name: 'Note' }).fill('Make the hole wider.');
    await helper.getByRole('button', { name: 'Save: 6 good, 2 not good' }).click();
    await expect(outcomeOf('Asha')).toContainText('measured 69.8 × 25.1 mm, designed');
    await expect(outcomeOf('Femi')).toContainText('got knocked off');
    await expect(outcomeOf('Luca')).toContainText('fits too tightly');
    // A slip of the hand is corrected, and what it was is kept.
    await outcomeOf('Hugo')
      .getByRole('button', { name: /^Change it/ })
      .click();
    await outcomeOf('Hugo').getByRole('combobox').first().selectOption('sanded');
    await outcomeOf('Hugo').getByRole('button', { name: 'Save the outcome' }).click();
    await expect(outcomeOf('Hugo')).toContainText('Before: good (Mr Oduya');
    await helper.getByRole('button', { name: 'All 6 are handed out' }).click();
    await expect(outcomeOf('Asha')).toContainText('handed out');
    await expect(outcomeOf('Femi')).not.toContainText('handed out');
    await expectNoSeriousFault(helper, 'what came of a batch');
    await helper.goto('/queue');
    await expect(helper.locator('[data-entry]')).toHaveCount(1);
    await expect(helper.locator('[data-entry=Femi]')).toBeVisible();
    const luca = await as('luca');
    await luca.goto('/home');
    await expect(luca.getByText('Make the hole wider.')).toBeVisible();
  });
});

test('the colours of a part go with it from the bench to the stop of the print', async ({
  as,
  browser,
  kelbrin,
}) => {
  await handInLabel(browser, kelbrin.origin, 'keiko', { words: 'Fennel', lettersIn: 'chalkWhite' });
  await handInLabel(browser, kelbrin.origin, 'maren', {
    words: 'Savory',
    thickMm: 3,
    lettersIn: 'sunYellow',
  });
  const teacher = await as('teacher');
  await teacher.goto('/review/sheet');
  for (const name of ['Keiko', 'Maren'])
    await expect(teacher.getByLabel(`Approve ${name}’s hand-in`)).toBeChecked();
  await teacher.getByRole('button', { name: /^Approve these/ }).click();
  await expect(teacher.getByRole('status')).toContainText('approved.');

  await teacher.goto('/queue');
  const entry = (name: string) => teacher.locator(`[data-entry=${name}]`);
  await expect(entry('Keiko')).toContainText('leaf green');
  await expect(entry('Keiko')).toContainText('chalk white');
  await entry('Keiko').getByRole('checkbox').check();
  await teacher.getByRole('button', { name: 'Put one part' }).click();
  await teacher.waitForURL('**/batch/*');
  const filaments = teacher.getByTestId('filaments');
  await expect(filaments).toContainText(/leaf green [\d.]+ g\s+chalk white [\d.]+ g/);
  await expect(teacher.getByLabel('Change colour at')).toHaveAttribute('placeholder', '2.6');
  await teacher.getByRole('button', { name: 'Layers' }).click();
  await expect(teacher.locator('title', { hasText: 'chalk white' })).toHaveCount(1);
  const gcode = await teacher.request.get(`${teacher.url()}/gcode`);
  expect((await gcode.text()).match(/^M600/gm)).toHaveLength(1);
  const batch = teacher.url();

  // What cannot be printed together is told.
  await teacher.goto('/queue');
  await entry('Maren').getByRole('checkbox').check();
  await teacher.locator('select[name=batch]').selectOption({ index: 1 });
  await teacher.getByRole('button', { name: 'Put one part' }).click();
  await teacher.waitForURL(batch);
  await expect(teacher.getByRole('alert')).toContainText(/At 2.6 mm .* should be chalk white/);
  await teacher.getByRole('button', { name: 'Start on Birch' }).click();
  await expect(teacher.getByRole('dialog')).toContainText(
    'It should be leaf green, but pot orange is on the printer',
  );
});
