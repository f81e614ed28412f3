import type { Page } from '@playwright/test';
import { expectNoSeriousFault } from './accessibility.ts';
import { exported } from './byHand.ts';
import { expect, openLabel, test } from './kelbrin.ts';

test.use({ file: 'building' });

/* Looking into a part and measuring on it: cuts from three sides, the layers as they are printed, edges and arcs. */

const label = { words: 'Kale', widthMm: 80 };

test('a part is cut through from each side, and its layers are seen as they are printed', async ({ as }) => {
  const page = await as('keiko');
  await openLabel(page, label);
  await page.getByRole('button', { name: 'Cut through' }).click();
  const cut = page.getByRole('region', { name: 'Cut', exact: true });
  const where = cut.getByRole('spinbutton');
  const section = page.getByTestId('section');
  await expect(where).toHaveValue('14');
  await expect(section).toContainText('80');
  await expect(section).toContainText('3.8');
  await expectNoSeriousFault(page, 'a part that is cut through');

  await cut.getByRole('button', { name: 'right' }).click();
  await expect(where).toHaveValue('40');
  // Through the middle of the hole, where there are no letters.
  await where.fill('7,0');
  await where.press('Enter');
  await expect(section).toContainText('28');
  await expect(section).toContainText('2.6');
  // What is exported is what is seen.
  const { text } = await exported(page, 'SVG of the section where it is cut');
  expect(text).toContain('width="28mm" height="2.6mm"');
  await where.fill('90');
  await where.press('Enter');
  await expect(cut.getByText(/80/)).toBeVisible();
  await where.fill('7');
  await where.press('Enter');
  const slider = cut.getByRole('slider');
  await slider.focus();
  await page.keyboard.press('End');
  await expect(where).toHaveValue('80');

  await cut.getByRole('button', { name: 'top' }).click();
  const ruler = page.getByRole('slider', { name: 'Cut height' });
  await expect(ruler).toHaveAttribute('aria-valuetext', 'cut at 1.9 mm');
  await cut.getByRole('checkbox', { name: 'As it is printed' }).check();
  const layer = page.getByTestId('printed-layer');
  await expect(layer).toHaveAttribute('aria-label', /Layer 10 of 19, up to 2 mm/);
  await ruler.focus();
  await page.keyboard.press('Shift+ArrowUp');
  await expect(layer).toHaveAttribute('aria-label', /Layer 15 of 19, up to 3 mm/);
  await page.getByRole('button', { name: 'Plan large' }).click();
  await expect(layer).toContainText('walls');
  // An edit is sliced again, and the layer there is the new one.
  const height = page.getByRole('spinbutton', { name: 'height', exact: true }).first();
  await height.fill('5');
  await height.press('Enter');
  await expect(layer).toHaveAttribute('aria-label', /of 31/);
  await page.getByRole('button', { name: 'Close the cut' }).click();
  await expect(layer).toHaveCount(0);
  await expect(page.getByTestId('plan')).toBeVisible();
});

test('lengths of edges, radii, and how far edges and holes are apart are measured on the solid', async ({
  as,
}) => {
  const page = await as('keiko');
  await openLabel(page, label);
  const press = await fromAbove(page);
  await page.getByRole('button', { name: 'Measure', exact: true }).click();
  const said = page.getByTestId('solid-view').getByRole('status').first();
  await expect(said).toContainText('Press two places');

  await press(80, 14);
  await expect(said).toContainText('18 mm; the edge is so long');
  await press(0, 14);
  await expect(said).toContainText('80 mm');
  await expect(said).toContainText('the edges are parallel');

  await press(7 + 2.25, 14);
  await expect(said).toContainText('Ø 4.5 mm; radius 2.25 mm');
  await press(0, 16);
  await expect(said).toContainText('7 mm');
  await expect(said).toContainText('from the middle of the round edge');

  await press(80 - 5 * (1 - Math.SQRT1_2), 28 - 5 * (1 - Math.SQRT1_2));
  await expect(said).toContainText('radius 5 mm');
  await press(7 - 2.25, 14);
  // From the middle of the arc to the middle of the hole.
  await expect(said).toContainText(`${Math.round(100 * Math.hypot(68, 9)) / 100} mm`);
  await expectNoSeriousFault(page, 'measuring');
});

test('two parts are looked at side by side, and turn together', async ({ as }) => {
  const page = await as('keiko');
  await openLabel(page, label);
  const beside = page.getByRole('button', { name: 'Look at two parts side by side' });
  await expect(beside).toHaveCount(0);
  await page.getByRole('button', { name: 'Copy this part', exact: true }).click();
  const width = page.getByRole('spinbutton', { name: 'width', exact: true }).first();
  await width.fill('50');
  await width.press('Enter');
  await beside.click();
  const dialog = page.getByRole('dialog', { name: 'Parts side by side' });
  const [left, right] = ['left', 'right'].map((side) =>
    dialog.getByRole('figure', { name: `Part on the ${side}` }),
  );
  await expect(left).toContainText('50 × 28 × 3.8 mm');
  await expect(right).toContainText('80 × 28 × 3.8');
  await expectNoSeriousFault(page, 'parts side by side');
  await right.getByRole('button', { name: 'Top' }).click();
  await left.getByRole('combobox').selectOption({ label: 'Label' });
  await expect(left).toContainText('80 × 28 × 3.8');
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
});

/** Turns to the top of the part, and presses places of its plate: mm in from its left and its front. */
async function fromAbove(page: Page): Promise<(xMm: number, yMm: number) => Promise<void>> {
  const plate = page.locator('[data-step]').first();
  await plate.click({ position: { x: 8, y: 30 } });
  await page.getByRole('group', { name: 'View' }).getByRole('button', { name: 'Top' }).click();
  await page.getByRole('button', { name: /Without perspective/ }).click();
  await expect(page.locator('[data-arrow="Size from below to above: high"]')).toHaveCount(0);
  const middle = async (arrow: string) => {
    const { x, y, width, height } = (await page.locator(`[data-arrow="${arrow}"]`).boundingBox())!;
    return [x + width / 2, y + height / 2] as const;
  };
  const [left, right] = [await middle('Size left to right: low'), await middle('Size left to right: high')];
  const [front, back] = [await middle('Size front to back: low'), await middle('Size front to back: high')];
  return async (xMm, yMm) => {
    const x = left[0] + (xMm / 80) * (right[0] - left[0]);
    const y = front[1] + (yMm / 28) * (back[1] - front[1]);
    await page.mouse.click(x, y);
  };
}
