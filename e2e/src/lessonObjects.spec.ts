import * as hand from './byHand.ts';
import { fails, Hands } from './hands.ts';
import { expect, saved, test } from './kelbrin.ts';

test.use({ file: 'building' });

/* Objects of ordinary lessons, built as a student does it: each press, choice and typed number is one action. */

test('a bracket whose two legs are one number, in fifty-five actions', async ({ as }) => {
  const page = await as('greta');
  await hand.emptyBench(page);
  const hands = new Hands(page);
  await hands.press('Add a measure');
  await hands.put(page.getByRole('region', { name: 'Measures' }), 'a', '60');

  const legs = await hands.add('Extrude a shape: a combined outline');
  await hands.put(legs, 'width', 'a');
  await hands.put(legs, 'depth', '14');
  await hands.put(legs, 'corner radius', '0');
  await hands.choose(legs, 'shape', 'a rounded rectangle', 2);
  await hands.put(legs, 'width', '14', 1);
  await hands.put(legs, 'depth', 'a', 1);
  await hands.put(legs, 'corner radius', '0', 1);
  await hands.choose(legs, 'position left to right', 'in from the left');
  await hands.put(legs, 'distance from the left', '0');
  await hands.choose(legs, 'position front to back', 'in from the front');
  await hands.put(legs, 'distance from the front', '0');
  await hands.put(legs, 'height', '24');
  await hands.more(legs, 'round the corners');
  await hands.choose(legs, 'which corners', 'outer corners');
  await hands.put(legs, 'size at the corners', '6');
  await hands.more(legs, 'round the corners');
  await hands.put(legs, 'size at the corners', '3', 1);
  await hands.more(legs, 'chamfer or round the top edge');
  await hands.more(legs, 'chamfer or round the bottom edge');
  await expect(hand.foot(page)).toContainText('60 × 60 × 24');

  const gusset = await hands.add('Extrude a shape: a sector');
  await hands.put(gusset, 'diameter', '40');
  await hands.more(gusset, 'turn it');
  await hands.put(gusset, 'turned by', '-45');
  await hands.put(gusset, 'height', '6');
  await hands.choose(gusset, 'position bottom to top', 'from the plate');
  await hands.choose(gusset, 'position left to right', 'in from the left');
  await hands.put(gusset, 'distance from the left', '13.5');
  await hands.choose(gusset, 'position front to back', 'in from the front');
  await hands.put(gusset, 'distance from the front', '13.5');

  const hole = await hands.add('Cut a hole: for a screw');
  await hands.choose(hole, 'from which side', 'from the front');
  await hands.press('Say where it is instead', hole);
  await hands.more(hole, 'chamfer its rim');
  await hands.put(hole, 'chamfer of the rim', '0.4');
  await hands.put(hole, 'distance from the left', '28');
  const second = await hands.copyOf(3);
  await hands.put(second, 'distance from the left', '48');
  const third = await hands.copyOf(4);
  await hands.choose(third, 'from which side', 'from the left');
  await hands.choose(third, 'position front to back', 'in from the front');
  await hands.put(third, 'distance from the front', '28');
  const fourth = await hands.copyOf(5);
  await hands.put(fourth, 'distance from the front', '48');
  await expect(page.locator('[data-step]')).toHaveCount(6);
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect(fails(page)).toHaveCount(0);
  expect(hands.actions).toBeLessThanOrEqual(55);
  const { name, text } = await hands.exported('STEP, with true surfaces');
  expect(name).toMatch(/\.step$/);
  // Four holes, five outer corners and the inner one.
  expect(text.split('=CYLINDRICAL_SURFACE(').length - 1).toBeGreaterThanOrEqual(10);
  // One number makes both legs longer.
  await hands.put(page.getByRole('region', { name: 'Measures' }), 'a', '80');
  await expect(hand.foot(page)).toContainText('80 × 80 × 24');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await saved(page);

  // The same part on a sheet for the folder: the number of its legs may be off by a little, which the sheet says.
  const measures = page.getByRole('region', { name: 'Measures' });
  await measures.getByRole('button', { name: 'Say how far a may be off' }).click();
  await hands.put(measures, 'how far a may be off, 0 for not said', '0,15');
  const sheet = await hand.exported(page, 'Drawing sheet, SVG');
  expect(sheet.name).toMatch(/\.svg$/);
  const titles = [
    ...Buffer.from(sheet.text, 'latin1')
      .toString('utf8')
      .matchAll(/<title>(.*?)<\/title>/g),
  ];
  expect(titles.map(([, words]) => words)).toEqual(
    expect.arrayContaining(['80 ± 0.15', '24', 'R 3', 'a = 80 ± 0.15', 'Greta']),
  );
  expect((await hand.exported(page, 'Drawing sheet, PDF')).text.slice(0, 5)).toBe('%PDF-');
  await page.getByRole('button', { name: 'Export' }).click();
  const dialog = page.getByRole('dialog', { name: 'Export this part' });
  await expect(dialog.getByRole('img', { name: 'How the sheet looks' })).toBeVisible();
  await dialog.getByLabel('Scale').selectOption({ label: '5 : 1' });
  await expect(dialog.getByRole('alert')).toContainText('At 5 : 1 the views do not fit on this sheet.');
});

test('a tag like a cloud, in two scripts and two colours, in thirty-one actions', async ({ as }) => {
  const page = await as('greta');
  await hand.emptyBench(page);
  const hands = new Hands(page);
  const cloud = await hands.add('Extrude a shape');
  await hands.put(cloud, 'width', '64');
  await hands.put(cloud, 'depth', '22');
  await hands.put(cloud, 'corner radius', '11');
  await hands.choose(cloud, 'shape', 'a combined outline');
  await hands.put(cloud, 'diameter', '24');
  await hands.press('Put the pieces together on the plan', cloud);
  await hands.drag('B', -64, 8);
  await hands.press('copy B');
  await hands.drag('C', -6, 4);
  await hands.press('copy C');
  await hands.drag('D', -5, -4);
  await hands.press('copy D');
  await hands.drag('E', -14, -5);
  await hands.press('Done');
  await hands.more(cloud, 'round the corners');
  await hands.choose(cloud, 'which corners', 'inner corners');
  await expect(cloud.getByRole('alert')).toHaveCount(0);

  const loop = await hands.add('Add an eyelet');
  await expect(loop.getByRole('alert')).toHaveCount(0);

  const words = await hands.add('Write letters');
  hands.actions++;
  await words.getByRole('textbox', { name: 'words to write' }).fill('Rain\nДождь');
  await hands.choose(words, 'placed on', 'step 1');
  await hands.choose(words, 'sized by', 'as large as fits');
  await expect(words).toContainText(/As large as fits, they are \d+(\.\d)? mm tall\./);

  const colours = await hands.add('Choose colours');
  await hands.choose(colours, 'colour', 'ink blue');
  await hands.more(colours, 'another colour from some height up');
  await hands.choose(colours, 'from where', 'the bottom of step 3');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect(fails(page)).toHaveCount(0);
  expect(hands.actions).toBeLessThanOrEqual(31);
  const { text } = await hands.exported('STL, as text');
  expect(text.match(/endfacet/g)!.length).toBeGreaterThan(1000);
  await saved(page);
});

test('five trial rings from one table of sizes, in twelve actions', async ({ as }) => {
  const page = await as('luca');
  await hand.emptyBench(page);
  const hands = new Hands(page);
  await hands.press('Add a measure');
  const ring = await hands.add('Extrude a shape: a ring');
  await hands.put(ring, 'outer diameter', 'a + 5');
  await hands.put(ring, 'inner diameter', 'a');
  await hands.put(ring, 'height', '6');
  await hands.more(ring, 'chamfer or round the top edge');
  await hands.put(ring, 'size at the top edge', '0.6');
  await hands.press('Add a part');
  await page.getByText('A family of sizes').click();
  const family = page.getByRole('dialog', { name: 'A family of sizes' });
  await family.getByRole('textbox').fill('8\n8,2\n8.4\n8.6 mm\n0.88 cm');
  await family.getByRole('button', { name: 'Make 5 parts' }).click();
  hands.actions += 3;
  const parts = page.getByRole('region', { name: 'Parts' });
  for (const [size, across] of [
    ['8', '13'],
    ['8.2', '13.2'],
    ['8.8', '13.8'],
  ]) {
    await parts.getByRole('button', { name: `Label ${size}`, exact: true }).click();
    await expect(hand.foot(page)).toContainText(`${across} × ${across} × 6`);
  }
  await expect(fails(page)).toHaveCount(0);
  expect(hands.actions).toBeLessThanOrEqual(12);
  const { text } = await hands.exported('STEP of all parts together');
  expect(text.split('NEXT_ASSEMBLY_USAGE_OCCURRENCE').length - 1).toBe(6);
  expect(text).toContain("'Label 8.4'");
  await saved(page);
});
