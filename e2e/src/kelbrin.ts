import { randomBytes } from 'node:crypto';
import {
  expect,
  test as base,
  type APIRequestContext,
  type Browser,
  type Locator,
  type Page,
} from '@playwright/test';
import { designOf } from '../../core/src/design/index.ts';
import type { Recipe } from '../../core/src/recipe/index.ts';
import { labelRecipe, type Label } from '../../app/src/lib/server/demo/labels.ts';
import { school } from '../../app/src/lib/server/demo/school.ts';
import { startChecks } from '../../app/src/lib/shared/startChecks.ts';
import { createDatabase, onDatabase } from '../../ops/postgres.ts';
import { Stack } from '../../ops/stack.ts';

/** Who can be signed in: a demo student by name, or one of the staff. */
export type Who = string;

interface Kelbrin {
  /** The file whose tests share one Kelbrin; another file names itself and gets another. */
  file: string;
  /** How many times faster than real ones the printers are. */
  printerSpeed: number;
  /** Whether the school is the demo's, or one that has just installed Kelbrin. */
  start: 'school' | 'empty';
  /** The language of the school. One that is not English has a school of its own, whose findings are in it. */
  language: string;
  /** A copy of the school's database, for the tests of one file. */
  databaseUrl: string;
  /** A running Kelbrin on that database. */
  kelbrin: Stack;
}

/** Tests against the real thing: web app, job process and simulated printers on a copy of the demo school. */
export const test = base.extend<
  { /** A page of somebody's own, or of nobody who is signed in yet. */ as: (who?: Who) => Promise<Page> },
  Kelbrin
>({
  file: ['', { option: true, scope: 'worker' }],
  printerSpeed: [400, { option: true, scope: 'worker' }],
  start: ['school', { option: true, scope: 'worker' }],
  language: ['en', { option: true, scope: 'worker' }],

  databaseUrl: [
    async ({ file, start, language }, use) => {
      const server = process.env.KELBRIN_TEST_SERVER;
      if (!server)
        throw new Error('These tests are run by “./run test browser”, which starts a server for them.');
      const databaseUrl = onDatabase(server, `kelbrin_test_${file}_${randomBytes(4).toString('hex')}`);
      await createDatabase(databaseUrl, {
        template: `kelbrin_test_${language === 'en' ? start : 'empty'}`,
      });
      await use(databaseUrl);
    },
    { scope: 'worker' },
  ],

  kelbrin: [
    async ({ databaseUrl, printerSpeed, start, language }, use) => {
      const stack = await Stack.start({ databaseUrl, printerSpeed, demo: start === 'school', language });
      await use(stack);
      expect(await stack.stop(), 'processes that did not heed that they should stop').toEqual([]);
    },
    { scope: 'worker', timeout: 300_000 },
  ],

  as: async ({ browser, kelbrin }, use) => {
    const pages: Page[] = [];
    await use(async (who) => {
      const page = who
        ? await signedIn(browser, kelbrin.origin, who)
        : await (await browser.newContext({ baseURL: kelbrin.origin })).newPage();
      pages.push(page);
      return page;
    });
    for (const page of pages) await page.context().close();
  },
});

export { expect };

/** Somebody signed in by the request that the form sends, which is quicker than the form. */
async function signedIn(browser: Browser, origin: string, who: Who): Promise<Page> {
  const context = await browser.newContext({ baseURL: origin });
  await signInByRequest(context.request, origin, who);
  return context.newPage();
}

/** Signs somebody in without a page. */
export async function signInByRequest(request: APIRequestContext, origin: string, who: Who): Promise<void> {
  const isStaff = who === 'teacher' || who === 'helper';
  const form: Record<string, string> = isStaff
    ? { email: school[who].email, password: school[who].password }
    : { code: school.classCode, name: who, pin: school.studentPin };
  const answer = await request.post(`/sign-in?/${isStaff ? 'staff' : 'student'}`, {
    form,
    headers: { origin },
  });
  if (!answer.ok()) throw new Error(`${who} was not signed in: ${answer.status()}`);
}

/** Has a student with a project hand in a label as their page would, without opening the page. */
export async function handInLabel(
  browser: Browser,
  origin: string,
  who: Who,
  label: Label,
  argued: readonly string[] = [],
): Promise<void> {
  await handInRecipe(browser, origin, who, labelRecipe(label), argued);
}

/** Has a student with a project hand in a recipe as their page would, without opening the page. */
export async function handInRecipe(
  browser: Browser,
  origin: string,
  who: Who,
  recipe: Recipe,
  argued: readonly string[] = [],
): Promise<void> {
  const context = await browser.newContext({ baseURL: origin });
  const { request } = context;
  await signInByRequest(request, origin, who);
  const path = await benchOf(request);
  const revision = await saveRecipe(request, origin, path, recipe);
  const said = {
    note: '',
    arguments: argued.map((check) => ({ check, words: 'It is for a thin wire.' })),
  };
  const answer = await request.post(`${path}?/handIn`, {
    form: { revision: String(revision), said: JSON.stringify(said) },
    headers: { origin, accept: 'application/json' },
  });
  const { type } = (await answer.json()) as { type: string };
  if (type !== 'success') throw new Error(`${who} could not hand in: ${await answer.text()}`);
  await context.close();
}

/** The form that starts a print, with everything ticked off that is looked at before. */
export function startForm(fields: Readonly<Record<string, string>>): FormData {
  const form = new FormData();
  for (const [name, value] of Object.entries(fields)) form.set(name, value);
  for (const check of startChecks) form.append('check', check);
  return form;
}

/** Ticks off in the dialog what is looked at before a print, and starts it. */
export async function confirmStart(page: Page): Promise<void> {
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('button', { name: 'Start printing' })).toBeDisabled();
  for (const check of await dialog.getByRole('checkbox').all()) await check.check();
  await dialog.getByRole('button', { name: 'Start printing' }).click();
}

/** Has a part that waits be printed by itself: a student's, or the first one. */
export async function printOn(page: Page, student: string | undefined, printer: string): Promise<void> {
  const name = student ? `Print ${student}’s part by itself` : /^Print .* by itself$/;
  await page.getByRole('button', { name }).first().click();
  await page.getByRole('button', { name: new RegExp(`^Print .* on ${printer}$`) }).click();
}

/** Signs a student of the demo school in by hand. */
export async function signInByHand(
  page: Page,
  name: string,
  pin = school.studentPin,
  code = school.classCode,
) {
  await page.goto('/sign-in');
  const form = page.locator('form', { hasText: 'Students' });
  await form.getByLabel('Class code').fill(code);
  await form.getByLabel('Name').fill(name);
  await form.getByLabel('PIN').fill(pin);
  await form.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('button', { name: 'Sign out' }).waitFor();
}

/** Opens a signed-in student's bench and waits for the solid. */
export async function openBench(page: Page): Promise<void> {
  await page.goto(await benchOf(page.request));
  await page.getByTestId('solid-view').waitFor();
}

/**
 * Opens a signed-in student's bench with a label on it, whatever the flows before have left there: those of one file share
 * its school, and which of them run in one is not known.
 */
export async function openLabel(page: Page, label: Label): Promise<void> {
  const { origin } = new URL((await page.request.get('/home')).url());
  await saveRecipe(page.request, origin, await benchOf(page.request), labelRecipe(label));
  await openBench(page);
}

/** Saves a recipe as the whole of a project, over what is there. Gives back its revision. */
async function saveRecipe(
  request: APIRequestContext,
  origin: string,
  path: string,
  recipe: Recipe,
): Promise<number> {
  const design = designOf(recipe, 'Label');
  const save = (baseRevision: number) =>
    request.put(`${path}/design`, { data: { baseRevision, design }, headers: { origin } });
  // Saved from no revision at all, it is told which one there is.
  const { revision } = (await (await save(999_999)).json()) as { revision: number };
  const answer = await save(revision);
  if (!answer.ok()) throw new Error(`The recipe was not saved: ${answer.status()}`);
  return revision + 1;
}

/** Where the bench of a signed-in student's project is. */
async function benchOf(request: APIRequestContext): Promise<string> {
  return /\/bench\/[0-9a-f-]+/.exec(await (await request.get('/home')).text())![0];
}

/** Waits, from before a page is opened, until its program runs and asks for news. */
export async function followsNews(page: Page): Promise<void> {
  await page.waitForRequest('**/news.sharedworker*');
}

/** Waits until the server has every edit. */
export async function saved(page: Page): Promise<void> {
  await page.locator('[data-save=saved]').waitFor();
}

/** Puts a roll of the page of spools on a printer, by its button or, where there are many, by the menu of them. */
export async function putOn(roll: Locator, where: string): Promise<void> {
  const put = roll.getByRole('button', { name: `Put on ${where}`, exact: true });
  const menu = roll.getByRole('button', { name: /^Choose where spool/ });
  await expect(put.or(menu)).toBeVisible();
  if (await menu.isVisible()) await menu.click();
  await put.click();
}

/** Sets bells so far away that a whole batch is done by the next one, whatever the time is; the print room is shown then. */
export async function setFarBells(teacher: Page): Promise<void> {
  const hour = new Date().getHours();
  // Half a day away, also an hour before midnight.
  const bells = [hour + 11, hour + 12]
    .map((each) => `${String(each % 24).padStart(2, '0')}:00`)
    .sort()
    .join(' ');
  await teacher.goto('/print-room');
  await teacher.getByText('The school day').click();
  await teacher.getByLabel(/One lesson per line/).fill(bells);
  const answered = teacher.waitForResponse((answer) => answer.request().method() === 'POST');
  await teacher.getByRole('button', { name: 'Save the bells' }).click();
  await answered;
}
