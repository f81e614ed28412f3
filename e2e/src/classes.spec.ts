import { expect, signInByHand, test } from './kelbrin.ts';

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
  await page.getByRole('button', { name: 'Take back' }).click();
  await expect(row('Noor')).not.toContainText('archived');

  await page.getByRole('button', { name: 'Rename Noor' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill('Noor Adeyemi');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(row('Noor Adeyemi')).toBeVisible();

  await page.getByRole('button', { name: 'Delete …' }).click();
  const sure = page.getByRole('dialog');
  const forGood = sure.getByRole('button', { name: 'Delete for good' });
  await expect(forGood).toBeDisabled();
  await sure.getByLabel(/to say that you mean it/).fill('Noor Adeyemi');
  await forGood.click();
  await expect(row('Noor Adeyemi')).toHaveCount(0);

  await page.getByLabel('E-mail address').fill('sorrel@wrenfield.example');
  const helpers = page.getByRole('region', { name: 'Helpers' });
  await helpers.getByLabel('Name').fill('Mx Sorrel');
  await helpers.getByRole('button', { name: 'Add a helper' }).click();
  await expect(helpers.getByRole('status')).toContainText('signs in with the password');
  await expect(helpers).toContainText('Mx Sorrel');
});
