import { fails, Hands } from './hands.ts';
import { expect, saved, test } from './kelbrin.ts';
import { school } from '../../app/src/lib/server/demo/school.ts';

test.use({ file: 'building' });

test('somebody who never saw the bench signs in, makes a label and hands it in, and nothing lands where it fails', async ({
  as,
}) => {
  const page = await as();
  const hands = new Hands(page);
  const stands = async () => {
    await expect(page.locator('[data-check=overhang] [data-verdict]').first()).toBeVisible();
    await expect(page.getByRole('alert')).toHaveCount(0);
    await expect(fails(page)).toHaveCount(0);
  };

  await test.step('signs in, writes a word, cuts a hole and hands it in: twelve actions', async () => {
    await page.goto('/sign-in');
    const form = page.locator('form', { hasText: 'Students' });
    await hands.type(form.getByLabel('Class code'), school.classCode);
    await hands.type(form.getByLabel('Name'), 'maren');
    await hands.type(form.getByLabel('PIN'), school.studentPin);
    await hands.key('Enter');
    hands.actions++;
    await page.getByRole('link', { name: 'Open the bench' }).click();
    await stands();

    const word = await hands.add('Write letters');
    // What a new step writes is marked, so that a word takes its place as it is typed.
    await expect(word.getByRole('textbox', { name: 'words to write' })).toBeFocused();
    hands.actions++;
    await page.keyboard.type('Mint');
    await expect(word.getByRole('textbox', { name: 'words to write' })).toHaveValue('Mint');
    await stands();
    await hands.add('Cut a hole');
    await expect(page.locator('[data-step]')).toHaveCount(3);
    await stands();
    await saved(page);
    await expect(page.locator('[data-check=brief] [data-verdict=pass]').first()).toBeVisible();
    await hands.press('Hand in');
    await hands.press('Hand in', page.getByRole('dialog'));
    await expect(page.getByRole('button', { name: 'Take it back' })).toBeVisible();
    expect(hands.actions).toBeLessThanOrEqual(12);
  });

  await test.step('rounds the edges, adds a heart and moves the hole: eight actions', async () => {
    hands.actions = 0;
    await hands.add('Round or slope edges');
    await stands();
    const heart = await hands.add('Extrude a shape: a heart');
    await expect(heart.getByRole('button', { name: 'Say where it is instead' })).toBeVisible();
    await stands();
    await hands.press('Plan large');
    const plan = page.getByTestId('plan');
    const hole = page.locator('[data-step]').nth(2);
    hands.actions++;
    await hole.click({ position: { x: 60, y: 20 } });
    const handle = plan.locator('[data-handle=Move]');
    const before = (await handle.boundingBox())!;
    hands.actions++;
    await page.mouse.move(before.x + before.width / 2, before.y + before.height / 2);
    await page.mouse.down();
    await page.mouse.move(before.x + before.width / 2 - 4, before.y + before.height / 2 + 6, { steps: 4 });
    await page.mouse.up();
    await expect(hole.getByRole('combobox', { name: 'position left to right' })).toBeVisible();
    await stands();
    expect(hands.actions).toBeLessThanOrEqual(8);
    await saved(page);
    // Other flows of this file go on with a project that is not handed in.
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect(page.getByRole('button', { name: 'Hand in', exact: true })).toBeVisible();
  });
});

test('the first project shows the way in four steps, which are seen when they are done and can be passed over', async ({
  as,
}) => {
  const page = await as('noor');
  await page.goto('/home');
  await page
    .getByRole('button', { name: 'Begin' })
    .or(page.getByRole('link', { name: 'Begin' }))
    .first()
    .click();
  const first = page.getByRole('region', { name: 'First steps' });
  await expect(first).toContainText('First steps: 1 of 4 Change a number');
  await expect(page.getByRole('region', { name: 'Prompts' })).toHaveCount(0);
  const width = page.getByRole('spinbutton', { name: 'width', exact: true }).first();
  await width.fill('71');
  await width.press('Enter');
  await expect(first).toContainText('2 of 4 Write your own word');
  await saved(page);
  await page.reload();
  await expect(first).toContainText('2 of 4');
  await page.getByRole('button', { name: 'Add a step' }).click();
  await page.keyboard.type('letters');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-step]').last().getByRole('textbox')).toBeFocused();
  await page.keyboard.type('Noor');
  // Nothing fails but what the brief wants yet, which is no mistake: the step of mending is passed over.
  await expect(first).toContainText('4 of 4 Nothing fails');
  await first.getByRole('button', { name: 'I know the way' }).click();
  await expect(first).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Prompts' })).toBeVisible();
  await saved(page);
});
