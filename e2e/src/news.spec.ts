import { expect, followsNews, test } from './kelbrin.ts';

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

test('a page that was just opened is loaded again only when there are news', async ({ as }) => {
  const teacher = await as('teacher');
  await teacher.goto('/spools');
  // Nothing happens for longer than clocks may differ.
  await teacher.waitForTimeout(1500);
  const loads: string[] = [];
  teacher.on('request', (request) => {
    if (request.url().includes('__data.json')) loads.push(request.url());
  });
  const follows = followsNews(teacher);
  await teacher.reload();
  await follows;
  // It would have been loaded a quarter of a second after it follows.
  await teacher.waitForTimeout(1500);
  expect(loads).toEqual([]);
  const other = await teacher.context().newPage();
  await other.goto('/spools');
  await other.getByLabel('Colour in words').fill('bracken');
  await other.getByRole('button', { name: 'Add a spool' }).click();
  await expect(teacher.getByText('bracken')).toBeVisible();
  expect(loads.length).toBeGreaterThan(0);
});
