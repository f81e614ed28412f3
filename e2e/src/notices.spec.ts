import { expect, test } from './kelbrin.ts';

test.use({ file: 'notices' });

test('a decision is told at once, with a count, and is seen by looking', async ({ as }) => {
  const student = await as('dario');
  await student.goto('/home');
  await expect(student.getByRole('link', { name: 'Notices' })).toBeVisible();
  const teacher = await as('teacher');
  await teacher.goto('/notices');
  await expect(teacher.getByText(/hand-ins? for “Seed-tray labels”/).first()).toBeVisible();
  await teacher.goto('/review');
  await teacher.getByRole('link', { name: 'Dario', exact: true }).click();
  await teacher.getByLabel(/What to change/).fill('A smaller hole, please.');
  await teacher.getByRole('button', { name: 'Send back' }).click();

  const bell = student.getByRole('link', { name: 'Notices, one of them new' });
  await expect(bell).toBeVisible();
  await bell.click();
  const notice = student.getByRole('listitem').filter({ hasText: '“Seed-tray labels” came back' });
  await expect(notice).toContainText('new');
  await expect(student.getByRole('link', { name: 'Notices', exact: true })).toBeVisible();
  await notice.getByRole('link').click();
  await expect(student.getByText('A smaller hole, please.')).toBeVisible();
});
