import { standpoint } from '../../app/src/lib/ui/solidView/views.ts';
import { add, choose, emptyBench, exported, foot, more, put } from './byHand.ts';
import { expect, saved, test } from './kelbrin.ts';

test.use({ file: 'building' });

/** How wide the view of the solid opens, and how high the floor of a pocket lies that is as deep as a new one. */
const FOV_DEG = 32;
const FLOOR_MM = 12 - 2.6;

test('a box with rounded edges and a pocket that begins flush has its edges chosen by word, by list and on the solid', async ({
  as,
}) => {
  const page = await as('elif');
  await emptyBench(page);
  const box = await add(page, 'Place a ready solid');
  await put(box, 'width', '40');
  await put(box, 'depth', '30');
  await put(box, 'height', '12');
  await more(box, 'round its edges');
  await choose(box, 'which edges', 'upright edges');
  await put(box, 'size at the edges', '4');
  const pocket = await add(page, 'Extrude a shape');
  await put(pocket, 'width', '30');
  await put(pocket, 'depth', '20');
  await choose(pocket, 'add, cut or keep', 'Cut');
  await expect(pocket.getByRole('alert')).toHaveCount(0);
  await expect(foot(page)).toContainText('40 × 30 × 12');

  // By word: what stands on the plate keeps its sharp edge.
  const rim = await add(page, 'Round or slope edges');
  await choose(rim, 'which edges', 'the edges around the top');
  await put(rim, 'size at the edges', '0.8');
  const size = rim.getByRole('spinbutton', { name: 'size at the edges' });
  await size.fill('9');
  await size.press('Enter');
  await expect(rim.getByRole('alert')).toContainText('that fits at these edges is');
  await put(rim, 'size at the edges', '0.8');

  // One by one: on the solid, and in the list.
  const foil = await add(page, 'Round or slope edges');
  await choose(foil, 'which edges', 'the chosen edges');
  await expect(foil).toContainText('Choose the edges');
  const which = foil.getByRole('button', { name: /^edges to choose/ });
  await page.getByRole('button', { name: 'Top', exact: true }).click();
  await which.click();
  await foil
    .getByRole('checkbox', { name: /^step 1: / })
    .first()
    .setChecked(true);
  await page.keyboard.press('Escape');
  await expect(which).toHaveText('(1)');
  // Seen from above, the floor of the pocket has its left edge here.
  const view = (await page.getByTestId('solid-view').locator('canvas').boundingBox())!;
  const { eye } = standpoint(
    { name: 'Top', turns: 0 },
    { min: [-20, -15, 0], max: [20, 15, 12] },
    FOV_DEG,
    view.width / view.height,
  );
  const pxPerMm = view.height / 2 / Math.tan((FOV_DEG * Math.PI) / 360) / (eye.z - FLOOR_MM);
  await page.mouse.click(view.x + view.width / 2 - 15 * pxPerMm, view.y + view.height / 2);
  await expect(which).toHaveText('(2)');
  await choose(foil, 'what is done to the edges', 'Slope');
  await put(foil, 'size at the edges', '0.5');
  await expect(foil.getByRole('alert')).toHaveCount(0);

  const { text } = await exported(page, 'STL, as text');
  expect(text.match(/endfacet/g)!.length).toBeGreaterThan(200);
  await saved(page);
});
