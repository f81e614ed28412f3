import { add, choose, clickDrawing, emptyBench, exported, foot, more, put } from './byHand.ts';
import { expect, saved, test } from './kelbrin.ts';

test.use({ file: 'building' });

test('a row label with letters and an eyelet', async ({ as }) => {
  const page = await as('luca');
  await emptyBench(page);
  const plate = await add(page, 'Extrude a shape');
  await put(plate, 'width', '60');
  await put(plate, 'depth', '18');
  await more(plate, 'chamfer or round the top edge');
  await put(plate, 'size at the top edge', '0.5');
  const loop = await add(page, 'Add an eyelet');
  await put(loop, 'diameter of the hole', '5');
  const words = await add(page, 'Write letters');
  await words.getByRole('textbox', { name: 'words to write' }).fill('Row 7');
  await words.getByRole('combobox', { name: 'placed on' }).selectOption({ label: 'step 1' });
  await more(words, 'put it in the middle of the free space');
  // 60 mm of plate, and 10 mm of eyelet that overlap it by 2.5 mm.
  await expect(foot(page)).toContainText('67.5 × 18 × 3.8');
  await expect(page.getByRole('region', { name: 'Inspection' }).locator('[data-verdict=fail]')).toHaveCount(
    0,
  );
  const { name, text } = await exported(page, '3MF, with the recipe inside');
  expect(name).toMatch(/^Seed-tray-labels_Luca_Label_v\d+\.3mf$/);
  const bytes = Buffer.from(text, 'latin1');
  expect(bytes.subarray(0, 2).toString()).toBe('PK');

  // The recipe inside is a part again, as it was.
  await page
    .getByLabel('File of a part')
    .setInputFiles({ name: 'Row label.3mf', mimeType: 'model/3mf', buffer: bytes });
  const parts = page.getByRole('region', { name: 'Parts' });
  await expect(parts.getByLabel('name of the part')).toHaveValue('Row label');
  await expect(foot(page)).toContainText('67.5 × 18 × 3.8');
  await expect(page.getByRole('textbox', { name: 'words to write' })).toHaveValue('Row 7');
  await saved(page);
});

test('a turned pot foot with six notches', async ({ as }) => {
  const page = await as('maren');
  await emptyBench(page);
  const foot1 = await add(page, 'Turn a profile');
  await foot1.getByRole('button', { name: 'Draw the outline on the plan' }).click();
  const points = page.getByRole('group', { name: 'Points' });
  for (const [point, x, y] of [[2, 20, 0], [3, 20, 6], [4, 16, 12], [5, 0, 12]] as const) {
    await put(points, `point ${point}, distance from the axis`, String(x));
    await put(points, `point ${point}, height`, String(y));
  } // oxfmt-ignore
  await points.getByRole('button', { name: 'Delete point 6' }).click();
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(foot(page)).toContainText('40 × 40 × 12');

  const notch = await add(page, 'Extrude a shape');
  await choose(notch, 'shape', 'a circle');
  await choose(notch, 'add, cut or keep', 'Cut');
  await put(notch, 'diameter', '6');
  await choose(notch, 'how deep', 'right through');
  await choose(notch, 'position left to right', 'right of the middle of the plate');
  await put(notch, 'distance, left to right', '20');
  const ring = await add(page, 'Repeat steps');
  await choose(ring, 'how it is repeated', 'around an axis');
  await ring.getByRole('button', { name: /^steps to repeat/ }).click();
  await ring.getByRole('checkbox', { name: 'step 1' }).setChecked(false);
  await ring.getByRole('checkbox', { name: 'step 2' }).setChecked(true);
  await page.keyboard.press('Escape');
  await expect(ring.getByRole('alert')).toHaveCount(0);
  await expect(foot(page)).toContainText('39.5 × 40 × 12');
  const { text } = await exported(page, 'STL, as text');
  expect(text.match(/endfacet/g)!.length).toBeGreaterThan(500);
  await saved(page);
});

test('a hose hook with a gusset and two screw holes', async ({ as }) => {
  const page = await as('asha');
  await emptyBench(page);
  const plate = await add(page, 'Extrude a shape');
  await put(plate, 'width', '60');
  await put(plate, 'depth', '30');
  await put(plate, 'height', '4');
  await put(plate, 'corner radius', '0');
  await more(plate, 'round the corners');
  await choose(plate, 'which corners', 'the corners');
  await expect(plate).toContainText('Choose the corners');
  // Two are tapped on the plan; one of them is left out again by the list, and another ticked.
  const which = plate.getByRole('button', { name: /^corners to choose/ });
  await which.click();
  await plate.getByRole('button', { name: 'Tap them on the plan' }).click();
  for (const number of [1, 2]) await page.locator(`[data-corner="${number}"]`).click();
  await expect(which).toHaveText('1 and 2');
  await which.click();
  await plate.getByRole('checkbox', { name: '1, an outer corner' }).setChecked(false);
  await plate.getByRole('checkbox', { name: '4, an outer corner' }).setChecked(true);
  await page.keyboard.press('Escape');
  await expect(which).toHaveText('2 and 4');
  const radius = plate.getByRole('spinbutton', { name: 'size at the corners' });
  await radius.fill('40');
  await radius.press('Enter');
  await expect(plate.getByRole('alert')).toContainText(
    'largest rounding that fits at these corners is 30 mm',
  );
  await put(plate, 'size at the corners', '6');
  await page.getByRole('button', { name: 'Solid large' }).click();
  const arm = await add(page, 'Place a ready solid');
  await more(arm, 'round its edges');
  await choose(arm, 'which edges', 'edges around its top');
  await put(arm, 'width', '6');
  await put(arm, 'depth', '20');
  await put(arm, 'height', '30');
  const gusset = await add(page, 'Place a ready solid: wedge');
  await gusset.getByRole('button', { name: 'Say where it is instead' }).click();
  await put(gusset, 'width', '12');
  await put(gusset, 'depth', '4');
  await put(gusset, 'height', '16');
  await gusset.getByRole('combobox', { name: 'placed on' }).selectOption({ label: 'step 2' });
  await choose(gusset, 'position left to right', 'overlapping the right by');
  await choose(gusset, 'position bottom to top', 'above the plate at its bottom');
  await put(gusset, 'height above the plate', '3.5');
  const screw = await add(page, 'Cut a hole');
  await choose(screw, 'sized by', 'for a screw');
  // It went to what is free beside the arm.
  await screw.getByRole('button', { name: 'Say where it is instead' }).click();
  await expect(screw.getByRole('combobox', { name: 'placed on' })).toHaveValue('1');
  await put(screw, 'distance from the left', '8');
  await more(screw, 'countersink it');
  const mirror = await add(page, 'Repeat steps');
  await choose(mirror, 'how it is repeated', 'in a mirror');
  await mirror.getByRole('button', { name: /^steps to repeat/ }).click();
  for (const label of ['step 1', 'step 2', 'step 3', 'step 4']) {
    await mirror.getByRole('checkbox', { name: label }).setChecked(label === 'step 4');
  }
  await page.keyboard.press('Escape');
  const holes = page.getByRole('region', { name: 'Inspection' }).locator('[data-check=hole]');
  await expect(holes).toContainText('Ø 4.5 mm');
  await expect(holes).toContainText('2 places');
  const { text } = await exported(page, 'OBJ');
  expect(text).toContain('\nf ');

  await page.getByRole('button', { name: 'Add a measure' }).click();
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByText('A family of sizes').click();
  const family = page.getByRole('dialog', { name: 'A family of sizes' });
  await expect(family).toContainText('No sentence uses “a” yet');
  await family.getByRole('textbox').fill('19,90x');
  await expect(family.getByRole('alert')).toContainText('Line 1');
  await family.getByRole('textbox').fill('19,90 1in');
  await family.getByRole('button', { name: 'Make 2 parts' }).click();
  await page.getByRole('region', { name: 'Parts' }).getByRole('button', { name: 'Label 25.4' }).click();
  await expect(page.getByRole('spinbutton', { name: 'a', exact: true })).toHaveValue('25.4');
  await saved(page);
});

test('a wind spinner of fins with a flat base, and all of it taken back', async ({ as }) => {
  const page = await as('dario');
  await emptyBench(page);
  const fin = await add(page, 'Extrude a shape');
  await choose(fin, 'shape', 'an ellipse');
  await put(fin, 'width', '50');
  await put(fin, 'depth', '40');
  await choose(fin, 'which way', 'towards the front');
  await put(fin, 'height', '1.6');
  await expect(foot(page)).toContainText('50 × 1.6 × 40');
  const around = await add(page, 'Repeat steps');
  await choose(around, 'how it is repeated', 'around an axis');
  await put(around, 'number around the axis', '3');
  await put(around, 'angle they are spread over', '120');
  const flat = await add(page, 'Trim off a side');
  await put(flat, 'where the cut lies', '4');
  await expect(foot(page)).toContainText('× 36');
  await expect(page.locator('[data-check=base] [data-verdict=pass]')).toBeVisible();
  const { text } = await exported(page, 'SVG of the section where it is cut');
  expect(text).toContain('<svg');

  const undo = page.getByRole('button', { name: 'Undo' });
  while (await undo.isEnabled()) await undo.click();
  await expect(page.getByRole('textbox', { name: 'words to write' })).toHaveValue('Chives');
  const redo = page.getByRole('button', { name: 'Redo' });
  while (await redo.isEnabled()) await redo.click();
  await expect(foot(page)).toContainText('× 36');
});

test('a mirrored outline is drawn on the plan and extruded', async ({ as }) => {
  const page = await as('elif');
  await emptyBench(page);
  const shape = await add(page, 'Extrude a shape');
  await choose(shape, 'shape', 'a drawn outline');
  await shape.getByRole('button', { name: 'Draw the outline on the plan' }).click();
  await page.getByRole('checkbox', { name: 'Mirrored' }).check();
  await page.getByRole('button', { name: 'Start again' }).click();
  await clickDrawing(page, [0, 0], [10, 0], [10, 15], [0, 20]);
  await expect(page.getByRole('group', { name: 'Points' }).getByRole('row')).toHaveCount(5);
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(foot(page)).toContainText('20 × 20 × 2.6');
});

test('a file is imported, and one that is no solid is refused in a sentence', async ({ as }) => {
  const page = await as('greta');
  await emptyBench(page);
  const file = await add(page, 'Import a file');
  await expect(file.getByRole('alert')).toContainText('Choose a file to import');
  const corners = [[0, 0, 0], [2, 0, 0], [0, 2, 0], [0, 0, 2]]; // oxfmt-ignore
  const obj = (faces: number[][]) =>
    [...corners.map((each) => `v ${each.join(' ')}`), ...faces.map((each) => `f ${each.join(' ')}`)].join(
      '\n',
    );
  const upload = async (name: string, content: string) => {
    const choosing = page.waitForEvent('filechooser');
    await file.getByRole('button', { name: 'file to import' }).click();
    await (await choosing).setFiles({ name, mimeType: 'model/obj', buffer: Buffer.from(content) });
  };
  await upload('open.obj', obj([[1, 3, 2]]));
  await expect(file.getByRole('alert')).toContainText('open.obj: the surface in the file does not close');
  await upload('corner.obj', obj([[1, 3, 2], [1, 2, 4], [2, 3, 4], [3, 1, 4]])); // oxfmt-ignore
  // Two units large is too small for millimetres.
  await expect(foot(page)).toContainText('50.8 × 50.8 × 50.8');
  await expect(file).toContainText('looked like in');
});

test('an outline comes from a drawing as it looks, and what it leaves out is said', async ({ as }) => {
  const page = await as('hugo');
  await emptyBench(page);
  const shape = await add(page, 'Extrude a shape');
  await choose(shape, 'shape', 'a drawing from a file');
  const drawing = `<svg xmlns="http://www.w3.org/2000/svg" width="40mm" height="20mm" viewBox="0 0 40 20">
    <style>.hole { fill: white }</style><rect width="40" height="20"/><circle class="hole" cx="10" cy="10" r="5"/>
    <text x="20" y="10">Fern</text></svg>`;
  const choosing = page.waitForEvent('filechooser');
  await shape.getByRole('button', { name: 'Choose an SVG file' }).click();
  await (
    await choosing
  ).setFiles({ name: 'sign.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(drawing) });
  await expect(foot(page)).toContainText('40 × 20 × 2.6');
  // 40 × 20 less a circle of 5, 2.6 high.
  await expect(foot(page)).toContainText('1.88 cm³');
  await expect(shape).toContainText('A text is left out: turn it into paths first.');
  await expect(shape).toContainText('White is taken as paper');
});
