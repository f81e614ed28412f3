import { decode } from 'fast-png';
import { readdirSync, readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { stepKinds } from '../recipe/index.ts';
import { PICTURE_PX } from './stepPictures.ts';

const folder = new URL('../../../docs/recipe/', import.meta.url);

it('every kind of step has a picture, and no other has; ./run docs draws them', () => {
  expect(readdirSync(folder).sort()).toEqual(stepKinds.map(({ kind }) => `${kind}.png`).sort());
  for (const { kind } of stepKinds) {
    const { width, height, data } = decode(readFileSync(new URL(`${kind}.png`, folder)));
    expect([width, height]).toEqual([PICTURE_PX.widthPx, PICTURE_PX.heightPx]);
    // Something stands on the ground.
    expect(new Set(data).size).toBeGreaterThan(20);
  }
});
