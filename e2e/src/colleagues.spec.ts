import { expect, signInByHand, test } from './kelbrin.ts';
import { school } from '../../app/src/lib/server/demo/school.ts';

test.use({ file: 'colleagues' });
test('a colleague comes in by a link, once, and is shut out at once', async ({ as }) => {
  const teacher = await as('teacher');
  await teacher.goto('/staff');
  await teacher.getByRole('button', { name: 'Make a link', exact: true }).click();
  const said = await teacher.getByRole('status').textContent();
  const link = /http\S+/.exec(said!)![0];

  const newcomer = await as();
  await newcomer.goto(link);
  await expect(newcomer.getByText('You are invited as a teacher.')).toBeVisible();
  await newcomer.getByLabel('Your name, as students say it').fill('Mx Łukasz Żak');
  await newcomer.getByLabel('E-mail').fill('zak@wrenfield.example');
  await newcomer.getByLabel('Password').fill('twelve letters');
  await newcomer.getByRole('button', { name: 'Come in' }).click();
  await expect(newcomer.getByRole('heading', { name: 'Classes' })).toBeVisible();
  const late = await as();
  await late.goto(link);
  await expect(late.getByText('This link leads nowhere')).toBeVisible();

  await teacher.reload();
  await teacher.getByRole('button', { name: 'Shut Mx Łukasz Żak out' }).click();
  await teacher.getByRole('dialog').getByRole('button', { name: 'Shut out' }).click();
  // What asks first says “cannot sign in any more” as well: done is what stands by itself.
  await expect(
    teacher.getByRole('listitem', { name: 'Mx Łukasz Żak' }).getByText('cannot sign in', { exact: true }),
  ).toBeVisible();
  await newcomer.goto('/queue');
  await expect(newcomer).toHaveURL(/sign-in/);
  await teacher.goto('/log');
  await expect(
    teacher.getByRole('row', { name: /closed the door for a colleague Mx Łukasz Żak/ }),
  ).toBeVisible();
});

test('a student changes the PIN, is signed out elsewhere, and signs in kindly', async ({ as }) => {
  const [here, there] = [await as('keiko'), await as('keiko')];
  await here.goto('/home');
  await here.getByRole('link', { name: 'Keiko' }).click();
  await here.getByLabel('Your PIN now').fill(school.studentPin);
  await here.getByLabel('A new PIN of six digits').fill('123456');
  await here.getByRole('button', { name: 'Change it' }).click();
  await expect(here.getByRole('alert')).toContainText('simply follow each other');
  await here.getByLabel('Your PIN now').fill(school.studentPin);
  await here.getByLabel('A new PIN of six digits').fill('730 641');
  await here.getByRole('button', { name: 'Change it' }).click();
  await expect(here.getByRole('status')).toContainText('It is changed.');
  await expect(
    here.getByRole('region', { name: 'Where you are signed in' }).getByRole('listitem'),
  ).toHaveCount(1);
  await there.goto('/home');
  await expect(there).toHaveURL(/sign-in/);
  await signInByHand(there, 'KEIKO ', '730641', school.classCode);
  await expect(there.getByText('Seed-tray labels').first()).toBeVisible();
});

test('the bench says what the teacher has and what was changed since', async ({ as }) => {
  const page = await as('luca');
  await page.goto('/home');
  await page.getByRole('link', { name: 'Open the bench' }).click();
  await page.getByRole('button', { name: 'Hand in', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Hand in' }).click();
  await expect(page.locator('[data-state=waiting]')).toBeVisible();
  const since = page.getByTestId('changed-since');
  await expect(since).toHaveCount(0);
  const width = page.getByRole('spinbutton', { name: 'width', exact: true });
  await width.fill('95');
  await width.press('Enter');
  await expect(since).toContainText(
    /Your teacher has “Label” as it was at \d\d:\d\d\. Since then:\s+Step 1: width 80 → 95 mm/,
  );
  await page.getByRole('button', { name: 'Hand in again' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Hand in' }).click();
  await expect(since).toHaveCount(0);
  await expect(page.locator('[data-state=waiting]')).toBeVisible();

  const teacher = await as('teacher');
  await teacher.goto('/review');
  await expect(teacher.getByRole('link', { name: 'Luca', exact: true })).toHaveCount(1);
  await teacher.getByRole('link', { name: 'Luca', exact: true }).click();
  await expect(
    teacher.getByRole('heading', { name: 'Luca: Seed-tray labels, “Label”, hand-in 2' }),
  ).toBeVisible();
  await width.fill('97');
  await width.press('Enter');
  await expect(since).toContainText('Your teacher is looking at it: hand in again when it comes back.');
});
