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

test('a forged inspection is not taken', async ({ as }) => {
  const asha = await as('asha');
  const path = await projectPath(asha);
  const inspection = JSON.stringify({ verdict: 'pass', checks: [] });
  const design = { format: 'kelbrin-recipe', version: 1, steps: [] };
  const headers = { origin: new URL(asha.url()).origin };
  const put = (data: object) => asha.request.put(`${path}/design`, { data, headers });
  const forged = await put({ baseRevision: 1, design, inspection });
  expect(forged.status()).toBe(400);
  const withFacts = { ...design, inspection };
  expect((await put({ baseRevision: 1, design: withFacts })).status()).toBe(400);

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

test('nobody gets in from another site', async ({ as }) => {
  const teacher = await as('teacher');
  const foreign = await teacher.request.post('/queue?/start', {
    form: { entry: 'x' },
    headers: { origin: 'http://evil.example' },
  });
  expect(foreign.status()).toBe(403);
  // Whatever kind of content it brings, and from a browser that does not say where it comes from.
  for (const headers of [{ origin: 'http://evil.example', 'content-type': 'application/json' }, {}]) {
    const sent = await teacher.request.fetch('/review/kept', {
      method: 'POST',
      data: { words: 'from elsewhere' },
      headers: headers as Record<string, string>,
    });
    expect(sent.status()).toBe(403);
  }
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

test('data that cannot be is answered with a sentence, and never as a fault of the server', async ({
  as,
  kelbrin: { origin },
}) => {
  const student = await as('hugo');
  await openBench(student);
  const path = new URL(student.url()).pathname;
  for (const number of ['1e309', '-1.5', '99999999999', 'x'])
    expect((await student.request.get(`${path}/versions/${number}`)).status(), number).toBe(404);
  const put = (to: string, data: unknown) =>
    student.request.put(`${path}/${to}`, { data, headers: { origin } });
  expect((await put('design', { baseRevision: 1e300, design: {} })).status()).toBe(400);
  const kept = await student.request.post(`${path}/versions`, {
    data: { revision: 0, name: 'a\u0000b' },
    headers: { origin },
  });
  expect([400, 409]).toContain(kept.status());
  const teacher = await as('teacher');
  const act = async (where: string, form: Record<string, string>) => {
    const answer = await teacher.request.post(where, {
      form,
      headers: { origin, accept: 'application/json' },
    });
    const told = (await answer.json()) as { type: string; status?: number };
    return { type: told.type, status: told.status ?? answer.status() };
  };
  for (const [where, form] of [
    ['/queue?/lay', { entry: '' }],
    ['/queue?/hold', { entry: '', held: 'yes' }],
    ['/class?/create', { name: 'Year\u0000 9' }],
  ] as const) {
    const { type, status } = await act(where, form);
    expect(['failure', 'error'], where).toContain(type);
    expect(status, where).toBeLessThan(500);
  }
});

test('nothing private stays in the browser after signing out', async ({ as }) => {
  const student = await as('ines');
  await openBench(student);
  const bench = student.url();
  const answer = await student.request.get(bench);
  expect(answer.headers()['cache-control']).toBe('private, no-store');
  expect(answer.headers()['permissions-policy']).toContain('camera=()');
  await student.goto('/home');
  await student.getByRole('button', { name: 'Sign out' }).click();
  await student.waitForURL('**/sign-in');
  await student.goBack();
  await expect(student.getByLabel('Class code')).toBeVisible();
  await expect(student.getByText('Ines')).toHaveCount(0);
});
