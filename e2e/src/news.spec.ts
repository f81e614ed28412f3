import { expect, test } from './kelbrin.ts';

test.use({ file: 'news' });

test('nine tabs of one browser all hear the news, and pages go on loading', async ({ as }) => {
  const teacher = await as('teacher');
  const tabs = [teacher];
  for (let i = 0; i < 8; i++) tabs.push(await teacher.context().newPage());
  for (const tab of tabs) await tab.goto('/queue');
  const student = await as('noor');
  await student.goto('/home');
  for (const tab of tabs) await expect(tab.getByRole('heading', { name: 'Queue' })).toBeVisible();
  // Something that every tab shows is changed in one of them.
  await tabs[8].goto('/spools');
  await tabs[8].getByLabel('Colour in words').fill('heather');
  await tabs[8].getByRole('button', { name: 'Add a spool' }).click();
  await tabs[7].goto('/spools');
  for (const i of [7, 8]) await expect(tabs[i].getByText('heather')).toBeVisible();
  await expect(tabs[8].getByLabel('Colour in words')).toHaveValue('');
  await tabs[8].getByLabel('Colour in words').fill('teasel');
  await tabs[8].getByRole('button', { name: 'Add a spool' }).click();
  await expect(tabs[7].getByText('teasel')).toBeVisible();
});
