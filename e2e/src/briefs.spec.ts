import { expect, test } from './kelbrin.ts';

test.use({ file: 'briefs' });
test('a task is formatted and illustrated, a brief is kept and set again, and students read it as it was written', async ({
  as,
}) => {
  const teacher = await as('teacher');
  await teacher.goto('/class');
  await teacher.getByRole('link', { name: 'Year 8, Wren group' }).click();
  await teacher.getByRole('button', { name: 'New brief' }).click();
  await teacher.getByLabel('Title').fill('Cane clips');
  const task = teacher.getByRole('textbox', { name: 'The task, as students read it' });
  const tools = teacher.getByRole('toolbar', { name: 'Format the task' });

  await test.step('written with headings, lists and links', async () => {
    await task.click();
    await tools.getByRole('button', { name: 'Heading' }).click();
    await teacher.keyboard.type('A clip for a cane');
    await teacher.keyboard.press('Enter');
    // On a machine that is busy there may be no frame for a while: what is typed goes to the text all the same.
    await teacher.evaluate(() => {
      const soon = requestAnimationFrame;
      globalThis.requestAnimationFrame = (call) => setTimeout(() => soon(call), 500) as unknown as number;
    });
    await tools.getByRole('button', { name: 'List', exact: true }).click();
    await teacher.keyboard.type('It is ');
    await teacher.keyboard.press('Control+b');
    await teacher.keyboard.type('snu');
    await teacher.keyboard.press('Control+b');
    await teacher.keyboard.type('g.');
    await expect(tools.getByRole('button', { name: 'List', exact: true })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
    await teacher.keyboard.press('Enter');
    await teacher.keyboard.type('Ask me');
    await teacher.keyboard.press('Shift+Home');
    await tools.getByRole('button', { name: 'Link' }).click();
    const question = teacher.getByLabel('Where does the link lead? (empty for none)');
    await question.fill('javascript:globalThis.ranScript=1');
    await question.press('Enter');
    await expect(teacher.getByText('A link begins with https:// or http://.')).toBeVisible();
    await tools.getByRole('button', { name: 'Link' }).click();
    await question.fill('https://wrenfield.example/canes');
    await question.press('Enter');
    await expect(task.getByRole('link')).toHaveAttribute('href', 'https://wrenfield.example/canes');
  });

  await test.step('what is pasted is words alone', async () => {
    await task.evaluate((element) => {
      const data = new DataTransfer();
      data.setData(
        'text/html',
        '<p onclick="ranScript=1">Pasted<script>ranScript=1</script><img src="https://tracker.example/x.png" onerror="ranScript=1"></p>',
      );
      element.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      );
    });
    await expect(task).toContainText('Pasted');
    await expect(task.getByRole('img')).toHaveCount(0);
    expect(await teacher.evaluate(() => 'ranScript' in globalThis)).toBe(false);
  });

  await test.step('a picture is added, and what is none is refused in a sentence', async () => {
    const chooser = teacher.getByLabel('Add a picture').last();
    await chooser.setInputFiles({
      name: 'no.png',
      mimeType: 'image/png',
      buffer: Buffer.from('<svg onload="x()"/>'),
    });
    await expect(teacher.getByText('no.png is no picture that can be read.')).toBeVisible();
    const drawn = await teacher.screenshot({ clip: { x: 0, y: 0, width: 80, height: 50 }, scale: 'css' });
    await chooser.setInputFiles({ name: 'sketch.png', mimeType: 'image/png', buffer: drawn });
    const words = teacher.getByLabel(/What does the picture show/);
    await words.fill('A sketch of a clip');
    await words.press('Enter');
    await expect(task.getByRole('img', { name: 'A sketch of a clip' })).toBeVisible();
  });

  await teacher.getByLabel('Students begin with').selectOption({ label: 'Cane clip' });
  await teacher.getByLabel('Copies of each part').fill('2');
  await teacher.getByRole('button', { name: 'Save' }).click();
  await expect(teacher.getByText('Nobody has begun it yet.')).toBeVisible();
  await teacher.reload();
  await expect(teacher.getByLabel('Students begin with')).toHaveValue('cane-clip');
  await expect(teacher.getByLabel('Copies of each part')).toHaveValue('2');

  await test.step('students read the task, and begin with the example', async () => {
    const student = await as('noor');
    await student.goto('/home');
    const brief = student.getByRole('article').filter({ hasText: 'Cane clips' });
    await expect(brief.getByRole('heading', { name: 'A clip for a cane' })).toBeVisible();
    await expect(brief.getByRole('listitem').first()).toHaveText('It is snug.');
    const picture = brief.getByRole('img', { name: 'A sketch of a clip' });
    await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(80);
    await brief.getByRole('button', { name: 'Begin' }).click();
    await expect(student.getByRole('list', { name: 'Recipe' }).getByRole('listitem').first()).toBeVisible();
    await student.getByRole('button', { name: 'Task' }).click();
    await expect(student.getByRole('dialog').getByText('A clip for a cane')).toBeVisible();
  });

  await test.step('kept in the library it is set once more', async () => {
    await teacher.getByRole('button', { name: 'Keep in the library' }).click();
    await expect(teacher.getByText('It is in your library now.')).toBeVisible();
    await teacher.getByRole('link', { name: 'Library of briefs' }).click();
    await teacher.getByRole('button', { name: 'Use it' }).click();
    await expect(task.getByRole('img', { name: 'A sketch of a clip' })).toBeVisible();
    await expect(teacher.getByText('Nobody has begun it yet.')).toBeVisible();
    await teacher.goto('/library');
    await teacher.getByRole('button', { name: 'Take “Cane clips” out of the library' }).click();
    await expect(teacher.getByText('You keep no brief yet')).toBeVisible();
  });
});
