import { expectNoSeriousFault } from './accessibility.ts';
import { confirmStart, expect, printOn, test } from './kelbrin.ts';

// Slow enough that there is something to watch.
test.use({ file: 'grow', printerSpeed: 40 });

test('a student watches their part grow, line by line, and sees it again afterwards; nobody else does', async ({
  as,
}) => {
  const helper = await as('helper');
  await helper.goto('/queue');
  await printOn(helper, 'Femi', 'Birch');
  await confirmStart(helper);
  await helper.waitForURL('**/print-room');
  const birch = helper.locator('[data-printer=Birch]');
  await expect(birch.getByTestId('doing')).toHaveText(/heating|printing/);

  const femi = await as('femi');
  await femi.goto('/home');
  await femi.getByRole('link', { name: 'Watch it grow' }).click();
  await femi.waitForURL('**/grow/*');
  const percent = async () => Number(await femi.getByRole('progressbar').getAttribute('aria-valuenow'));
  await expect(femi.getByTestId('left')).toContainText('left');
  await expect(femi.getByTestId('grown')).toContainText(/layer \d+ of \d+/);
  const first = await percent();
  await expect.poll(percent, { timeout: 60_000 }).toBeGreaterThan(first);
  // The lines that are laid stand on the slate of the plate: the picture is of more than one colour.
  const colours = await femi.getByTestId('grow').evaluate((canvas: HTMLCanvasElement) => {
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
    const seen = new Set<number>();
    for (let i = 0; i < data.length; i += 4) seen.add((data[i] << 16) + (data[i + 1] << 8) + data[i + 2]);
    return seen.size;
  });
  expect(colours).toBeGreaterThan(3);
  await expectNoSeriousFault(femi, 'a part that grows');

  // The address is no secret, and opens to nobody whose part is not on the plate.
  const other = await as('noor');
  expect((await other.goto(femi.url()))!.status()).toBe(404);
  const link = birch.getByRole('link', { name: 'Watch it grow' });
  await link.click();
  await expect(helper.getByTestId('grown')).toContainText(/layer \d+ of \d+/);
  await helper.goBack();

  await helper.context().setOffline(true);
  await helper.context().setOffline(false);
  await expect(femi.getByTestId('left')).toHaveText('printed', { timeout: 170_000 });
  expect(await percent()).toBe(100);
  await femi.getByRole('button', { name: 'See it again from the start' }).click();
  await expect(femi.getByTestId('left')).toHaveText('seen again');
  expect(await percent()).toBeLessThan(100);
});
