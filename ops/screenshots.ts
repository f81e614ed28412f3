import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, type Page } from 'playwright-core';
import { school } from '../app/src/lib/server/demo/school.ts';
import { buildAll } from './build.ts';
import { createDatabase, onDatabase, startCluster } from './postgres.ts';
import { Stack } from './stack.ts';
import { root } from './state.ts';

/* Draws docs/screenshots anew from a fresh demo school, so that they always show what there is. */

buildAll();
const cluster = process.env.DATABASE_URL ? undefined : await startCluster('screenshots', true);
const server = process.env.DATABASE_URL ?? cluster!.url('postgres');
const databaseUrl = onDatabase(server, 'kelbrin_screenshots');
await createDatabase(databaseUrl, { fresh: true });
const stack = await Stack.start({ databaseUrl, printerSpeed: 12 });
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--enable-unsafe-swiftshader', '--disable-background-networking'],
});
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
  await wrong.getByText('nothing fails then').waitFor({ timeout: 60_000 });
  await wrong.getByText('nothing fails then').scrollIntoViewIfNeeded();
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
    const menu = designer.locator('details', { hasText: 'Add a step' });
    if (!(await menu.evaluate((each) => (each as HTMLDetailsElement).open)))
      await menu.locator('summary').click();
    await menu.getByRole('button', { name: /example/ }).click();
    await designer.getByRole('button', { name: title }).click();
    await menu.locator('summary').click();
    await designer.waitForTimeout(1_000);
  };
  await designer.getByRole('button', { name: /example/ }).click();
  await designer.waitForTimeout(5_000);
  await shoot(designer, 'examples');
  await designer.getByRole('button', { name: 'Close' }).first().click();
  await example('Bed sign');
  await designer.locator('[data-step=s2] textarea').focus();
  await shoot(designer, 'bench-text');
  await example('Wind spinner');
  await designer.getByRole('button', { name: 'Thickness' }).click();
  await designer.locator('[aria-label=Legend][aria-busy=false]').waitFor();
  await shoot(designer, 'bench-thickness');
  await designer.getByRole('button', { name: 'Thickness' }).click();
  await example('Weed lifter');
  await designer.getByRole('button', { name: 'Plan large' }).click();
  await designer.locator('[data-step=s2] input').first().focus();
  await shoot(designer, 'bench-plan');
  await designer.getByRole('button', { name: 'Draw the outline on the plan' }).click();
  await shoot(designer, 'bench-drawing');

  await designer.getByRole('button', { name: 'Done' }).click();
  await designer.getByRole('button', { name: 'Hand in this one instead' }).click();
  await designer.getByRole('button', { name: 'Versions' }).click();
  await designer.getByLabel('Keep the project as it is now').fill('with a hexagon jaw');
  await designer.getByRole('button', { name: 'Keep', exact: true }).click();
  await designer.locator('strong', { hasText: 'with a hexagon jaw' }).waitFor();
  await designer.keyboard.press('Escape');
  await designer.getByRole('dialog', { name: 'Versions' }).waitFor({ state: 'hidden' });
  const across = designer.locator('[data-step=s2]').getByRole('spinbutton').nth(1);
  await across.fill('14');
  await across.press('Enter');
  await designer.locator('[data-step=s1]').getByRole('spinbutton', { name: 'height' }).fill('7');
  await designer.locator('[data-step=s1]').getByRole('spinbutton', { name: 'height' }).press('Enter');
  await designer.getByRole('button', { name: 'Versions' }).click();
  await designer.getByRole('button', { name: 'What changed' }).click();
  await shoot(designer, 'versions');

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
    .getByRole('row', { name: /Elif.*v2/ })
    .getByRole('link', { name: 'Elif', exact: true })
    .click();
  await teacher.getByRole('button', { name: 'Compare with v1' }).click();
  await teacher.getByTestId('solid-view').nth(1).waitFor();
  await teacher.waitForTimeout(2_000);
  await shoot(teacher, 'review-comparison');
  await teacher.goto('/queue');
  await shoot(teacher, 'queue');
  await teacher.getByRole('button', { name: 'Print Greta’s part on Birch' }).click();
  await teacher.goto('/print-room');
  await teacher.locator('[data-testid=doing]', { hasText: 'printing' }).first().waitFor({ timeout: 60_000 });
  await shoot(teacher, 'print-room');
} finally {
  await browser.close();
  await stack.stop();
  cluster?.stop();
}
