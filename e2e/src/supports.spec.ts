import { labelRecipe } from '../../app/src/lib/server/demo/labels.ts';
import { centredOn, fromPlate, onTop, type Recipe, type Step } from '../../core/src/recipe/index.ts';
import { expectNoSeriousFault } from './accessibility.ts';
import { confirmStart, expect, handInRecipe, openBench, printOn, setFarBells, test } from './kelbrin.ts';

test.use({ file: 'supports', printerSpeed: 400 });

/** A label that stands on a post, so that it hangs on all sides. */
function labelOnPost(words: string): Recipe {
  const label = labelRecipe({ words, widthMm: 60, depthMm: 24 });
  const [plate, ...others] = label.steps;
  const post: Step = {
    id: 's9',
    kind: 'extrude',
    name: 'post',
    effect: 'add',
    outline: { shape: 'roundedRectangle', widthMm: 14, depthMm: 14, cornerMm: 1 },
    facing: 'up',
    depth: { type: 'by', mm: 5 },
    placement: { ...centredOn('s9', fromPlate), on: { plate: true } },
  };
  return {
    ...label,
    steps: [post, { ...plate, placement: centredOn('s9', onTop) } as Step, ...others],
  };
}

test('supports that card and brief allow are seen, approved, printed and broken off', async ({
  as,
  browser,
  kelbrin,
}) => {
  const teacher = await as('teacher');
  const student = await as('luca');
  const overhang = student.getByRole('region', { name: 'Inspection' }).locator('[data-check=overhang]');
  await test.step('what hangs fails while nothing is allowed, and nothing is said of supports', async () => {
    await handInRecipe(browser, kelbrin.origin, 'luca', labelOnPost('Mint'), ['overhang']);
    await openBench(student);
    await expect(overhang.locator('[data-verdict]')).toHaveAttribute('data-verdict', 'fail');
    await expect(student.locator('[data-check=supports]')).toHaveCount(0);
  });

  await test.step('the teacher lets the card and the brief hold it', async () => {
    await setFarBells(teacher);
    await teacher.goto('/limits');
    await teacher.locator('a[href^="/limits/"]').first().click();
    await teacher.getByLabel('Supports').selectOption({ label: 'from the plate alone' });
    await expectNoSeriousFault(teacher, 'a card with supports');
    await teacher.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(teacher.getByText('Saved.')).toBeVisible();
    await teacher.goto('/class');
    await teacher.getByRole('link', { name: 'Edit the brief' }).first().click();
    await teacher.getByLabel('may be held by supports').check();
    await teacher.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(teacher.getByRole('button', { name: 'Save', exact: true })).toBeDisabled();
  });

  await test.step('the student sees what holds it and what that takes, and hands it in once more', async () => {
    await student.reload();
    await expect(overhang.locator('[data-verdict]')).toHaveAttribute('data-verdict', 'warn');
    await expect(overhang).toContainText('Supports hold it while it is printed.');
    const supports = student.locator('[data-check=supports]');
    await expect(supports).toContainText(/Held by supports: \d+(\.\d)?\sg, \d+\smin/);
    await expect(student.getByTestId('plan-supports')).not.toHaveAttribute('d', '');
    await expect(student.getByText(/^of it supports: \d+\smin, \d+\.\d g$/)).toBeVisible();
    await handInRecipe(browser, kelbrin.origin, 'luca', labelOnPost('Dill'));
  });

  await test.step('the teacher keeps a face free of them, and has it held after all', async () => {
    await teacher.goto('/review');
    await teacher.getByRole('link', { name: /Luca/ }).first().click();
    const held = teacher.locator('[data-check=supports]');
    await expect(held).toContainText('Held by supports');
    const marks = teacher.getByRole('region', { name: 'Supports' });
    await teacher.locator('[data-check=overhang]').getByRole('button').first().click();
    await marks.getByRole('button', { name: 'Keep a face free' }).click();
    await expect(marks.getByRole('listitem')).toContainText('kept free');
    await expect(teacher.locator('[data-check=overhang]')).toContainText(
      'kept free of supports, and may sag',
    );
    await expect(held).not.toContainText('Held by supports');
    await expectNoSeriousFault(teacher, 'a hand-in with a face that is kept free of supports');
    await marks.getByRole('button', { name: 'Take mark 1 off' }).click();
    await expect(marks.getByRole('listitem')).toHaveCount(0);
    await expect(held).toContainText('Held by supports');
  });

  await test.step('the teacher approves it with them', async () => {
    await teacher.getByRole('button', { name: 'Approve for printing' }).click();
    await expect(teacher.getByText('Luca: approved.')).toBeVisible();
  });

  const helper = await as('helper');
  await test.step('it is printed with them', async () => {
    const alder = helper.locator('[data-printer=Alder]');
    await helper.goto('/print-room');
    await expect(alder.getByTestId('doing')).toHaveText('to be cleared');
    await alder.getByRole('button', { name: 'The plate is clear' }).click();
    await helper.goto('/queue');
    await printOn(helper, 'Luca', 'Alder');
    await confirmStart(helper);
    await helper.waitForURL('**/print-room');
    const past = alder.getByRole('listitem').filter({ hasText: 'Luca' });
    await expect(past).toContainText('finished');
    await past.getByRole('link').click();
    await helper.getByRole('button', { name: 'Layers' }).click();
    await expect(helper.getByRole('listitem').filter({ hasText: /^\s*supports\s*$/ })).toBeVisible();
  });

  await test.step('it is handed out once they are off', async () => {
    await helper.getByRole('button', { name: 'It is good' }).click();
    const outcome = helper.getByRole('listitem', { name: 'Outcome of Luca’s part' });
    await expect(outcome).toContainText('Its supports have to be broken off.');
    await expect(outcome.getByRole('button', { name: 'Luca’s part is handed out' })).toHaveCount(0);
    await outcome.getByRole('button', { name: 'The supports of Luca’s part are off' }).click();
    await outcome.getByRole('button', { name: 'Luca’s part is handed out' }).click();
    await expect(outcome).toContainText('handed out');
  });
});
