import type { Page } from '@playwright/test';
import { expectNoSeriousFault } from './accessibility.ts';
import { foot } from './byHand.ts';
import { expect, openLabel, saved, test } from './kelbrin.ts';

test.use({ file: 'building' });

/* What helps to understand what is on the bench: what is only to do, what words mean, the recipe read aloud, the real size. */

interface WithVoice {
  voice: { said: string[]; slow: boolean };
}

/**
 * Puts a voice into the browser, since there is none here: it notes what it says, in an instant or, once it is `slow`,
 * without coming to an end.
 */
const withVoice = (page: Page) =>
  page.addInitScript(() => {
    const said: string[] = [];
    const voice = { said, slow: false };
    Object.assign(globalThis, { voice });
    const speak = (utterance: SpeechSynthesisUtterance) => {
      said.push(utterance.text);
      if (voice.slow) return;
      setTimeout(() => utterance.onend?.(new Event('end') as SpeechSynthesisEvent), 120);
    };
    Object.defineProperty(globalThis, 'speechSynthesis', {
      value: { speak, cancel: () => {}, getVoices: () => [{ lang: 'en' }] },
    });
  });

test('what the brief wants yet is to do and no failure, and words of the trade are explained', async ({
  as,
}) => {
  const page = await as('keiko');
  await openLabel(page, { words: 'Kale', holeMm: 2.5 });
  const inspection = page.getByRole('region', { name: 'Inspection' });
  const brief = inspection.locator('[data-check=brief]');
  await expect(brief).toContainText('to do');
  await expect(brief).toContainText('at least Ø 3 mm');
  await expect(inspection.getByText('fail', { exact: true })).toHaveCount(0);
  const holes = page.locator('[data-step]').nth(1);
  await holes.click({ position: { x: 60, y: 12 } });
  const diameter = holes.getByRole('spinbutton', { name: 'diameter' });
  await diameter.fill('1.2');
  await diameter.press('Enter');
  // What the printer cannot make is a failure, beside what is to do.
  await expect(inspection.getByText('fail', { exact: true }).first()).toBeVisible();
  await expect(brief).toContainText('to do');
  await page.getByRole('button', { name: 'Undo' }).click();

  const plate = page.locator('[data-step]').first();
  await plate.click({ position: { x: 8, y: 30 } });
  const explain = plate.getByRole('button', { name: /words/i });
  await explain.click();
  await expect(plate.getByRole('status')).toContainText(/Extrude/i);
  await expect(plate.locator('svg[viewBox]').last()).toBeVisible();
  await expectNoSeriousFault(page, 'words explained');
  await explain.press('Escape');
  await expect(plate.getByRole('status')).toHaveCount(0);
  await saved(page);
});

test('a recipe is read aloud sentence by sentence, and stops when it is asked to', async ({ as }) => {
  const page = await as('keiko');
  await withVoice(page);
  await openLabel(page, { words: 'Kale' });
  await page.getByRole('button', { name: 'Read aloud' }).click();
  const said = () => page.evaluate(() => (globalThis as unknown as WithVoice).voice.said);
  await expect.poll(async () => (await said()).length).toBeGreaterThanOrEqual(3);
  const [first, second, third] = await said();
  expect(first).toContain('84 millimetres');
  expect(second).toContain('hole');
  expect(third).toContain('Kale');
  await expect(page.getByRole('button', { name: 'Read aloud' })).toBeVisible();

  const before = (await said()).length;
  await page.evaluate(() => ((globalThis as unknown as WithVoice).voice.slow = true));
  await page.getByRole('button', { name: 'Read aloud' }).click();
  await page.getByRole('button', { name: 'Stop reading' }).click();
  await expect(page.getByRole('button', { name: 'Read aloud' })).toBeVisible();
  await page.waitForTimeout(500);
  expect((await said()).length).toBe(before + 1);
});

test('the part is seen in its real size, on a screen that is measured with a bank card', async ({ as }) => {
  const page = await as('keiko');
  await openLabel(page, { words: 'Kale', widthMm: 80 });
  await foot(page).getByRole('button').first().click();
  const dialog = page.getByRole('dialog', { name: 'Real size' });
  const above = dialog.getByRole('img', { name: 'from above' });
  await dialog.getByRole('button', { name: /bank card/ }).click();
  const slider = dialog.getByRole('slider');
  await slider.fill('400');
  const card = (await dialog.getByTestId('card').boundingBox())!;
  expect(card.width).toBeCloseTo(400, 0);
  // A card is 85.6 mm wide, and the part with its margins 82.
  const part = (await above.boundingBox())!;
  expect(part.width).toBeCloseTo((82 * 400) / 85.6, 0);
  await expectNoSeriousFault(page, 'the real size');
  await page.keyboard.press('Escape');
  await page.reload();
  await foot(page).getByRole('button').first().click();
  // What was measured holds for this screen.
  expect((await above.boundingBox())!.width).toBeCloseTo((82 * 400) / 85.6, 0);
});

test('a part is looked at from all around, without perspective, and as before', async ({ as }) => {
  const page = await as('keiko');
  await openLabel(page, { words: 'Kale', widthMm: 80 });
  await page
    .locator('[data-step]')
    .first()
    .click({ position: { x: 8, y: 30 } });
  const view = page.getByRole('group', { name: 'View' });
  const arrow = (label: string, end: string) => page.locator(`[data-arrow="${label}: ${end}"]`);
  /** How long the width of the plate is seen, px. */
  const seenPx = async () => {
    const [high, low] = await Promise.all(
      ['high', 'low'].map(async (end) => (await arrow('Size left to right', end).boundingBox())!),
    );
    return Math.hypot(high.x - low.x, high.y - low.y);
  };
  await view.getByRole('button', { name: 'Front' }).click();
  await expect(arrow('Size front to back', 'high')).toHaveCount(0);
  const front = await seenPx();
  await view.getByRole('button', { name: 'Top' }).click();
  await expect(arrow('Size from below to above', 'high')).toHaveCount(0);
  await view.getByRole('button', { name: 'As it was looked at before' }).click();
  await expect.poll(async () => Math.abs((await seenPx()) - front)).toBeLessThan(2);

  const parallel = view.getByRole('button', { name: /Without perspective/ });
  await parallel.click();
  await expect(parallel).toHaveAttribute('aria-pressed', 'true');
  // The front of the plate is nearer than its middle, and is seen as large as that now.
  await expect.poll(seenPx).toBeLessThan(front - 2);
  const canvas = (await page.getByTestId('solid-view').boundingBox())!;
  await page.mouse.move(canvas.x + canvas.width / 2, canvas.y + 200);
  for (let i = 0; i < 6; i++) await page.mouse.wheel(0, 400);
  const small = await seenPx();
  await view.getByRole('button', { name: 'See all of it from here' }).click();
  await expect.poll(seenPx).toBeGreaterThan(small * 1.3);

  // Only the marked step: what lay before it is hidden, and is not pressed through what is not seen.
  await view.getByRole('button', { name: 'Top' }).click();
  await page
    .locator('[data-step]')
    .nth(1)
    .click({ position: { x: 8, y: 12 } });
  const alone = page.getByRole('button', { name: 'Only the marked step' });
  await alone.click();
  await expect(alone).toHaveAttribute('aria-pressed', 'true');
  await page.mouse.click(canvas.x + canvas.width * 0.7, canvas.y + canvas.height / 2);
  await expect(alone).toHaveCount(0);
});
