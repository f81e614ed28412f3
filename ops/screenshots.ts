import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, type Page } from 'playwright-core';
import { school } from '../app/src/lib/server/demo/school.ts';
import { buildAll } from './build.ts';
import { chromiumOptions } from './chromium.ts';
import { createDatabase, onDatabase, startCluster } from './postgres.ts';
import { Stack } from './stack.ts';
import { root } from './state.ts';

/* Draws docs/screenshots anew from a fresh demo school, so that they always show what there is. */

await buildAll();
const cluster = process.env.DATABASE_URL ? undefined : await startCluster('screenshots', true);
const server = process.env.DATABASE_URL ?? cluster!.url('postgres');
const databaseUrl = onDatabase(server, 'kelbrin_screenshots');
await createDatabase(databaseUrl, { fresh: true });
const stack = await Stack.start({ databaseUrl, printerSpeed: 12 });
const browser = await chromium.launch(chromiumOptions);
let isEnding = false;
/** Leaves no process behind, however it ends. */
async function end(): Promise<void> {
  if (isEnding) return;
  isEnding = true;
  await browser.close().catch(() => {});
  await stack.stop();
  cluster?.stop();
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
  process.once(signal, () => void end().then(() => process.exit(1)));
const folder = join(root, 'docs/screenshots');
mkdirSync(folder, { recursive: true });

async function signIn(who: 'teacher' | string): Promise<Page> {
  const context = await browser.newContext({
    baseURL: stack.origin,
    viewport: { width: 1280, height: 800 },
    reducedMotion: 'reduce',
  });
  const page = await context.newPage();
  await page.goto('/sign-in');
  const fields: [string, string][] =
    who === 'teacher'
      ? [
          ['E-mail', school.teacher.email],
          ['Password', school.teacher.password],
        ]
      : [
          ['Class code', school.classCode],
          ['Name', who],
          ['PIN', school.studentPin],
        ];
  const form = page.locator('form', { hasText: who === 'teacher' ? 'Teachers and helpers' : 'Students' });
  for (const [label, value] of fields) await form.getByLabel(label).fill(value);
  await form.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('button', { name: 'Sign out' }).waitFor();
  return page;
}

async function shoot(page: Page, name: string): Promise<void> {
  await page.waitForLoadState('load');
  await page.evaluate(() => Promise.all([...document.images].map((image) => image.decode().catch(() => {}))));
  // Nothing tells when the graphics card has drawn its last frame.
  await page.waitForTimeout(1_500);
  const inspecting = page.getByText(/\d+ of \d+ …/);
  if ((await inspecting.count()) > 0) {
    await inspecting.first().waitFor({ state: 'hidden', timeout: 60_000 });
    await page.waitForTimeout(1_500);
  }
  await page.screenshot({ path: join(folder, `${name}.png`) });
}

try {
  const student = await signIn('asha');
  await shoot(student, 'home');
  await student.getByRole('link', { name: 'Open the bench' }).click();
  await student.getByTestId('solid-view').waitFor();
  await student.locator('[data-check=hole] button').click();
  await shoot(student, 'bench');

  const wrong = await signIn('bruno');
  await wrong.getByRole('link', { name: 'Open the bench' }).click();
  await wrong.getByTestId('solid-view').waitFor();
  await wrong.locator('[data-check=relief] button').first().click();
  const mending = wrong.getByText('nothing fails then').first();
  await mending.waitFor({ timeout: 60_000 });
  await mending.scrollIntoViewIfNeeded();
  await shoot(wrong, 'bench-inspection');
  await wrong.getByRole('button', { name: 'Plan large' }).click();
  const ruler = wrong.getByRole('slider', { name: 'Cut height' });
  await ruler.focus();
  for (let i = 0; i < 11; i++) await ruler.press('ArrowDown');
  await wrong.getByTestId('section').waitFor();
  await shoot(wrong, 'bench-section');

  const designer = await signIn('maren');
  await designer.getByRole('link', { name: 'Open the bench' }).click();
  await designer.getByTestId('solid-view').waitFor();
  const example = async (title: string) => {
    await designer.getByRole('button', { name: 'Add a step' }).click();
    await designer.getByRole('button', { name: /example/ }).click();
    await designer.getByRole('button', { name: title }).click();
    // Its letters may still be on their way.
    await designer.locator('[data-save=saved]').waitFor();
    await designer.getByRole('group', { name: 'Part' }).getByText('mm', { exact: false }).first().waitFor();
  };
  await example('Weed lifter');
  await designer.getByRole('button', { name: 'Plan large' }).click();
  await designer.locator('[data-step=s2] input').first().focus();
  await shoot(designer, 'bench-plan');
  await designer.getByRole('button', { name: 'Draw the outline on the plan' }).click();
  await shoot(designer, 'bench-drawing');

  const teacher = await signIn('teacher');
  await shoot(teacher, 'classes');
  await teacher.getByRole('link', { name: school.className }).click();
  await shoot(teacher, 'class');
  await teacher.getByRole('link', { name: 'Figures' }).click();
  await shoot(teacher, 'figures');
  await teacher.goto('/class');
  await teacher.getByRole('link', { name: 'Edit the brief' }).click();
  await teacher.locator('.ProseMirror').waitFor();
  await shoot(teacher, 'brief');
  await teacher.goto('/class');
  await teacher.getByRole('link', { name: 'Lesson' }).click();
  await teacher.getByText('asks for help').first().waitFor();
  await shoot(teacher, 'lesson');
  await teacher.goto('/review');
  await teacher.getByRole('link', { name: 'Bruno', exact: true }).click();
  await teacher.getByTestId('solid-view').waitFor();
  await teacher.locator('[data-check=overhang] button').first().click();
  await shoot(teacher, 'review');
  await teacher.goto('/review');
  await teacher
    .getByRole('row', { name: /Elif.*hand-in 2/ })
    .getByRole('link', { name: 'Elif', exact: true })
    .click();
  await teacher.getByRole('button', { name: 'Compare with hand-in 1' }).click();
  await teacher.getByTestId('solid-view').nth(1).waitFor();
  await teacher.waitForTimeout(2_000);
  await shoot(teacher, 'review-comparison');
  await teacher.goto('/queue');
  await shoot(teacher, 'queue');
  await teacher.goto('/plan');
  await teacher.locator('[data-batch-of]').first().click();
  await teacher.waitForTimeout(2_000);
  await shoot(teacher, 'week-plan');
  await teacher.goto('/queue');
  await teacher.getByRole('checkbox', { name: 'Choose all' }).check();
  await teacher.getByRole('button', { name: /^Put \d/ }).click();
  await teacher.getByTestId('takes').waitFor();
  await shoot(teacher, 'batch');
  await teacher.getByRole('button', { name: 'Layers' }).click();
  const height = teacher.getByRole('slider', { name: 'Height of the layer' });
  for (let i = 0; i < 8; i++) await height.press('ArrowUp');
  await teacher.waitForTimeout(1_000);
  await shoot(teacher, 'batch-layers');
  await teacher.getByRole('button', { name: 'Start on Birch' }).click();
  const dialog = teacher.getByRole('dialog');
  for (const check of await dialog.getByRole('checkbox').all()) await check.check();
  await dialog.getByRole('button', { name: 'Start printing' }).click();
  await teacher.waitForURL('**/print-room');
  await teacher.locator('[data-testid=doing]', { hasText: 'printing' }).first().waitFor({ timeout: 60_000 });
  await shoot(teacher, 'print-room');
  await teacher.getByRole('link', { name: 'Jonah' }).first().click();
  await teacher.getByLabel('Outcome of Jonah’s part').first().waitFor();
  await teacher.getByRole('button', { name: 'Jonah’s part is not good' }).click();
  await teacher.getByRole('combobox', { name: 'Outcome of Jonah’s part' }).selectOption('droop');
  await teacher.getByTestId('takes').waitFor();
  await shoot(teacher, 'outcome');
} finally {
  await end();
}
