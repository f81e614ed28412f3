import { firstCode } from '../../app/src/lib/server/people/firstCode.ts';
import { expect, openBench, saved, setFarBells, signInByHand, test } from './kelbrin.ts';

test.use({ file: 'school', start: 'empty', printerSpeed: 400 });
test('a school begins with nothing, and its first prints come to be judged', async ({ as, kelbrin }) => {
  const teacher = await as();
  await test.step('the first teacher begins with the code that the server tells, and nobody after', async () => {
    await teacher.goto('/');
    await teacher.waitForURL('**/begin');
    await teacher.getByLabel('Your name').fill('Ms Fenwick');
    await teacher.getByLabel('E-mail').fill('fenwick@wrenfield.example');
    await teacher.getByLabel('Password').fill('greenhouse kit');
    await teacher.getByLabel('Code').fill('WRONG');
    await teacher.getByRole('button', { name: 'Begin' }).click();
    await expect(teacher.getByRole('alert')).toContainText('The code is not right');
    await teacher.getByLabel('Code').fill(firstCode(process.env.KELBRIN_SECRET!).toLowerCase());
    await teacher.getByRole('button', { name: 'Begin' }).click();
    await teacher.waitForURL('**/class');
    const another = await as();
    await another.goto('/begin');
    await another.waitForURL('**/sign-in');
  });

  await test.step('a printer is noted, and a spool is put on it', async () => {
    await teacher.getByRole('link', { name: 'Add your printers' }).click();
    const add = teacher.getByRole('form', { name: 'Add a printer' });
    await add.getByLabel('Name').fill('Birch');
    await add.getByLabel('Address').fill('127.0.0.1');
    await add.getByLabel('Port').fill(String(kelbrin.printerPorts[0]));
    await add.getByRole('button').click();
    await expect(teacher.getByRole('listitem', { name: 'Printer Birch' })).toContainText('answers');
    await teacher.goto('/spools');
    await teacher.getByLabel('Colour in words').fill('leaf green');
    await teacher.getByRole('button', { name: 'Add a spool' }).click();
    await teacher.getByRole('button', { name: 'Put on Birch' }).click();
    await expect(teacher.getByRole('listitem', { name: 'Spool 1' })).toContainText('on Birch');
  });

  const cards: string[][] = [];
  await test.step('a class is made, with students and a brief', async () => {
    await teacher.goto('/class');
    await teacher.getByLabel('A new class').fill('Year 8, Wren group');
    await teacher.getByRole('button', { name: 'Create' }).click();
    await teacher.getByLabel(/One student a line/).fill('Asha\nBruno');
    await teacher.getByRole('button', { name: 'Add 2 students' }).click();
    const listed = teacher.getByRole('region', { name: 'Sign-in cards' }).getByRole('listitem');
    await expect(listed).toHaveCount(2);
    for (const card of await listed.all()) cards.push(await card.locator('dd').allInnerTexts());
    await teacher.goto('/class');
    await teacher.getByRole('link', { name: 'Year 8, Wren group' }).click();
    await teacher.getByRole('button', { name: 'New brief' }).click();
    await teacher.getByLabel('Title').fill('Seed-tray labels');
    await teacher.getByLabel('Students begin with').selectOption('Seed-tray label');
    await teacher.getByRole('button', { name: 'Save' }).click();
    await expect(teacher.getByText('Nobody has begun it yet.')).toBeVisible();
  });

  const students = [await as(), await as()];
  await test.step('students design, are told what does not print, and hand in', async () => {
    for (const [i, student] of students.entries()) {
      const [code, name, pin] = cards[i];
      await signInByHand(student, name, pin, code);
      await student.getByRole('button', { name: 'Begin' }).click();
      const width = student.getByRole('spinbutton', { name: 'width' }).first();
      await width.fill('300');
      await width.press('Enter');
      const size = student.getByRole('region', { name: 'Inspection' }).locator('[data-check=size]');
      await expect(size.locator('[data-verdict=fail]')).toBeVisible();
      await width.fill(i === 0 ? '75' : '90');
      await width.press('Enter');
      await expect(
        student.getByRole('region', { name: 'Inspection' }).locator('[data-verdict=fail]'),
      ).toHaveCount(0);
      await saved(student);
      await student.getByRole('button', { name: 'Hand in' }).click();
      await student.getByRole('dialog').getByRole('button', { name: 'Hand in' }).click();
      await expect(student.locator('[data-state=waiting]')).toBeVisible();
    }
  });

  const [asha, bruno] = students;
  await test.step('one is sent back and mended, both are approved', async () => {
    await teacher.goto('/review');
    await teacher.getByRole('link', { name: 'Bruno', exact: true }).click();
    await teacher.getByLabel('What to change overall').fill('Make it shorter.');
    await teacher.getByRole('button', { name: 'Send back' }).click();
    await expect(bruno.locator('[data-state=sent_back]')).toBeVisible();
    await bruno.goto('/home');
    await expect(bruno.getByText('Make it shorter.')).toBeVisible();
    await openBench(bruno);
    const width = bruno.getByRole('spinbutton', { name: 'width' }).first();
    await width.fill('70');
    await width.press('Enter');
    await saved(bruno);
    await bruno.getByRole('button', { name: 'Hand in' }).click();
    await bruno.getByRole('dialog').getByRole('button', { name: 'Hand in' }).click();
    await expect(bruno.locator('[data-state=waiting]')).toBeVisible();
    for (const [name, student] of [
      ['Asha', asha],
      ['Bruno', bruno],
    ] as const) {
      await teacher.goto('/review');
      await teacher.getByRole('link', { name, exact: true }).first().click();
      await teacher.getByRole('button', { name: 'Approve for printing' }).click();
      await expect(student.locator('[data-state=approved]')).toBeVisible();
    }
  });

  await test.step('the proposed batch is printed', async () => {
    await setFarBells(teacher);
    await teacher.goto('/queue');
    await expect(teacher.locator('[data-proposal=Birch]')).toContainText('2 parts');
    await teacher.locator('[data-proposal=Birch]').getByRole('button', { name: 'Make this batch' }).click();
    await teacher.waitForURL('**/batch/*');
    await teacher.getByRole('button', { name: 'Start on Birch' }).click();
    const dialog = teacher.getByRole('dialog');
    for (const check of await dialog.getByRole('checkbox').all()) await check.check();
    await dialog.getByRole('button', { name: 'Start printing' }).click();
    await teacher.waitForURL('**/print-room');
    const birch = teacher.locator('[data-printer=Birch]');
    await expect(asha.locator('[data-state=printing]')).toBeVisible();
    await expect(birch.getByRole('listitem').first()).toContainText('finished');
    await expect(asha.locator('[data-state=printed]')).toBeVisible();
    await birch.getByRole('link', { name: /Asha/ }).first().click();
  });

  await test.step('what came of each part is written down, and its student reads it', async () => {
    const outcomeOf = (name: string) => teacher.getByRole('listitem', { name: `Outcome of ${name}’s part` });
    await outcomeOf('Bruno').getByRole('button', { name: 'Bruno’s part is not good' }).click();
    await outcomeOf('Bruno').getByRole('combobox').first().selectOption('broke');
    await outcomeOf('Bruno').getByRole('combobox', { name: 'What happens next' }).selectOption('student');
    await outcomeOf('Bruno').getByRole('textbox', { name: 'Note' }).fill('It broke at the hole.');
    await teacher.getByRole('button', { name: 'Save: 1 good, 1 not good' }).click();
    await expect(outcomeOf('Bruno')).toContainText('broke');
    await asha.goto('/home');
    await expect(asha.getByText('How the print came out: good.')).toBeVisible();
    await bruno.goto('/home');
    await expect(bruno.getByText('It broke at the hole.')).toBeVisible();
    await expect(bruno.getByText('How the print came out: broke.')).toBeVisible();
  });
});
