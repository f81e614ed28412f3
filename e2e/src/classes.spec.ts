import { expect, openBench, saved, signInByHand, test } from './kelbrin.ts';

test.use({ file: 'classes' });

test('a teacher sets up a class of thirty from a pasted list with faulty lines, and prints the cards', async ({
  as,
}) => {
  const page = await as('teacher');
  await page.goto('/class');
  await page.getByLabel('A new class').fill('Year 7, Heron group');
  await page.getByRole('button', { name: 'Create' }).click();
  await expect(page.getByRole('heading', { name: 'Year 7, Heron group: people' })).toBeVisible();

  const lines = Array.from({ length: 30 }, (_, i) => `Student ${'ABCDEFGHIJKLMNOPQRSTUVWXYZÄÉÖØ'[i]}`);
  const faulty = [...lines];
  faulty[3] = 'Student D\tsam\t4711';
  faulty[10] = '\tkim';
  faulty[20] = 'Student U\tkim';
  const list = page.getByLabel(/One student a line/);
  await list.fill(faulty.join('\n'));
  const preview = page.getByTestId('preview');
  await expect(preview.locator('tbody tr')).toHaveCount(30);
  await expect(preview.getByText('“4711” is no PIN')).toBeVisible();
  await expect(preview.getByText('the name is missing')).toBeVisible();
  await expect(preview.getByText('“kim” is that of line 11 already')).toBeVisible();
  await expect(page.getByText('3 lines have to be mended first')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Add 27/ })).toBeDisabled();

  await list.fill(lines.join('\n'));
  await page.getByRole('button', { name: 'Add 30 students' }).click();
  const cards = page.getByRole('region', { name: 'Sign-in cards' });
  // Thirty PINs are hashed, which is slow on purpose.
  await expect(cards.getByRole('listitem')).toHaveCount(30);
  await expect(list).toHaveValue('');
  const first = cards.getByRole('listitem').first();
  const [code, signInName, pin] = await first.locator('dd').allInnerTexts();
  expect(pin).toMatch(/^\d{6}$/);

  // On paper there are the cards alone.
  await page.emulateMedia({ media: 'print' });
  await expect(first).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Students' })).toBeHidden();
  await expect(page.getByRole('button', { name: 'Sign out' })).toBeHidden();
  await page.emulateMedia({ media: null });
  await cards.getByRole('button', { name: 'Done' }).click();
  await expect(cards).toBeHidden();

  const student = await as();
  await signInByHand(student, signInName, pin, code);
  await expect(student.getByText('There is no brief for your class yet.')).toBeVisible();
});

test('students get new PINs, are archived, renamed, moved and deleted', async ({ as }) => {
  const page = await as('teacher');
  await page.goto('/class');
  await page.getByRole('link', { name: 'People' }).last().click();
  const row = (name: string) => page.getByRole('row').filter({ hasText: name });

  await page.getByLabel('Choose Noor').check();
  await page.getByRole('button', { name: 'New PINs and cards' }).click();
  await expect(page.getByRole('region', { name: 'Sign-in cards' }).getByRole('listitem')).toHaveText(/Noor/);

  // Whoever was chosen stays so.
  await expect(page.getByLabel('Choose Noor')).toBeChecked();
  await page.getByRole('button', { name: 'Archive' }).click();
  await expect(row('Noor')).toContainText('archived');
  await page.getByRole('button', { name: 'Bring back' }).click();
  await expect(row('Noor')).not.toContainText('archived');

  await page.getByRole('button', { name: 'Rename Noor' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill('Noor Adeyemi');
  // News of the class come while somebody types: the page asks for its data, and what was typed stays.
  const elsewhere = await page.context().newPage();
  await elsewhere.goto(page.url());
  const asked = page.waitForResponse((response) => response.url().includes('__data.json'));
  await elsewhere.getByLabel('Choose Ines').check();
  await elsewhere.getByRole('button', { name: 'Archive' }).click();
  await asked;
  await expect(row('Ines')).toContainText('archived');
  await elsewhere.getByRole('button', { name: 'Bring back' }).click();
  await elsewhere.close();
  await expect(row('Ines')).not.toContainText('archived');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(row('Noor Adeyemi')).toBeVisible();

  await page.getByRole('button', { name: 'Delete …' }).click();
  const sure = page.getByRole('dialog');
  const forGood = sure.getByRole('button', { name: 'Delete for good' });
  await expect(forGood).toBeDisabled();
  await sure.getByLabel(/to say that you mean it/).fill('Noor Adeyemi');
  await forGood.click();
  await expect(row('Noor Adeyemi')).toHaveCount(0);
  // Until a dialog has gone, nothing beneath it takes what is typed.
  await expect(page.locator('dialog[open]')).toHaveCount(0);

  await page.getByLabel('E-mail address').fill('sorrel@wrenfield.example');
  const helpers = page.getByRole('region', { name: 'Helpers' });
  await helpers.getByLabel('Name').fill('Mx Sorrel');
  await helpers.getByRole('button', { name: 'Add a helper' }).click();
  await expect(helpers.getByRole('status')).toContainText('signs in with the password');
  await expect(helpers).toContainText('Mx Sorrel');
});

test('what is chosen for a class is still shown when it is saved once more', async ({ as }) => {
  const page = await as('teacher');
  await page.goto('/limits');
  await page.getByRole('button', { name: 'Copy' }).first().click();
  await page.waitForURL('**/limits/*');
  await page.goto('/class');
  await page.getByRole('link', { name: 'Year 8, Wren group' }).click();
  const card = page.getByLabel('Limits card');
  const pattern = page.getByLabel('What the files of this class are called');
  const inUse = await card.inputValue();
  const cards = await card
    .locator('option')
    .evaluateAll((options) => options.map((each) => each.getAttribute('value')!));
  const other = cards.find((each) => each !== inUse)!;
  await card.selectOption(other);
  await pattern.fill('{student}-{brief}');
  for (let times = 0; times < 2; times++) {
    for (const button of ['Use this card', 'Save']) {
      const answered = page.waitForResponse((answer) => answer.request().method() === 'POST');
      const news = page.waitForResponse('**/__data.json*');
      await page.getByRole('button', { name: button, exact: true }).click();
      await answered;
      await news;
      await expect(card).toHaveValue(other);
    }
    await expect(pattern).toHaveValue('{student}-{brief}');
  }
  // A choice that nobody has touched follows what is chosen elsewhere.
  const elsewhere = await as('teacher');
  await elsewhere.goto(page.url());
  await elsewhere.getByLabel('Limits card').selectOption(inUse);
  await elsewhere.getByRole('button', { name: 'Use this card' }).click();
  await expect(card).toHaveValue(inUse);
});

test('what was saved stays in its field though news have the page ask for its data meanwhile', async ({
  as,
}) => {
  const page = await as('teacher');
  await page.goto('/class');
  await page.getByRole('link', { name: 'Year 8, Wren group' }).click();
  const pattern = page.getByLabel('What the files of this class are called');
  await pattern.fill('{brief}-{student}');
  // Each time that the page asks for its data it waits until the test lets it through.
  const held: (() => void)[] = [];
  await page.route('**/class/*/__data.json*', async (route) => {
    await new Promise<void>((resolve) => held.push(resolve));
    await route.continue();
  });
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect.poll(() => held.length).toBe(1);
  const elsewhere = await as('teacher');
  await elsewhere.goto(page.url());
  await elsewhere.getByRole('button', { name: 'Use this card' }).click();
  await page.waitForTimeout(1_500);
  held[0]();
  await expect(pattern).toHaveJSProperty('defaultValue', '{brief}-{student}');
  await expect(pattern).toHaveValue('{brief}-{student}');
  await page.unrouteAll({ behavior: 'ignoreErrors' });
});

test('a button stays under the pointer while hand-ins above it are inspected again', async ({ as }) => {
  const page = await as('teacher');
  await page.goto('/class');
  await page.getByRole('link', { name: 'Year 8, Wren group' }).click();
  const choose = page.getByRole('button', { name: 'Use this card' });
  const tops = await choose.evaluateHandle((button) => {
    const seen = new Set<number>();
    const look = () => {
      seen.add(Math.round(button.getBoundingClientRect().top + scrollY));
      requestAnimationFrame(look);
    };
    look();
    return seen;
  });
  // It may be over before the page shows it.
  await expect(async () => {
    await choose.click();
    await expect(page.locator('[data-state=checking]').first()).toBeVisible({ timeout: 4_000 });
  }).toPass();
  await expect(page.locator('[data-state=checking]')).toHaveCount(0);
  expect(await tops.evaluate((seen) => [...seen])).toHaveLength(1);
});

test('the school’s money is counted in one currency everywhere, once it is chosen', async ({ as }) => {
  const page = await as('teacher');
  await page.goto('/spools');
  const spools = page.getByRole('main');
  await expect(spools).toContainText('€');
  await page.goto('/limits');
  const field = page.getByLabel('The school counts its money in');
  await field.fill('gpb');
  await field.press('Enter');
  await expect(page.getByRole('alert')).toContainText('GPB is no currency');
  await field.fill('gbp');
  await field.press('Enter');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await page.goto('/spools');
  await expect(spools).toContainText('£');
  await expect(spools).not.toContainText('€');
  const student = await as('luca');
  await openBench(student);
  const inspection = student.getByRole('region', { name: 'Inspection' });
  await expect(inspection).toContainText('£');
  await expect(inspection).not.toContainText('€');
});

test('a brief is written with requirements, copied, and held against what is designed', async ({ as }) => {
  const page = await as('teacher');
  await page.goto('/class');
  await page.getByRole('link', { name: 'Edit the brief' }).last().click();
  const wanted = page.getByRole('region', { name: 'The part must …' });
  await wanted.getByRole('button', { name: 'An object that it holds' }).click();
  const object = wanted.locator('[data-requirement=object]');
  const across = object.getByRole('spinbutton', { name: 'diameter of the object' });
  await across.fill('6');
  await across.press('Enter');
  await object.getByLabel('how tightly').selectOption('snug');
  const letters = wanted.locator('[data-requirement=letters]').getByRole('spinbutton');
  await letters.fill('9000');
  await letters.press('Enter');
  await expect(wanted.getByText(/300 mm/).first()).toBeVisible();
  await letters.fill('9');
  await letters.press('Enter');
  const prompts = page.getByRole('region', { name: 'Prompts that lead through it' });
  await prompts.getByRole('button', { name: 'Add a prompt' }).click();
  await prompts
    .getByLabel('Prompt 5', { exact: true })
    .fill('Measure your cane and write it down as a measure.');
  await prompts.getByLabel('What ticks prompt 5 off').selectOption({ label: 'a measure:' });
  await page.getByLabel('Title').fill('Labels for canes');
  await expect(page.getByText('Not saved yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('13 students have begun it.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Delete this brief' })).toBeDisabled();
  await page.reload();
  await expect(object).toContainText('holds an object of');
  await expect(across).toHaveValue('6');

  await test.step('a student follows the prompts to a hand-in while the teacher watches', async () => {
    await page.goto('/class');
    await page.getByRole('link', { name: 'Lesson', exact: true }).last().click();
    const row = page.getByRole('row', { name: /Asha/ });
    const student = await as('asha');
    await openBench(student);
    const guide = student.getByRole('region', { name: 'Prompts' });
    await expect(guide).toContainText('Cut a hole that your string goes through.');
    await student.getByRole('button', { name: 'Ask for help' }).click();
    await expect(page.getByRole('row').nth(1)).toContainText(/(Asha|Maren).*asking for help/);
    await expect(row).toContainText('asks for help');
    await row.getByRole('button', { name: 'I have helped' }).click();
    await expect(student.getByRole('button', { name: 'Ask for help' })).toBeVisible();

    const hole = student.locator('[data-step=s2]');
    await hole.getByLabel('sized by').selectOption({ label: 'to fit an object of' });
    await hole.getByLabel('fit', { exact: true }).selectOption({ label: 'snugly' });
    await hole.getByRole('spinbutton', { name: 'diameter' }).fill('6');
    await hole.getByRole('spinbutton', { name: 'diameter' }).press('Enter');
    await expect(student.locator('[data-check=brief]')).toContainText('holds an object of Ø 6 mm, snug');
    await expect(guide).toContainText('Measure your cane');
    await expect(row).toContainText('5 of 5');
    await student.getByRole('button', { name: 'Add a measure' }).click();
    const name = student.getByLabel('name of the measure');
    await name.fill('cane');
    await name.press('Enter');
    await expect(guide).toContainText('Every prompt is done');
    await expect(row).toContainText('all done');
    await saved(student);
    await student.getByRole('button', { name: 'Hand in' }).click();
    await student.getByRole('dialog').getByRole('button', { name: 'Hand in' }).click();
    await expect(row).toContainText('handed in');
    await row.getByRole('link').click();
    await expect(page.getByRole('list', { name: 'Recipe' })).toContainText(
      'to fit an object of Ø 6 mm, snugly',
    );
    await page.goBack();
    await page.goto('/class');
    await page.getByRole('link', { name: 'Edit the brief' }).last().click();
  });

  await page.getByLabel('Copy for').selectOption({ label: 'Year 8, Wren group' });
  await page.getByRole('button', { name: 'Copy', exact: true }).click();
  await expect(page.getByText('Nobody has begun it yet.')).toBeVisible();
  await expect(across).toHaveValue('6');
  await page.getByRole('button', { name: 'Delete this brief' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Delete this brief' }).click();
  await expect(page.getByRole('heading', { name: 'Year 8, Wren group' })).toBeVisible();
});
