import type { Page } from '@playwright/test';
import { expect, openBench, saved, test } from './kelbrin.ts';

test.use({ file: 'refusals' });

/** Posts a form action as a page of ours would, with whatever fields a tampering person likes. */
async function post(page: Page, path: string, form: Record<string, string> = {}) {
  const origin = new URL(page.url()).origin;
  return page.request.post(path, { form, headers: { origin, accept: 'application/json' }, maxRedirects: 0 });
}

async function projectPath(page: Page): Promise<string> {
  await openBench(page);
  return new URL(page.url()).pathname;
}

test('a student reaches nothing of another’s', async ({ as }) => {
  const [asha, luca] = [await as('asha'), await as('luca')];
  const foreign = await projectPath(luca);
  const id = foreign.split('/').at(-1)!;
  // The page is drawn in the browser from its data, and of those there are none.
  expect(await (await asha.request.get(foreign)).text()).not.toContain('roundedRectangle');
  const data = await (await asha.request.get(`${foreign}/__data.json`)).text();
  expect(data).toContain('"status":404');
  expect(data).not.toContain('roundedRectangle');
  expect((await asha.request.get(`/picture/project/${id}`)).status()).toBe(404);
  expect((await asha.request.get(`${foreign}/versions/1`)).status()).toBe(404);
  const keep = { revision: 0, name: 'mine now' };
  expect((await asha.request.post(`${foreign}/versions`, { data: keep })).status()).toBe(404);
  expect((await asha.request.get(`/live?topic=project:${id}`)).status()).toBe(404);
  const save = { baseRevision: 1, design: { format: 'kelbrin-recipe', version: 1, steps: [] } };
  expect((await asha.request.put(`${foreign}/design`, { data: save })).status()).toBe(404);
  expect((await post(asha, `${foreign}?/handIn`, { revision: '1' })).status()).toBe(404);
  await luca.reload();
  await expect(luca.getByRole('spinbutton', { name: 'width' })).toHaveValue('75');
});

test('a student approves nothing and starts nothing', async ({ as }) => {
  const [asha, teacher] = [await as('asha'), await as('teacher')];
  await teacher.goto('/review');
  await teacher.getByRole('link', { name: 'Dario', exact: true }).click();
  await teacher.getByRole('button', { name: 'Approve for printing' }).waitFor();
  const review = new URL(teacher.url()).pathname;
  const solidHash = await teacher.locator('input[name=solidHash]').inputValue();
  await teacher.goto('/queue');
  const entry = await teacher.locator('input[name=entry]').first().inputValue();
  const printer = await teacher.locator('button[name=printer]').first().getAttribute('value');

  for (const path of ['/class', '/review', review, '/queue', '/print-room']) {
    expect((await asha.request.get(path)).status(), path).toBe(403);
  }
  expect((await post(asha, `${review}?/approve`, { solidHash })).status()).toBe(403);
  expect((await post(asha, `${review}?/sendBack`, { comment: 'No.' })).status()).toBe(403);
  expect((await post(asha, '/queue?/start', { entry, printer: printer! })).status()).toBe(403);
  expect((await asha.request.get('/live?topic=printroom')).status()).toBe(404);

  await teacher.goto(review);
  await expect(teacher.getByRole('button', { name: 'Approve for printing' })).toBeEnabled();
});

test('a helper runs the print room but approves nothing', async ({ as }) => {
  const [helper, teacher] = [await as('helper'), await as('teacher')];
  await teacher.goto('/review');
  await teacher.getByRole('link', { name: 'Elif', exact: true }).click();
  await teacher.getByRole('button', { name: 'Approve for printing' }).waitFor();
  const review = new URL(teacher.url()).pathname;
  const solidHash = await teacher.locator('input[name=solidHash]').inputValue();
  expect((await helper.request.get(review)).status()).toBe(403);
  expect((await post(helper, `${review}?/approve`, { solidHash })).status()).toBe(403);
  expect((await helper.request.get('/print-room')).status()).toBe(200);
});

test('a forged inspection is not taken', async ({ as }) => {
  const asha = await as('asha');
  const path = await projectPath(asha);
  const inspection = JSON.stringify({ verdict: 'pass', checks: [] });
  const design = { format: 'kelbrin-recipe', version: 1, steps: [] };
  const forged = await asha.request.put(`${path}/design`, { data: { baseRevision: 1, design, inspection } });
  expect(forged.status()).toBe(400);
  const withFacts = { ...design, inspection };
  expect(
    (await asha.request.put(`${path}/design`, { data: { baseRevision: 1, design: withFacts } })).status(),
  ).toBe(400);

  // Handed in with a verdict of its own, the part with the hole that is too small still fails.
  await saved(asha);
  const argued = ['hole', 'brief'].map((check) => ({ check, words: 'I like it so.' }));
  const answer = await post(asha, `${path}?/handIn`, {
    revision: '1',
    said: JSON.stringify({ note: '', arguments: argued }),
    inspection,
    verdict: 'pass',
    solidHash: 'x'.repeat(64),
  });
  expect(await answer.text()).not.toContain('failure');
  const teacher = await as('teacher');
  await teacher.goto('/review');
  const row = teacher.getByRole('row', { name: /Asha/ });
  await expect(row.locator('[data-verdict=fail]')).toBeVisible();
});

test('nobody gets in without signing in, nor from another site', async ({ as, browser, kelbrin }) => {
  const context = await browser.newContext({ baseURL: kelbrin.origin });
  for (const path of ['/', '/home', '/class', '/review', '/queue', '/print-room']) {
    const answer = await context.request.get(path, { maxRedirects: 0 });
    expect([answer.status(), answer.headers().location], path).toEqual([303, '/sign-in']);
  }
  expect((await context.request.get('/live?topic=printroom')).status()).toBe(401);
  await context.close();

  const teacher = await as('teacher');
  const foreign = await teacher.request.post('/queue?/start', {
    form: { entry: 'x' },
    headers: { origin: 'http://evil.example' },
  });
  expect(foreign.status()).toBe(403);
  const [cookie] = await teacher.context().cookies();
  expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Lax' });
});

test('a wrong PIN is answered in one sentence', async ({ browser, kelbrin }) => {
  const page = await browser.newPage({ baseURL: kelbrin.origin });
  await page.goto('/sign-in');
  const form = page.locator('form', { hasText: 'Students' });
  await form.getByLabel('Class code').fill('WREN8');
  await form.getByLabel('Name').fill('hugo');
  await form.getByLabel('PIN').fill('000000');
  await form.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert')).toHaveText('The class code, the name or the PIN is not right.');
  await page.close();
});
