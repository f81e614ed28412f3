import { fillQueue } from '../../ops/fullQueue.ts';
import { expectNoSeriousFault } from './accessibility.ts';
import { expect, test } from './kelbrin.ts';

test.use({ file: 'queue' });

test('three hundred parts are found, grouped, chosen and put in order by two people, and few of them are drawn', async ({
  as,
  databaseUrl,
}) => {
  await fillQueue(databaseUrl, 300, 2);
  const teacher = await as('teacher');
  const helper = await as('helper');
  const entries = teacher.locator('[data-entry]');
  const names = () => entries.locator('strong').allInnerTexts();
  const found = teacher.getByRole('searchbox', { name: 'Find a part' });

  await test.step('those in sight are drawn, also at the end', async () => {
    await teacher.goto('/queue');
    await helper.goto('/queue');
    await expect(teacher.getByText('303 waiting')).toBeVisible();
    await expect(teacher.getByLabel('Group by')).toBeVisible();
    await expect(entries.first()).toHaveAttribute('aria-setsize', '303');
    expect(await entries.count()).toBeLessThan(60);
    await teacher.keyboard.press('End');
    await expect(teacher.locator('[aria-posinset="303"]')).toBeVisible();
    expect(await entries.count()).toBeLessThan(60);
    await expectNoSeriousFault(teacher, 'a long queue');
    await teacher.keyboard.press('Home');
  });

  await test.step('a word finds a part, which is held and let go by Undo', async () => {
    await found.fill('student 250');
    await expect(entries).toHaveCount(1);
    await expect(teacher).toHaveURL(/words=student/);
    await entries.getByRole('button', { name: 'Hold' }).click();
    await expect(entries).toContainText('on hold');
    await teacher.getByRole('status').getByRole('button', { name: 'Undo' }).click();
    await expect(entries.getByRole('button', { name: 'Hold' })).toBeVisible();
    await teacher.reload();
    await expect(entries).toHaveCount(1);
    await expect(found).toHaveValue('student 250');
    await teacher.getByRole('button', { name: 'Show all' }).click();
  });

  await test.step('what is chosen is put first, and the other person sees it', async () => {
    await found.fill('student 27');
    // 27, 127, 227, and 270 to 279.
    await expect(entries.first()).toHaveAttribute('aria-setsize', '13');
    await entries.nth(2).getByRole('checkbox').check();
    await entries
      .nth(5)
      .getByRole('checkbox')
      .click({ modifiers: ['Shift'] });
    await expect(teacher.getByTestId('chosen')).toContainText('4 parts chosen');
    const wanted = (await names()).slice(2, 6);
    await teacher.getByRole('button', { name: 'Print first' }).click();
    await expect
      .poll(async () => (await helper.locator('[data-entry] strong').allInnerTexts()).slice(0, 4))
      .toEqual(wanted);
    await teacher.getByRole('button', { name: 'Show all' }).click();
    await expect.poll(async () => (await names()).slice(0, 4)).toEqual(wanted);
    await expect(teacher.getByTestId('chosen')).toContainText('4 parts chosen');
    await teacher.getByRole('button', { name: 'Choose none' }).click();
  });

  await test.step('one is moved by a key, and one request is all that is sent', async () => {
    const [first, second] = await names();
    const sent: string[] = [];
    const asked: string[] = [];
    teacher.on('request', (request) => {
      if (request.method() === 'POST') sent.push(request.postData() ?? '');
      else if (/\/queue\/rows|__data/.test(request.url())) asked.push(request.url());
    });
    // Looked for a second after the news of the move came, longer than the rows would be asked for.
    const looked = teacher.waitForRequest('**/queue/proposals');
    await teacher.getByRole('button', { name: `Move ${first}’s part` }).press('ArrowDown');
    await expect.poll(async () => (await names()).slice(0, 2)).toEqual([second, first]);
    await expect
      .poll(async () => (await helper.locator('[data-entry] strong').allInnerTexts())[0])
      .toBe(second);
    await looked;
    expect(sent).toHaveLength(1);
    expect(sent[0].length).toBeLessThan(500);
    expect(asked).toEqual([]);
    await expect(teacher.getByRole('button', { name: `Move ${first}’s part` })).toBeFocused();
    await teacher.getByRole('button', { name: 'Use the rules again' }).click();
    await expect(teacher.getByText('Somebody changed the order by hand.')).toBeHidden();
  });

  await test.step('two who move parts at once both see both moves, and without a network it is said', async () => {
    const [first, second, third, fourth] = await names();
    const grip = (name: string) => ({ name: `Move ${name}’s part` });
    await expect
      .poll(async () => (await helper.locator('[data-entry] strong').allInnerTexts())[3])
      .toBe(fourth);
    await Promise.all([
      teacher.getByRole('button', grip(first)).press('ArrowDown'),
      helper.getByRole('button', grip(fourth)).press('ArrowUp'),
    ]);
    const both = [second, first, fourth, third];
    await expect.poll(async () => (await names()).slice(0, 4)).toEqual(both);
    await expect
      .poll(async () => (await helper.locator('[data-entry] strong').allInnerTexts()).slice(0, 4))
      .toEqual(both);
    await teacher.context().setOffline(true);
    await teacher.getByRole('button', grip(second)).press('ArrowDown');
    await expect(teacher.getByRole('alert')).toContainText('The part is where it was');
    await expect.poll(async () => (await names()).slice(0, 4)).toEqual(both);
    await teacher.context().setOffline(false);
    await teacher.getByRole('button', { name: 'Use the rules again' }).click();
    await expect(teacher.getByText('Somebody changed the order by hand.')).toBeHidden();
  });

  await test.step('a whole group is taken out and put back', async () => {
    await teacher.getByLabel('Group by').selectOption({ label: 'Student' });
    await found.fill('luca');
    await expect(entries).toHaveCount(0);
    await found.fill('student 30');
    const group = teacher.locator('[data-group="Student 300"]');
    await group.getByRole('button').click();
    await expect(teacher.locator('[data-entry="Student 300"]')).toHaveCount(0);
    await group.getByRole('checkbox').check();
    await teacher.getByRole('group').getByRole('button', { name: 'Take out' }).click();
    await expect(teacher.getByRole('status')).toContainText('One part was taken out.');
    await expect(group).toHaveCount(0);
    await teacher.getByLabel('Group by').selectOption({ label: 'nothing' });
    await teacher.getByLabel('Status', { exact: true }).selectOption('out');
    await expect(entries).toHaveCount(1);
    await entries.getByRole('button', { name: 'Put back' }).click();
    await expect(teacher.getByText('No part is like that.')).toBeVisible();
    // Only the teacher decides what is not printed.
    await expect(helper.getByRole('button', { name: 'Take out' })).toHaveCount(0);
  });
});

test('on a phone a part of a long queue is found, and its actions have room', async ({ as }) => {
  const teacher = await as('teacher');
  await teacher.setViewportSize({ width: 390, height: 844 });
  await teacher.goto('/queue');
  await teacher.getByRole('searchbox', { name: 'Find a part' }).fill('hugo');
  const entry = teacher.locator('[data-entry=Hugo]');
  await expect(entry.getByRole('button', { name: 'Take out' })).toBeVisible();
  const width = () => teacher.evaluate('document.documentElement.scrollWidth');
  expect(await width()).toBe(390);
});
