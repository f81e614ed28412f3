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

test('nobody gets in from another site', async ({ as }) => {
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
