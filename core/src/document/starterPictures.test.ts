import { decode } from 'fast-png';
import { readdirSync, readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { starters } from '../starters/index.ts';
import { starterPictures } from './starterPictures.ts';

const folder = new URL('../../../app/static/starters/', import.meta.url);

it('every example has a picture of how it is now, and nothing else has; ./run docs draws them', async () => {
  const pictures = starterPictures(await nodeWorkshop());
  expect(readdirSync(folder).sort()).toEqual(starters.map(({ id }) => `${id}.png`).sort());
  for (const [name, drawn] of pictures) {
    const [kept, now] = [decode(readFileSync(new URL(name, folder))), decode(drawn)];
    expect([kept.width, kept.height]).toEqual([now.width, now.height]);
    // An edge may fall on another pixel with another build of the kernel; another part would differ by more.
    const other = kept.data.filter((value, i) => Math.abs(value - now.data[i]) > 40).length;
    expect(other / kept.data.length, name).toBeLessThan(0.005);
  }
});
