import type { Locator, Page } from '@playwright/test';
import * as hand from './byHand.ts';
import { fails, Hands } from './hands.ts';
import { expect, saved, test } from './kelbrin.ts';

test.use({ file: 'building' });

/*
 * How many actions objects of a greenhouse take, each from an empty recipe: presses, choices, drags, clicks and typed values.
 * Brackets, clouds and rings are counted in lessonObjects.spec.ts.
 */

/** The fewest actions that each takes; whoever makes one take more has made the bench worse. */
const most = {
  'bed plaque': 4,
  'leaning bed sign': 4,
  'drop badge with a word from an SVG': 7,
  'shed-key tag': 11,
  'round badge with rim, star and upright loop': 12,
  'leaf silhouette with initials and a ring': 14,
  'wind spinner': 15,
  'tap key of ready solids': 15,
  'row number from a mirrored half, scaled': 16,
  'finial between two sisters': 19,
  'tablet holder with cups on both faces': 18,
} as const;

async function build(
  page: Page,
  name: keyof typeof most,
  flow: (hands: Hands, first: Locator) => Promise<void>,
): Promise<void> {
  await test.step(name, async () => {
    await hand.emptyBench(page);
    const hands = new Hands(page);
    await flow(hands, hand.step(page, 1));
    await expect(page.locator('[data-check=overhang] [data-verdict]').first()).toBeVisible();
    await expect(page.getByRole('alert')).toHaveCount(0);
    await expect(fails(page)).toHaveCount(0);
    expect(hands.actions).toBeLessThanOrEqual(most[name]);
    await saved(page);
  });
}

test('signs and tags take few actions', async ({ as }) => {
  const page = await as('luca');
  await build(page, 'bed plaque', async (hands, plate) => {
    await hands.add('Write letters');
    await hands.write('Herbs');
    await hands.put(plate, 'width', '120');
    await expect(hand.foot(page)).toContainText('120 × 28');
  });
  await build(page, 'leaning bed sign', async (hands, plate) => {
    await hands.add('Sweep along an arc');
    await hands.write('HERBS');
    await hands.put(plate, 'width', '90');
    await expect(hand.foot(page)).toContainText('90 × 28');
  });
  await build(page, 'shed-key tag', async (hands) => {
    const plate = await hands.add('Extrude a shape');
    await hands.put(plate, 'width', '60');
    await hands.put(plate, 'depth', '24');
    await hands.put(plate, 'height', '3');
    await hands.more(plate, 'chamfer or round the top edge');
    await hands.add('Cut a hole');
    await hands.add('Write letters');
    await hands.write('Shed');
    await expect(hand.foot(page)).toContainText('60 × 24 × 4.2');
  });
  await build(page, 'drop badge with a word from an SVG', async (hands) => {
    await hands.add('Extrude a shape: a drop');
    const word = await hands.add('Extrude a shape: a drawing from a file');
    await hands.give(word, 'Choose an SVG file', {
      name: 'ivy.svg',
      text: `<svg xmlns="http://www.w3.org/2000/svg" width="18mm" height="8mm" viewBox="0 0 18 8">
        <path d="M0 0h3v8h-3zM6 0h3v8h-3zM12 0h3v8h-3z"/></svg>`,
    });
    await hands.add('Cut a hole');
  });
});

test('badges, leaves and spinners take few actions', async ({ as }) => {
  const page = await as('maren');
  await build(page, 'round badge with rim, star and upright loop', async (hands) => {
    const disc = await hands.add('Extrude a shape: a circle');
    await hands.put(disc, 'diameter', '40');
    const rim = await hands.add('Extrude a shape: a ring');
    await hands.put(rim, 'outer diameter', '40');
    await hands.put(rim, 'inner diameter', '36');
    await hands.add('Extrude a shape: a star');
    const loop = await hands.add('Add an eyelet');
    await hands.choose(loop, 'how it stands', 'upright, facing the front');
  });
  await build(page, 'leaf silhouette with initials and a ring', async (hands) => {
    await hands.add('Extrude a shape: a drawn outline');
    await hands.check('Mirrored');
    await hands.draw([0, 0], [14, 14], [10, 30], [0, 42]);
    await hands.check('Smooth');
    await hands.press('Done');
    await hands.add('Write letters');
    await hands.write('MK');
    await hands.add('Add an eyelet');
  });
  await build(page, 'wind spinner', async (hands) => {
    const hub = await hands.add('Extrude a shape: a circle');
    await hands.put(hub, 'diameter', '70');
    const hole = await hands.add('Cut a hole');
    await hands.choose(hole, 'position left to right', 'centred left to right');
    const fin = await hands.add('Place a ready solid: box');
    await hands.put(fin, 'width', '22');
    await hands.put(fin, 'depth', '3');
    await hands.put(fin, 'height', '12');
    await hands.press('Say where it is instead', fin);
    await hands.choose(fin, 'position left to right', 'in from the left');
    await hands.add('Repeat steps: around an axis');
  });
  await build(page, 'row number from a mirrored half, scaled', async (hands) => {
    await hands.add('Extrude a shape: a drawn outline');
    await hands.check('Mirrored');
    await hands.draw([0, 0], [12, 0], [16, 10], [10, 22], [6, 40], [0, 50]); // oxfmt-ignore
    await hands.press('Done');
    await hands.add('Write letters');
    await hands.write('7');
    const scale = await hands.add('Scale the part');
    await hands.put(scale, 'size after scaling', '80');
    await expect(hand.foot(page)).toContainText('25.6 × 40');
  });
});

test('turned and built things take few actions', async ({ as }) => {
  const page = await as('greta');
  await build(page, 'finial between two sisters', async (hands) => {
    await hands.add('Turn a profile');
    const notch = await hands.add('Cut away a ready solid');
    await hands.put(notch, 'width', '6');
    await hands.put(notch, 'depth', '3');
    await hands.put(notch, 'height', '8');
    await hands.choose(notch, 'position left to right', 'in from the left');
    await hands.add('Repeat steps: around an axis');
    const measures = page.getByRole('region', { name: 'Measures' });
    await hands.press('Add a measure');
    await hands.put(measures, 'a', '60');
    await hands.press('Add a measure');
    await hands.put(measures, 'b', '90');
    const scale = await hands.add('Scale the part');
    await hands.choose(scale, 'how it is scaled', 'until it is');
    await hands.choose(scale, 'which length', 'high');
    await hands.put(scale, 'length after scaling', '(a + b) / 2');
    await expect(hand.foot(page)).toContainText('× 75 mm');
  });
  await build(page, 'tap key of ready solids', async (hands) => {
    const hub = await hands.add('Place a ready solid: cylinder');
    await hands.put(hub, 'diameter', '24');
    await hands.put(hub, 'height', '18');
    const wing = await hands.add('Place a ready solid: box');
    await hands.put(wing, 'width', '60');
    await hands.put(wing, 'height', '10');
    await hands.choose(wing, 'position bottom to top', 'from the plate');
    const socket = await hands.add('Cut away a ready solid');
    await hands.put(socket, 'width', '8');
    await hands.put(socket, 'height', '12');
    await hands.add('Round or slope edges');
  });
  await build(page, 'tablet holder with cups on both faces', async (hands) => {
    const body = await hands.add('Extrude a shape');
    await hands.put(body, 'width', '90');
    await hands.put(body, 'depth', '50');
    await hands.put(body, 'height', '12');
    const cup = await hands.add('Sink a shape in');
    await hands.choose(cup, 'shape', 'a circle');
    await hands.put(cup, 'depth', '3');
    await hands.add('Repeat steps: on a grid');
    await hands.mark(2);
    const under = await hands.copyOf(2);
    await hands.choose(under, 'from which side', 'from below');
    await hands.add('Repeat steps: on a grid');
    await hands.add('Add an eyelet');
    await expect(hand.foot(page)).toContainText('× 50 × 12');
  });
});
