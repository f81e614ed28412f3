import type { Page } from '@playwright/test';
import { expect, handInLabel, openBench, saved, test } from './kelbrin.ts';

test.use({ file: 'review' });

/** The student whose hand-in is shown. */
const shown = (page: Page) => page.getByRole('heading', { level: 1 });

test('twelve hand-ins are reviewed by keyboard alone; what is sent back is mended, compared and approved', async ({
  as,
  browser,
  kelbrin,
}) => {
  const plants = ['Basil', 'Mint', 'Cress', 'Thyme', 'Sage', 'Dill', 'Kale', 'Chard', 'Leek'];
  const others = ['asha', 'femi', 'greta', 'hugo', 'ines', 'jonah', 'keiko', 'luca', 'maren'];
  for (const [i, who] of others.entries()) {
    const isNarrow = who === 'asha' || who === 'femi';
    await handInLabel(
      browser,
      kelbrin.origin,
      who,
      { words: plants[i], holeMm: isNarrow ? 1.6 : 4.5 },
      isNarrow ? ['hole', 'brief'] : [],
    );
  }
  const page = await as('teacher');
  const { keyboard } = page;
  await page.goto('/review');
  await expect(page.getByRole('heading', { name: 'Waiting for you (12)' })).toBeVisible();
  await expect(page.getByText('being checked')).toHaveCount(0);
  for (
    let i = 0;
    !(await page
      .getByRole('link', { name: 'Bruno', exact: true })
      .evaluate((link) => link === document.activeElement));
    i++
  ) {
    expect(i).toBeLessThan(20);
    await keyboard.press('Tab');
  }
  await keyboard.press('Enter');

  await test.step('words that are typed beside a field decide nothing', async () => {
    await expect(shown(page)).toContainText('Bruno');
    // Nothing is marked, so the remark is on the whole.
    await keyboard.press('r');
    await expect(page.getByLabel('What to change overall')).toBeFocused();
    await keyboard.press('Escape');
    await keyboard.type('a us wa', { delay: 20 });
    await keyboard.press('Escape');
    await expect(shown(page)).toContainText('Bruno');
    await page.getByLabel('What to change overall').fill('');
    await page.locator('h1').click();
  });

  await test.step('one is sent back with a remark at a place, where a finding is', async () => {
    await expect(shown(page)).toContainText('Bruno');
    await keyboard.press('f');
    await keyboard.press('p');
    await expect(page.getByLabel('Remark on this place')).toBeFocused();
    await keyboard.type('From here on the word hangs in the air.');
    // A remark that is not added yet is in sight again when its hand-in is, though its place has to be pressed anew.
    await keyboard.press('Escape');
    await keyboard.press('n');
    await expect(shown(page)).toContainText('Dario');
    await keyboard.press('b');
    await expect(page.getByLabel('Press the place on the solid')).toHaveValue(/hangs in the air/);
    await keyboard.press('f');
    await keyboard.press('p');
    await expect(page.getByLabel('Remark on this place')).toBeFocused();
    await keyboard.press('Control+Enter');
    await expect(page.getByRole('list', { name: 'Remarks' })).toContainText('Place A: From here on');
    // From inside a field nothing is decided: the button is one key further, and so are the other keys.
    await expect(page.getByRole('button', { name: 'Send back' })).toBeFocused();
    await keyboard.press('s');
    const whole = page.getByLabel('What to change overall');
    await expect(whole).toBeFocused();
    await keyboard.type('Have a look at the place.');
    await expect(whole).toHaveValue('Have a look at the place.');

    // What is written stays with its hand-in while another is looked at.
    await keyboard.press('Escape');
    await keyboard.press('n');
    await expect(shown(page)).toContainText('Dario');
    await expect(whole).toHaveValue('');
    await keyboard.press('b');
    await expect(shown(page)).toContainText('Bruno');
    await expect(whole).toHaveValue('Have a look at the place.');
    // And while the page is loaded again.
    await page.reload();
    await expect(shown(page)).toContainText('Bruno');
    await expect(whole).toHaveValue('Have a look at the place.');
    // It is not approved either as long as words for the student wait to be sent.
    await keyboard.press('Control+Enter');
    await expect(page.getByRole('alert')).toContainText('Your words would not reach Bruno');
    await expect(whole).toBeFocused();
    await keyboard.press('Control+Enter');
    await expect(page.getByRole('button', { name: 'Send back' })).toBeFocused();
    await keyboard.press('Enter');
  });

  await test.step('two are sent back with a remark at a sentence', async () => {
    for (const [name, words] of [
      ['Dario', 'Make the hole 4 mm wide.'],
      ['Elif', 'Write it a little larger.'],
    ]) {
      await expect(shown(page)).toContainText(name);
      await keyboard.press('ArrowDown');
      await keyboard.press('ArrowDown');
      await keyboard.press('r');
      await expect(page.getByLabel('Remark on step 2')).toBeFocused();
      await keyboard.type(words);
      if (name === 'Elif') {
        // It does not arrive: it is back in its field, and is not forgotten by the decision that was pressed at once.
        await page.route('**/remarks', (route) => route.abort(), { times: 1 });
        await keyboard.press('Control+Enter');
        await keyboard.press('Enter');
        await expect(page.getByRole('alert')).toContainText('Your remark is not added yet');
        await expect(page.getByLabel('Remark on step 2')).toHaveValue(words);
        await expect(page.getByLabel('Remark on step 2')).toBeFocused();
      }
      // The decision is pressed while the remark is still on its way, and goes after it.
      await keyboard.press('Control+Enter');
      await keyboard.press('Enter');
    }
  });

  await test.step('what fails is waived with a reason', async () => {
    await expect(shown(page)).toContainText('Asha');
    await expect(page.getByText('It is for a thin wire.')).toBeVisible();
    for (const [name, reason] of [
      ['Asha', 'We drill it open.'],
      ['Femi', 'It is for a pin.'],
    ]) {
      await expect(shown(page)).toContainText(name);
      await keyboard.press('Control+Enter');
      // A reason is given for one hand-in alone.
      await expect(page.getByLabel('Why “Holes” may fail here')).toBeFocused();
      await expect(page.getByLabel('Why “Holes” may fail here')).toHaveValue('');
      await keyboard.type(reason);
      await keyboard.press('Tab');
      await keyboard.type('The wire is thin enough.');
      await keyboard.press('Enter');
      await expect(page.getByRole('button', { name: 'Approve, though it fails' })).toBeFocused();
      await keyboard.press('Enter');
    }
  });

  await test.step('the others are approved, and one of them is undone and approved again', async () => {
    for (const name of ['Greta', 'Hugo', 'Ines', 'Jonah', 'Keiko', 'Luca']) {
      await expect(shown(page)).toContainText(name);
      await expect(page.getByRole('button', { name: 'Approve for printing' })).toBeEnabled();
      await keyboard.press('Control+Enter');
    }
    await expect(shown(page)).toContainText('Maren');
    await expect(page.getByText('Luca: approved.')).toBeVisible();
    await keyboard.press('Control+z');
    await expect(shown(page)).toContainText('Luca');
    await keyboard.press('n');
    await expect(shown(page)).toContainText('Maren');
    await keyboard.press('Control+Enter');
    await expect(shown(page)).toContainText('Luca');
    await keyboard.press('Control+Enter');
    await expect(shown(page)).toHaveText('Review');
  });

  await test.step('the waiver is shown where the file waits', async () => {
    await page.goto('/queue');
    const entry = page.locator('[data-entry=Asha]');
    await expect(entry.locator('[data-waiver=hole]')).toContainText('We drill it open. Ms Fenwick');
  });

  const student = await as('dario');
  await test.step('the student reads the remark, mends the step and hands in again', async () => {
    await openBench(student);
    const remark = student.getByTestId('comment');
    await expect(remark).toContainText('Step 2: Make the hole 4 mm wide.');
    await expect(remark.getByText('Step 2')).toHaveCount(1);
    await remark.getByRole('button', { name: 'Step 2' }).click();
    await expect(student.locator('[data-step=s2][aria-current=step]')).toBeVisible();
    const diameter = student.locator('[data-step=s2]').getByRole('spinbutton', { name: 'diameter' });
    await diameter.fill('4');
    await diameter.press('Enter');
    await saved(student);
    await student.getByRole('button', { name: 'Hand in' }).click();
    await student
      .getByRole('dialog')
      .getByLabel(/note to your teacher/)
      .fill('It is 4 mm now.');
    await student.getByRole('dialog').getByRole('button', { name: 'Hand in' }).click();
    await expect(student.getByRole('button', { name: 'Take it back' })).toBeVisible();
  });

  await test.step('the teacher compares the two and approves', async () => {
    await page.goto('/review');
    await page
      .getByRole('row', { name: /Dario.*hand-in 2/ })
      .getByRole('link', { name: 'Dario', exact: true })
      .click();
    await expect(page.getByRole('list', { name: 'Changed since hand-in 1' })).toHaveText(
      'Step 2: diameter Ø 5 → Ø 4 mm',
    );
    await expect(page.getByText('It is 4 mm now.')).toBeVisible();
    await expect(student.getByText('Your teacher is looking at it.')).toBeVisible();
    await keyboard.press('d');
    for (const name of ['Hand-in 1, before', 'Hand-in 2, now']) {
      await expect(page.getByRole('figure', { name }).getByTestId('solid-view')).toBeVisible();
    }
    await keyboard.press('Control+Enter');
    await expect(student.locator('[data-state=approved]')).toBeVisible();
  });
});

test('what passes everything is approved together from the contact sheet', async ({
  as,
  browser,
  kelbrin,
}) => {
  const page = await as('teacher');
  for (const who of ['femi', 'greta']) {
    await handInLabel(browser, kelbrin.origin, who, { words: 'Parsley', widthMm: 88 });
  }
  await page.goto('/review/sheet');
  await expect(page.getByLabel(/^Approve (Femi|Greta)/)).toHaveCount(2);
  const others = page.getByLabel(/^Approve (?!Femi|th)/);
  const left = await others.count();
  for (const each of await others.all()) await each.uncheck();
  await page.getByRole('button', { name: 'Approve this one' }).click();
  await expect(page.getByRole('status')).toContainText('1 approved.');
  await expect(page.getByRole('listitem')).toHaveCount(left);
});
