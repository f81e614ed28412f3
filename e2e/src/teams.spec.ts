import { expect, openBench, saved, test } from './kelbrin.ts';

test.use({ file: 'teams' });
test('two students work on one project: what one saves the other sees, and one takes a copy along', async ({
  as,
}) => {
  const teacher = await as('teacher');
  await teacher.goto('/class');
  await teacher.getByRole('link', { name: 'Year 8, Wren group' }).click();
  await teacher.getByRole('link', { name: 'Teams' }).click();
  const alone = teacher.getByRole('region', { name: 'Who works alone' });
  await alone.getByLabel('Bruno').check();
  await alone.getByLabel('Dario').check();
  await teacher.getByRole('button', { name: 'Make a team of these students' }).click();
  await expect(teacher.getByRole('alert')).toContainText('has handed in or kept versions alone already');
  await alone.getByLabel('Bruno').uncheck();
  await alone.getByLabel('Dario').uncheck();
  await alone.getByLabel('Luca').check();
  await alone.getByLabel('Noor').check();
  await teacher.getByRole('button', { name: 'Make a team of these students' }).click();
  const team = teacher.getByRole('listitem', { name: 'Luca & Noor' });
  await expect(team).toBeVisible();

  const luca = await as('luca');
  const noor = await as('noor');
  await noor.goto('/home');
  await expect(noor.getByText('a team: Luca & Noor')).toBeVisible();
  await openBench(luca);
  await openBench(noor);
  const width = (page: typeof luca) => page.getByRole('spinbutton', { name: 'width', exact: true });
  await width(luca).fill('82');
  await width(luca).press('Enter');
  await saved(luca);
  await expect(width(noor)).toHaveValue('82');
  await width(noor).fill('84');
  await width(noor).press('Enter');
  await saved(noor);
  await expect(width(luca)).toHaveValue('84');
  // Each takes back what is their own.
  await noor.getByRole('button', { name: 'Undo' }).click();
  await expect(width(luca)).toHaveValue('82');

  await team.getByRole('button', { name: 'Take Noor out' }).click();
  await expect(teacher.getByText('Everybody works alone.')).toBeVisible();
  await noor.goto('/home');
  await expect(noor.getByText('a team:')).toHaveCount(0);
  await openBench(noor);
  await expect(width(noor)).toHaveValue('82');
});
