import type { Page } from '@playwright/test';
import postgres from 'postgres';
import { confirmStart, expect, followsNews, handInLabel, printOn, signInByRequest, test } from './kelbrin.ts';

// Slow enough that the run outlasts the restarts.
test.use({ file: 'recovery', printerSpeed: 20 });

test('a run and its progress survive the web app and the job process being killed', async ({
  as,
  kelbrin,
}) => {
  const helper = await as('helper');
  await helper.goto('/queue');
  await printOn(helper, 'Femi', 'Birch');
  await confirmStart(helper);
  await helper.waitForURL('**/print-room');
  const birch = helper.locator('[data-printer=Birch]');
  const percent = async () => Number(await birch.getByTestId('percent').textContent());
  await expect.poll(percent).toBeGreaterThan(0);

  await kelbrin.kill('web');
  const before = await percent();
  await new Promise((resolve) => setTimeout(resolve, 2_000));
  await kelbrin.startWeb();
  // The open page finds its way back by itself, and the printer has gone on meanwhile.
  await expect.poll(percent).toBeGreaterThan(before);
  await expect(birch).toContainText('Femi');

  await kelbrin.kill('jobs');
  const then = await percent();
  kelbrin.startJobs();
  await expect.poll(percent).toBeGreaterThan(then);
  await expect(birch.locator('[data-run=printing]')).toBeVisible();

  // Cancelling asks first, and leaving it as it is changes nothing.
  await birch.getByRole('button', { name: 'Cancel the print' }).click();
  await helper.getByRole('dialog').getByRole('button', { name: 'Leave it as it is' }).click();
  await expect(helper.getByRole('dialog')).toHaveCount(0);
  await expect(birch.locator('[data-run=printing]')).toBeVisible();
  await birch.getByRole('button', { name: 'Cancel the print' }).click();
  await helper.getByRole('dialog').getByRole('button', { name: 'Cancel the print' }).click();
  await expect(birch.getByRole('listitem').first()).toContainText('cancelled');
  // What was printed of it lies on the plate, until somebody says that it does not.
  await expect(birch.getByTestId('on-plate')).toContainText('Femi');
  await expect(birch.getByTestId('doing')).toHaveText('to be cleared');
  await birch.getByRole('button', { name: 'The plate is clear' }).click();
  await expect(birch.getByTestId('doing')).toHaveText('free');
});

test('the web app ends as soon as it is asked to, though pages follow it, and they find it again', async ({
  as,
  kelbrin,
}) => {
  const helper = await as('helper');
  await helper.goto('/queue');
  const first = helper.locator('[data-entry]').first();
  await expect(first).toBeVisible();
  expect(await kelbrin.end('web')).toBe(true);
  await kelbrin.startWeb();
  await first.getByRole('button', { name: 'Hold' }).click();
  await expect(first).toContainText('on hold');
  await first.getByRole('button', { name: 'Release' }).click();
});

test('a page stays when the server is away just when it asks for its data', async ({ as }) => {
  const helper = await as('helper');
  await helper.goto('/queue');
  const first = helper.locator('[data-entry]').first();
  await expect(first).toBeVisible();
  let refused = 0;
  await helper.route('**/queue/rows*', (route) => (refused++ < 2 ? route.abort() : route.continue()));
  await helper.evaluate(
    async (entry) => {
      await fetch('/queue?/hold', { method: 'POST', body: new URLSearchParams({ entry, held: 'yes' }) });
    },
    (await first.locator('input[name=entry]').first().getAttribute('value'))!,
  );
  await expect(first).toContainText('on hold');
  expect(refused).toBeGreaterThan(2);
});

/** Holds requests back from the server until the function that it gives is called. */
async function heldBack(page: Page, url: string): Promise<() => void> {
  let release!: () => void;
  const released = new Promise<void>((resolve) => (release = resolve));
  await page.route(url, (route) => released.then(() => route.continue()));
  return release;
}

test('what is typed while another form is answered arrives whole', async ({ as }) => {
  const helper = await as('helper');
  const follows = followsNews(helper);
  await helper.goto('/spools');
  await follows;
  const answer = await heldBack(helper, '**/spools?/weigh');
  // Of these nothing is taken while they lie on the shelf.
  const [first, second] = [3, 4].map((n) => helper.getByLabel(`Grams of filament on spool ${n},`));
  await first.fill('640');
  await first.press('Enter');
  await second.fill('');
  // Answered after the point: a number that could end here, and does not.
  await second.pressSequentially('123.');
  answer();
  await expect(first).toHaveJSProperty('defaultValue', '640');
  await second.pressSequentially('456789', { delay: 60 });
  await expect(second).toHaveValue('123.456789');
  await expect(first).toHaveValue('640');
});

test('what is pressed and chosen before the program of a page runs is done once it runs', async ({ as }) => {
  const teacher = await as('teacher');
  await teacher.goto('/class');
  const path = await teacher.getByRole('link', { name: 'Edit the brief' }).last().getAttribute('href');
  const run = await heldBack(teacher, '**/_app/immutable/**/*.js');
  await teacher.goto(path!, { waitUntil: 'commit' });
  const wanted = teacher.getByRole('region', { name: 'The part must …' });
  await wanted.getByRole('button', { name: 'An object that it holds' }).click();
  const prompt = teacher.getByLabel('What ticks prompt 1 off');
  await prompt.selectOption({ label: 'a measure:' });
  run();
  await expect(wanted.locator('[data-requirement=object]')).toHaveCount(1);
  await expect(prompt.locator('option:checked')).toHaveText('a measure:');
  await expect(teacher.getByText('Not saved yet.')).toBeVisible();
});

test('a number in a brief is taken with Enter alone, and what is typed while the brief is saved arrives whole', async ({
  as,
}) => {
  const teacher = await as('teacher');
  await teacher.goto('/class');
  await teacher.getByRole('link', { name: 'Edit the brief' }).last().click();
  let sent = 0;
  teacher.on('request', (request) => {
    if (request.url().endsWith('?/save')) sent++;
  });
  const answer = await heldBack(teacher, '**/brief/*?/save');
  const grams = teacher.getByRole('spinbutton', { name: 'grams of filament' });
  await grams.fill('11');
  await grams.press('Enter');
  await expect(teacher.getByText('Not saved yet.')).toBeVisible();
  expect(sent).toBe(0);
  await teacher.getByRole('button', { name: 'Save' }).click();
  await grams.fill('');
  await grams.pressSequentially('12.');
  const shown = teacher.waitForResponse('**/__data.json*');
  answer();
  await shown;
  await grams.pressSequentially('525', { delay: 100 });
  await expect(grams).toHaveValue('12.525');
  await expect(grams).toBeFocused();
  expect(sent).toBe(1);
  await grams.press('Enter');
  await expect(teacher.getByText('Not saved yet.')).toBeVisible();
  const answerTitle = await heldBack(teacher, '**/brief/*?/save');
  await teacher.getByRole('button', { name: 'Save' }).click();
  const title = teacher.getByLabel('Title');
  await title.fill('');
  await title.pressSequentially('Labels ');
  const shownTitle = teacher.waitForResponse('**/__data.json*');
  answerTitle();
  await shownTitle;
  await title.pressSequentially('for canes', { delay: 80 });
  await expect(title).toHaveValue('Labels for canes');
  await expect(title).toBeFocused();
  await teacher.getByRole('button', { name: 'Save' }).click();
  await expect(teacher.getByText('13 students have begun it.')).toBeVisible();
});

test('what is typed stays though another person changes the same number, and is shown when it is saved again', async ({
  as,
}) => {
  const helper = await as('helper');
  const third = helper.getByLabel('Grams of filament on spool 3,');
  const answered = () => helper.waitForResponse('**/spools/__data.json*');
  const follows = followsNews(helper);
  await helper.goto('/spools');
  await third.fill('7');
  // Its program runs by now, and the field still says what was typed at once.
  await follows;
  await third.press('End');
  await third.pressSequentially('7');
  const spool = await helper.locator('form', { has: third }).locator('input[name=spool]').inputValue();
  let news = answered();
  await helper.evaluate(
    (spool) =>
      fetch('/spools?/weigh', { method: 'POST', body: new URLSearchParams({ spool, grams: '500' }) }),
    spool,
  );
  await news;
  await expect(third).toHaveValue('77');
  for (let times = 0; times < 2; times++) {
    news = answered();
    await third.press('Enter');
    await news;
    await expect(third).toHaveValue('77');
  }
});

test('rolls of one box are added one after another, and one that was taken for used up comes back', async ({
  as,
}) => {
  const helper = await as('helper');
  const follows = followsNews(helper);
  await helper.goto('/spools');
  await follows;
  const form = helper.locator('form', { has: helper.getByRole('button', { name: 'Add a spool' }) });
  const field = (name: string) => form.getByLabel(name, { exact: true });
  await field('Material').fill('PETG');
  await field('Grams on it').fill('0,75 kg');
  await field('Price of 1 kg').fill('19,90');
  const numbers: number[] = [];
  for (const colour of ['moss', 'slate']) {
    await field('Colour in words').fill(colour);
    await field('Colour in words').press('Enter');
    const sticker = helper.getByRole('status').filter({ hasText: 'Write No.' });
    await expect(sticker).not.toContainText(`No. ${numbers.at(-1)} `);
    numbers.push(Number(/No\. (\d+)/.exec(await sticker.innerText())![1]));
    await expect(field('Colour in words')).toHaveValue('');
    await expect(field('Material')).toHaveValue('PETG');
    await expect(field('Grams on it')).toHaveValue('750');
    await expect(field('Price of 1 kg')).toHaveValue(/^19[.,]9/);
  }
  const roll = helper.getByRole('listitem', { name: `Spool ${numbers[1]}`, exact: true });
  await expect(roll).toContainText('PETG, slate');
  await roll.getByRole('button', { name: /^Mark as empty: spool/ }).click();
  // Nothing is done before it was asked.
  await expect(helper.getByRole('dialog')).toContainText('750 g are left on it');
  // Nor is a question lost that is asked again the very moment the one before it closes.
  await roll.getByRole('button', { name: /^Mark as empty: spool/ }).evaluate((again: HTMLElement) => {
    const { close } = HTMLDialogElement.prototype;
    HTMLDialogElement.prototype.close = function (this: HTMLDialogElement) {
      HTMLDialogElement.prototype.close = close;
      close.call(this);
      again.click();
    };
  });
  await helper.keyboard.press('Escape');
  await helper.getByRole('dialog').getByRole('button', { name: 'Mark as empty' }).click();
  await expect(roll).toHaveCount(0);
  await helper.getByText('Emptied lately').click();
  const gone = helper.getByRole('listitem', { name: `Spool ${numbers[1]}, empty` });
  await gone.getByRole('button', { name: 'Bring back' }).click();
  await expect(roll).toBeVisible();
});

test('pages that are left at once do no harm', async ({ as, kelbrin }) => {
  const helper = await as('helper');
  await helper.goto('/print-room');
  const answers = await helper.evaluate(async () => {
    // News come every moment while a printer heats, also for streams that are just being closed.
    for (let i = 0; i < 60; i++) {
      const leaving = new AbortController();
      const asked = fetch('/live?topic=printroom', { signal: leaving.signal }).catch(() => {});
      await new Promise((resolve) => setTimeout(resolve, i % 12));
      leaving.abort();
      await asked;
    }
    return (await fetch('/print-room')).status;
  });
  expect(answers).toBe(200);
  expect((await fetch(`${kelbrin.origin}/sign-in`)).status).toBe(200);
});

test('a page of one class has nothing of another, also when it is gone back to past the pages between', async ({
  as,
}) => {
  const teacher = await as('teacher');
  await teacher.goto('/class');
  await teacher.getByLabel('A new class').fill('Year 8, Tern group');
  await teacher.getByRole('button', { name: 'Create' }).click();
  await expect(teacher.getByLabel(/One student a line/)).toBeVisible();
  const open = async (name: string) => {
    await teacher.getByRole('navigation').getByRole('link', { name: 'Classes' }).click();
    await teacher.getByRole('link', { name, exact: true }).click();
    await expect(teacher.getByRole('heading', { level: 1 })).toContainText(name);
  };
  await open('Year 8, Tern group');
  const pattern = teacher.getByLabel('What the files of this class are called');
  const kept = await pattern.inputValue();
  await open('Year 8, Wren group');
  await pattern.fill('wren-{n}');
  await teacher.evaluate(() => history.go(-2));
  await expect(teacher.getByRole('heading', { level: 1 })).toContainText('Tern');
  await expect(pattern).toHaveValue(kept);
});

test('a form that does not arrive says so, and stays with what was typed in it', async ({
  as,
  databaseUrl,
}) => {
  const teacher = await as('teacher');
  await teacher.goto('/class');
  await teacher.getByRole('link', { name: 'Year 8, Wren group' }).click();
  const pattern = teacher.getByLabel('What the files of this class are called');
  const save = teacher.locator('form', { has: pattern }).getByRole('button');
  await pattern.fill('{student}-{n}');
  await teacher.context().setOffline(true);
  await save.click();
  const said = teacher.getByRole('alert').filter({ hasText: 'could not be reached' });
  await expect(said).toBeVisible();
  await expect(pattern).toHaveValue('{student}-{n}');

  await teacher.context().setOffline(false);
  await save.click();
  await expect(said).toBeHidden();
  await teacher.reload();
  await expect(pattern).toHaveValue('{student}-{n}');

  // A fault of the server's own, which nobody who types can help.
  const sql = postgres(databaseUrl, { max: 1, onnotice: () => {} });
  await sql`create function fault() returns trigger language plpgsql as 'begin raise exception ''a fault''; end'`;
  await sql`create trigger fault before update on classes execute function fault()`;
  await pattern.fill('{student}-of-{brief}-{n}');
  await save.click();
  await expect(teacher.getByRole('alert').filter({ hasText: 'Something went wrong here.' })).toBeVisible();
  await expect(pattern).toHaveValue('{student}-of-{brief}-{n}');
  await sql`drop trigger fault on classes`;
  await sql.end();
  await save.click();
  await expect(teacher.getByRole('alert')).toHaveCount(0);
  await teacher.reload();
  await expect(pattern).toHaveValue('{student}-of-{brief}-{n}');

  // A sign-in that has ended in the meantime.
  await pattern.fill('{student}-{brief}-{n}');
  await teacher.context().clearCookies();
  await save.click();
  await expect(teacher.getByRole('alert').filter({ hasText: 'Sign in first.' })).toBeVisible();
  await expect(pattern).toHaveValue('{student}-{brief}-{n}');
});

test('what is written in a review stays until one signs out, and nobody after them finds it', async ({
  as,
  kelbrin,
}) => {
  const teacher = await as('teacher');
  await teacher.goto('/review');
  await teacher.getByRole('row', { name: /Bruno/ }).getByRole('link').first().click();
  const whole = teacher.getByLabel('What to change overall');
  await whole.fill('Rounder, please.');
  const handIn = teacher.url();
  await teacher.goto('/queue');
  await teacher.goto(handIn);
  await expect(whole).toHaveValue('Rounder, please.');

  await teacher.getByRole('button', { name: 'Sign out' }).click();
  await teacher.waitForURL('**/sign-in');
  const words = () => teacher.evaluate(() => JSON.stringify(sessionStorage));
  expect(await words()).not.toContain('Rounder');
  await signInByRequest(teacher.request, kelbrin.origin, 'teacher');
  await teacher.goto(handIn);
  await expect(teacher.getByRole('button', { name: 'Send back' })).toBeVisible();
  await expect(whole).toHaveValue('');
});

test('news that come before a page listens are not missed', async ({ as, browser, kelbrin }) => {
  const teacher = await as('teacher');
  // A stream of the page's own, which the test can hold back.
  await teacher.addInitScript(() => Reflect.deleteProperty(globalThis, 'SharedWorker'));
  let listen = () => {};
  const mayListen = new Promise<void>((resolve) => (listen = resolve));
  await teacher.route('**/live?*', async (route) => {
    await mayListen;
    await route.continue();
  });
  await teacher.goto('/review');
  await expect(teacher.getByRole('row', { name: /Bruno/ })).toBeVisible();

  await handInLabel(browser, kelbrin.origin, 'asha', { words: 'Basil' });
  await expect(teacher.getByRole('row', { name: /Asha/ })).toHaveCount(0);
  listen();
  await expect(teacher.getByRole('row', { name: /Asha/ }).locator('[data-verdict=pass]')).toBeVisible();
});

test('news that come while a link is followed do not call it off', async ({ as }) => {
  const student = await as('luca');
  await student.goto('/home');
  // The bench takes a while to answer, and news come meanwhile.
  await student.route('**/bench/**/__data.json*', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1_500));
    await route.continue();
  });
  await student.getByRole('link', { name: 'Open the bench' }).click();
  await expect(student.getByTestId('solid-view')).toBeVisible();
});
