import { readFile } from 'node:fs/promises';
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

test('files of the app are what their type says, and a person has only so many streams', async ({
  as,
  kelbrin,
}) => {
  const helper = await as('helper');
  const page = await (await helper.request.get('/print-room')).text();
  const files = [...page.matchAll(/_app\/immutable\/[^"']+/g)].map(([path]) => `/${path}`);
  expect(files.length).toBeGreaterThan(2);
  for (const path of [...files.slice(0, 3), '/icon.svg'])
    expect((await helper.request.get(path)).headers()['x-content-type-options'], path).toBe('nosniff');

  const cookies = await helper.context().cookies();
  const cookie = cookies.map(({ name, value }) => `${name}=${value}`).join('; ');
  const leaving = new AbortController();
  const follow = async () =>
    (await fetch(`${kelbrin.origin}/live?topic=printroom`, { headers: { cookie }, signal: leaving.signal }))
      .status;
  const answers: number[] = [];
  for (let i = 0; i < 14; i++) answers.push(await follow());
  expect(answers.slice(0, 11).every((status) => status === 200)).toBe(true);
  expect(answers.at(-1)).toBe(429);
  leaving.abort();
  // Those that were left make room again.
  const again = new AbortController();
  await expect
    .poll(async () => {
      const { status } = await fetch(`${kelbrin.origin}/live?topic=printroom`, {
        headers: { cookie },
        signal: again.signal,
      });
      return status;
    })
    .toBe(200);
  again.abort();
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

test('what the server refuses is kept as a file and opened again', async ({ as }) => {
  const page = await as('elif');
  await openBench(page);
  await page.route('**/design', (route) =>
    route.fulfill({ status: 400, json: { message: 'Not like that.' } }),
  );
  const width = page.getByRole('spinbutton', { name: 'width', exact: true });
  const setWidth = async (mm: string) => {
    await width.fill(mm);
    await width.press('Enter');
  };
  await setWidth('91');
  const notice = page.getByRole('alert').filter({ hasText: 'Not like that.' });
  const download = page.waitForEvent('download');
  await notice.getByRole('button', { name: 'Keep as a file' }).click();
  const path = await (await download).path();
  await page.unroute('**/design');
  await setWidth('70');
  await saved(page);
  await expect(notice).toHaveCount(0);
  await page.getByLabel('File of a part').setInputFiles({
    name: 'Label.kelbrin.json',
    mimeType: 'application/json',
    buffer: await readFile(path),
  });
  await expect(width).toHaveValue('91');
  await saved(page);
});

test('what is too large is answered in a sentence, and the page goes on', async ({ as }) => {
  const page = await as('elif');
  const path = await projectPath(page);
  const headers = { origin: new URL(page.url()).origin };
  const design = await page.request.put(`${path}/design`, { headers, data: { words: 'x'.repeat(600_000) } });
  expect(design.status()).toBe(413);
  const send = (to: string, megabytes: number) =>
    page.evaluate(
      async ({ url, bytes }) => {
        const type = 'application/octet-stream';
        const headers = { 'content-type': type, 'file-name': '%C5%82.stl', accept: 'application/json' };
        const answer = await fetch(url, { method: 'POST', headers, body: new Uint8Array(bytes) });
        const said = (await answer.json().catch(() => ({}))) as { message?: string };
        return `${answer.status} ${said.message}`;
      },
      { url: to, bytes: megabytes * 1e6 },
    );
  expect(await send(`${path}/files`, 20.5)).toBe('409 ł.stl is larger than 20 MB: save it with less detail.');
  // Nothing is taken of a file for a project that is somebody else's, or from somebody who may be anybody.
  expect(await send(`/bench/${crypto.randomUUID()}/files`, 20)).toMatch(/^404/);
  await page.context().clearCookies();
  expect(await send(`${path}/files`, 20)).toBe('401 Sign in first.');
});
