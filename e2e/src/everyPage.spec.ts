import type { Page } from '@playwright/test';
import { writeThreeMf } from '../../core/src/format/index.ts';
import { labelRecipe } from '../../app/src/lib/server/demo/labels.ts';
import { expectNoSeriousFault } from './accessibility.ts';
import { expect, saved, signInByHand, test } from './kelbrin.ts';

test.use({ file: 'everyPage' });
/** Would say so if a page took it for anything but words. */
const hostile = (words: string) => `${words}<img src=x onerror="ranScript=1">`;

/** A small solid with four faces. */
const tetrahedron = {
  positions: Float32Array.of(0, 0, 0, 20, 0, 0, 0, 20, 0, 0, 0, 20),
  triangles: Uint32Array.of(0, 2, 1, 0, 1, 3, 1, 2, 3, 0, 3, 2),
};

/** Whether something of what people wrote was run. */
const hasRun = (page: Page) => page.evaluate(() => 'ranScript' in globalThis);

test('on every page what people write stays words, and axe finds nothing serious', async ({ as }) => {
  const teacher = await as('teacher');
  await teacher.goto('/class');
  await teacher.getByLabel('A new class').fill(hostile('Heron'));
  await teacher.getByRole('button', { name: 'Create' }).click();
  await teacher.getByLabel(/One student a line/).fill(`${hostile('Ada')}\tada\t730164`);
  await expectNoSeriousFault(teacher, 'the list of a class');
  await teacher.getByRole('button', { name: 'Add one student' }).click();
  const cards = teacher.getByRole('region', { name: 'Sign-in cards' });
  await expect(cards).toContainText(hostile('Ada'));
  const [code] = await cards.getByRole('listitem').first().locator('dd').allInnerTexts();
  await expectNoSeriousFault(teacher, 'the sign-in cards');

  await teacher.getByRole('link', { name: 'Classes' }).first().click();
  await teacher.getByRole('link', { name: hostile('Heron') }).click();
  await teacher.getByRole('button', { name: 'New brief' }).click();
  await teacher.getByLabel('Title').fill(hostile('Clips'));
  await teacher.getByLabel('The task, as students read it').fill(hostile('Design a clip.'));
  await teacher.getByRole('button', { name: 'Add a prompt' }).click();
  await teacher.getByLabel('Prompt 1', { exact: true }).fill(hostile('Begin.'));
  await teacher.getByRole('button', { name: 'Save' }).click();
  await expect(teacher.getByText('Nobody has begun it yet.')).toBeVisible();
  const brief = new URL(teacher.url()).pathname.split('/').at(-1)!;

  const student = await as();
  await student.goto('/sign-in');
  await expectNoSeriousFault(student, 'signing in');
  await signInByHand(student, 'ada', '730164', code);
  await expect(student.getByText(hostile('Design a clip.'))).toBeVisible();
  await expectNoSeriousFault(student, 'the home');
  await student.getByRole('button', { name: 'Begin' }).click();
  await expect(student.getByRole('region', { name: 'First steps' })).toBeVisible();
  await expectNoSeriousFault(student, 'a first bench');
  await student.getByRole('button', { name: 'I know the way' }).click();
  await expect(student.getByRole('region', { name: 'Prompts' })).toContainText(hostile('Begin.'));
  // A file that is none, by a name that is a picture.
  const fileHeaders = (name: string) => ({
    origin: new URL(student.url()).origin,
    'content-type': 'application/octet-stream',
    'file-name': encodeURIComponent(hostile(name)),
  });
  const refused = await student.request.post(`${new URL(student.url()).pathname}/files`, {
    headers: fileHeaders('part.stl'),
    data: Buffer.from('solid <script>'),
  });
  expect(refused.status()).toBe(409);
  // A part in a file, with more than words in everything that is written in there.
  const [first, ...others] = labelRecipe({ words: 'Fig' }).steps;
  const recipe = {
    ...labelRecipe({ words: 'Fig' }),
    steps: [{ ...first, name: hostile('Body') }, ...others],
  };
  const threeMf = writeThreeMf(tetrahedron, {
    title: hostile('Label'),
    author: hostile('Ada'),
    recipe: JSON.stringify(recipe),
  });
  await student.getByLabel('File of a part').setInputFiles({
    name: `${hostile('Row')}.3mf`,
    mimeType: 'model/3mf',
    buffer: Buffer.from(threeMf),
  });
  await expect(student.getByRole('region', { name: 'Parts' }).getByLabel('name of the part')).toHaveValue(
    /^Row<img/,
  );
  await expect(student.getByRole('list', { name: 'Recipe' })).toContainText(hostile('Body'));
  const imported = await student.request.post(`${new URL(student.url()).pathname}/files`, {
    headers: fileHeaders('part.3mf'),
    data: Buffer.from(threeMf),
  });
  expect(imported.status()).toBe(200);
  await saved(student);
  await student.getByRole('button', { name: 'Ask for help' }).click();
  expect(await hasRun(student)).toBe(false);

  await teacher.goto('/review');
  const handIn = await teacher.getByRole('link', { name: 'Dario', exact: true }).getAttribute('href');
  await teacher.goto('/limits');
  const card = await teacher
    .getByRole('link', { name: /^Open / })
    .first()
    .getAttribute('href');
  await teacher.goto(`/lesson/${brief}`);
  const watched = await teacher
    .getByRole('link', { name: /^Look at/ })
    .first()
    .getAttribute('href');
  await teacher.goto('/class');
  const group = await teacher.getByRole('link', { name: hostile('Heron') }).getAttribute('href');
  await teacher.goto('/queue');
  await teacher
    .getByRole('checkbox', { name: /^Choose .* part$/ })
    .first()
    .check();
  await teacher.getByRole('button', { name: 'Put one part' }).click();
  await teacher.waitForURL('**/batch/*');
  const batch = new URL(teacher.url()).pathname;
  const pages = [
    '/class',
    group!,
    `${group}/people`,
    `${group}/log`,
    `${group}/figures`,
    `/brief/${brief}`,
    `/lesson/${brief}`,
    watched!,
    '/library',
    '/notices',
    '/staff',
    '/log',
    '/account',
    '/spools',
    '/printers',
    '/machines',
    '/materials?like=PETG',
    group!.replace('/class/', '/gallery/'),
    `/brief/${brief}/teams`,
    '/limits',
    card!,
    '/review',
    handIn!,
    '/review/sheet',
    '/queue',
    '/plan',
    '/print-room',
    '/print-room/figures',
    batch,
    `${batch}/sheet`,
  ];
  for (const path of pages) {
    const answer = await teacher.goto(path);
    expect.soft(answer!.status(), path).toBe(200);
    await teacher.locator('main h1, main h2').first().waitFor();
    await expectNoSeriousFault(teacher, path);
    expect(await hasRun(teacher), path).toBe(false);
  }
});
