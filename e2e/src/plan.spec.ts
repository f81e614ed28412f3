import { fillQueue } from '../../ops/fullQueue.ts';
import { expectNoSeriousFault } from './accessibility.ts';
import { expect, test } from './kelbrin.ts';

test.use({ file: 'plan' });

test('a week is planned for all printers, changed by a drag and by keys, and planned around that', async ({
  as,
  databaseUrl,
}) => {
  await fillQueue(databaseUrl, 60, 4);
  const helper = await as('helper');
  const blocks = helper.locator('[data-batch-of]');
  const planned = async () =>
    (
      await blocks.evaluateAll((all) => all.map((each) => Number((each as HTMLElement).dataset.batchOf)))
    ).reduce((sum, count) => sum + count, 0);

  await test.step('all that waits has its place, on every printer', async () => {
    await helper.goto('/queue');
    await helper.getByRole('link', { name: 'Plan of the week' }).click();
    await expect.poll(planned).toBe(63);
    for (const name of ['Alder', 'Birch', 'Printer 1', 'Printer 2'])
      await expect(helper.locator(`[data-on="${name}"]`).first()).toBeVisible();
    await expect(helper.locator('[data-brief="Seed-tray labels"]')).toContainText('63 parts');
    // It is planned once, and not again and again while nothing changes.
    await expect(helper.getByText('Planning …')).toBeHidden();
    const asked: string[] = [];
    helper.on('request', (request) => request.url().endsWith('/plan/week') && asked.push(request.url()));
    await helper.waitForTimeout(4_000);
    expect(asked.length).toBeLessThan(2);
    await expectNoSeriousFault(helper, 'the plan of a week');
  });

  await test.step('a batch is dragged to another printer, and stays there', async () => {
    // Asked of the page in one go: news may just draw the plan anew. The widest is taken, since late in a school day the
    // first one is too narrow for what follows.
    const [from, to] = await helper.evaluate(() =>
      ['Printer 2', 'Printer 1'].map((name) => {
        const places = [...document.querySelectorAll(`[data-on="${name}"]`)].map((each) =>
          each.getBoundingClientRect(),
        );
        const { x, y } = places.toSorted((a, b) => b.width - a.width)[0];
        return { x, y };
      }),
    );
    await helper.mouse.move(from.x + 20, from.y + 20);
    await helper.mouse.down();
    await helper.mouse.move(from.x + 90, from.y + 10, { steps: 4 });
    await helper.mouse.move(from.x + 146, to.y + 20, { steps: 4 });
    await helper.mouse.up();
    const pinned = helper.locator('[data-pinned=true]');
    await expect(pinned).toHaveCount(1);
    await expect(pinned).toHaveAttribute('data-on', 'Printer 1');
    await expect(helper.getByTestId('planned')).toContainText('Somebody put it here.');
    // Nothing is lost, and nothing is on two printers at once.
    await expect.poll(planned).toBe(63);
    await helper.reload();
    await expect(pinned).toHaveAttribute('data-on', 'Printer 1');
  });

  await test.step('another is moved by keys alone, and let go', async () => {
    const block = helper.locator('[data-on=Birch]').first();
    await block.focus();
    await helper.keyboard.press('Enter');
    const panel = helper.getByTestId('planned');
    await panel.getByRole('combobox').selectOption({ label: 'Printer 2' });
    await panel.getByRole('button', { name: 'Move it' }).press('Enter');
    await expect(helper.locator('[data-pinned=true]')).toHaveCount(2);
    await expect(panel).toContainText('Printer 2');
    await panel.getByRole('button', { name: 'Let the plan choose again' }).click();
    await expect(helper.locator('[data-pinned=true]')).toHaveCount(1);
    await expect.poll(planned).toBe(63);
  });

  await test.step('one becomes a batch, and the rest is planned without its parts', async () => {
    const block = helper.locator('[data-pinned=true]');
    const count = Number(await block.getAttribute('data-batch-of'));
    await block.click();
    await helper.getByRole('button', { name: 'Make this batch' }).click();
    await helper.waitForURL('**/batch/*');
    await expect(helper.getByRole('group', { name: /^Plate, / }).getByRole('button')).toHaveCount(count);
    await helper.goto('/plan');
    await expect.poll(planned).toBe(63 - count);
    await expect(helper.locator('[data-pinned=true]')).toHaveCount(0);
  });

  await test.step('the teacher says when nobody is there, and nothing is planned then', async () => {
    const teacher = await as('teacher');
    await teacher.goto('/plan');
    const nextMonday = teacher.getByText(/^Monday /).first();
    await expect(teacher.locator('[data-batch-of]').first()).toBeVisible();
    await teacher.getByText('When somebody is there').click();
    for (const day of ['Tue', 'Wed', 'Thu', 'Fri']) await teacher.getByLabel(day, { exact: true }).uncheck();
    await teacher.getByRole('button', { name: 'Save' }).click();
    await expect(nextMonday).toBeVisible();
    await expect(teacher.getByText(/^Tuesday /)).toHaveCount(0);
    await expect(helper.getByText(/^Tuesday /)).toHaveCount(0);
  });
});
