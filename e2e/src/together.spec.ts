import type { Page } from '@playwright/test';
import * as hand from './byHand.ts';
import { expect, openBench, saved, test } from './kelbrin.ts';

test.use({ file: 'together' });

/** For how long two students edit at random, s. */
const EDIT_S = Number(process.env.KELBRIN_TOGETHER_S ?? 15);

/** A generator of whole numbers below another, the same in each run. */
function numbers(seed: number): (below: number) => number {
  let state = seed;
  return (below) => {
    state = (state * 1_103_515_245 + 12_345) % 2 ** 31;
    return Math.floor((state / 2 ** 31) * below);
  };
}

/** Every sentence of the recipe with the values in its fields. */
const recipeOf = (page: Page): Promise<string[]> =>
  page.locator('[data-step]').evaluateAll((steps) =>
    steps.map((each) => {
      const fields = [...each.querySelectorAll<HTMLInputElement>('input, select, textarea')]
        .filter((field) => !field.ariaLabel?.startsWith('More'))
        .map((field) => `${field.ariaLabel ?? ''} ${field.value}`);
      return fields.join(' | ');
    }),
  );

test('two students edit one project at once, and the teacher points at it', async ({ as }) => {
  test.setTimeout((EDIT_S + 120) * 1000);
  const teacher = await as('teacher');
  await teacher.goto('/class');
  await teacher.getByRole('link', { name: 'Year 8, Wren group' }).click();
  const lesson = new URL(
    (await teacher.getByRole('link', { name: 'Lesson' }).first().getAttribute('href')) ?? '',
    teacher.url(),
  );
  await teacher.getByRole('link', { name: 'Teams' }).click();
  const alone = teacher.getByRole('region', { name: 'Who works alone' });
  for (const name of ['Luca', 'Noor']) await alone.getByLabel(name).check();
  await teacher.getByRole('button', { name: 'Make a team of these students' }).click();
  await expect(teacher.getByRole('listitem', { name: 'Luca & Noor' })).toBeVisible();

  const luca = await as('luca');
  const noor = await as('noor');
  for (const page of [luca, noor]) await openBench(page);
  const began = (await recipeOf(luca)).length;

  // Who is where is said at the sentence.
  await luca.locator('[data-step]').first().getByRole('spinbutton', { name: 'width', exact: true }).focus();
  await expect(noor.locator('[data-step]').first()).toContainText('Luca is here');

  // Luca minds the width, Noor the depth; both add holes and put numbers into those that they added.
  const put = async (page: Page, step: number, name: string, value: number) => {
    const field = page.locator('[data-step]').nth(step).getByRole('spinbutton', { name, exact: true });
    await field.fill(String(value));
    await field.press('Enter');
  };
  const last = { width: 0, depth: 0 };
  let added = 0;
  const work = async (page: Page, own: 'width' | 'depth', seed: number) => {
    const draw = numbers(seed);
    const ends = Date.now() + EDIT_S * 1000;
    let mine = 0;
    while (Date.now() < ends) {
      if (mine < 3 && draw(6) === 0) {
        await page.getByRole('button', { name: 'Add a step' }).click();
        const offer = own === 'width' ? 'Cut a hole' : 'Add an eyelet';
        await hand.offers(page).getByRole('button', { name: offer, exact: true }).click();
        await expect(hand.offers(page)).toHaveCount(0);
        mine++;
        added++;
      } else {
        const value = 80 + draw(40) / 2;
        await put(page, 0, own, own === 'width' ? value : value / 2);
        last[own] = own === 'width' ? value : value / 2;
      }
      await page.waitForTimeout(draw(700));
    }
  };
  await Promise.all([work(luca, 'width', 1), work(noor, 'depth', 2)]);
  for (const page of [luca, noor]) await saved(page);
  // All that a sentence says is shown at the step that is marked.
  for (const page of [luca, noor])
    await page.locator('[data-step]').first().getByRole('spinbutton', { name: 'width', exact: true }).focus();
  await expect(async () => {
    const [first, second] = await Promise.all([recipeOf(luca), recipeOf(noor)]);
    expect(first).toEqual(second);
    expect(first).toHaveLength(began + added);
    expect(first[0]).toContain(`width ${last.width} |`);
    expect(first[0]).toContain(`depth ${last.depth} |`);
  }).toPass({ timeout: 10_000 });
  for (const page of [luca, noor]) await expect(page.getByRole('dialog')).toHaveCount(0);

  // The same number at once: only that is asked, with both values.
  await noor.context().setOffline(true);
  await put(noor, 0, 'width', 70);
  await put(noor, 0, 'depth', 33);
  await put(luca, 0, 'width', 60);
  await saved(luca);
  await noor.context().setOffline(false);
  const asked = noor.getByRole('dialog', { name: 'Changed somewhere else' });
  await expect(asked).toContainText('width 60 → 70 mm');
  await expect(asked).not.toContainText('33');
  await asked.getByRole('button', { name: 'Keep mine' }).click();
  await saved(noor);
  await expect(
    luca.locator('[data-step]').first().getByRole('spinbutton', { name: 'width', exact: true }),
  ).toHaveValue('70');
  await expect(
    luca.locator('[data-step]').first().getByRole('spinbutton', { name: 'depth', exact: true }),
  ).toHaveValue('33');

  // The teacher looks on and points.
  await teacher.goto(lesson.href);
  await teacher.getByRole('link', { name: 'Look at Luca & Noor’s bench' }).first().click();
  await teacher.locator('[data-step]').first().getByRole('button').click();
  await teacher.getByRole('textbox', { name: 'What is to be seen there' }).fill('How wide is your bed?');
  await teacher.getByRole('button', { name: 'Point there' }).click();
  const note = luca.getByRole('status').filter({ hasText: 'points at step 1' });
  await expect(note).toContainText('How wide is your bed?');
  await note.getByRole('button', { name: 'Show me' }).click();
  await expect(luca.locator('[data-step]').first()).toHaveAttribute('aria-current', 'step');
  await note.getByRole('button', { name: 'Seen' }).click();
  await expect(note).toHaveCount(0);
  await expect(noor.getByRole('status').filter({ hasText: 'points at step 1' })).toBeVisible();
  await teacher.getByRole('button', { name: 'Take back' }).click();
  await expect(noor.getByRole('status').filter({ hasText: 'points at step 1' })).toHaveCount(0);
});
