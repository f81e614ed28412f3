import { expect, openBench, saved, signInByHand, signTeacherInByHand, test } from './kelbrin.ts';

test.use({ file: 'path' });

test('from a number in a sentence to a printed part', async ({ as }) => {
  const student = await as();
  await signInByHand(student, 'asha');
  await openBench(student);
  const inspection = student.getByRole('region', { name: 'Inspection' });
  const holes = inspection.locator('[data-check=hole]');

  await test.step('the student is told about a hole that is too small', async () => {
    await expect(holes.locator('[data-verdict=fail]')).toBeVisible();
    await expect(holes).toContainText('Ø 1.6 mm');
  });

  await test.step('an edited number changes the solid and the inspection', async () => {
    const before = await student.getByTestId('solid-view').screenshot();
    const width = student.getByRole('spinbutton', { name: 'width' });
    await width.fill('90');
    await width.press('Enter');
    await expect(inspection.locator('[data-check=size]')).toContainText('90 mm');
    await expect(student.getByRole('group', { name: 'Part' })).toContainText('90 × 25 × 3.6');
    expect(await student.getByTestId('solid-view').screenshot()).not.toEqual(before);
  });

  await test.step('the mended hole passes', async () => {
    const diameter = student.locator('[data-step=s2]').getByRole('spinbutton', { name: 'diameter' });
    await diameter.focus();
    // Three millimetres in big steps and a little more in small ones.
    for (const key of ['Shift+ArrowUp', 'Shift+ArrowUp', 'ArrowUp', 'ArrowUp', 'ArrowUp', 'ArrowUp'])
      await diameter.press(key);
    await expect(holes).toContainText('Ø 4 mm');
    await expect(inspection.locator('[data-verdict=fail]')).toHaveCount(0);
    await saved(student);
  });

  await test.step('the student hands in, and the server inspects', async () => {
    await student.getByRole('button', { name: 'Hand in' }).click();
    await student.getByRole('dialog').getByRole('button', { name: 'Hand in' }).click();
    await expect(student.locator('[data-state=waiting]')).toBeVisible({ timeout: 30_000 });
  });

  const teacher = await as();
  await signTeacherInByHand(teacher);
  await test.step('the teacher sees picture, recipe and inspection, and approves', async () => {
    await teacher.goto('/review');
    await teacher.getByRole('link', { name: 'Asha', exact: true }).click();
    await expect(teacher.getByRole('list', { name: 'Recipe' })).toContainText(
      'Cut a hole of Ø 4 mm, right through',
    );
    await expect(teacher.getByRole('region', { name: 'Inspection' })).toContainText('This hole is Ø 4 mm');
    await teacher.getByTestId('solid-view').waitFor();
    await teacher.getByRole('button', { name: 'Approve for printing' }).click();
    await expect(student.locator('[data-state=approved]')).toBeVisible();
  });

  await test.step('the part is started on a free printer and finishes', async () => {
    await teacher.goto('/queue');
    await teacher.getByRole('button', { name: 'Print Asha’s part on Birch' }).click();
    await expect(student.locator('[data-state=printing]')).toBeVisible();
    await teacher.goto('/print-room');
    const birch = teacher.locator('[data-printer=Birch]');
    await expect(birch.getByRole('progressbar')).toBeVisible();
    await expect
      .poll(async () =>
        Number(
          await birch
            .getByTestId('percent')
            .textContent()
            .catch(() => 100),
        ),
      )
      .toBeGreaterThan(0);
    await expect(birch.getByRole('listitem').first()).toContainText('Asha');
    await expect(birch.getByRole('listitem').first()).toContainText('finished');
    await expect(student.locator('[data-state=printed]')).toBeVisible();
  });
});
