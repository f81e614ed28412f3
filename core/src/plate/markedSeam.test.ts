import { expect, it } from 'vitest';
import { built } from '../../test/evaluated.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import { extentOf } from '../plane/index.ts';
import { everydaySettings } from '../slice/index.ts';
import { starters } from '../starters/index.ts';
import { footprintOf, plateToolpath, slicePart } from './index.ts';

it.each([0, 90])('begins lines at the mark of a part that lies turned by %d°', async (turnDeg) => {
  const workshop = await nodeWorkshop();
  const mesh = built(workshop, starters.find(({ title }) => title === 'Leaf badge')!.recipe).mesh;
  const own = { ...everydaySettings, seam: 'spread' as const, seamAtMm: [40, 0] as [number, number] };
  const part = slicePart(workshop.kernel, mesh, own);
  const { layers } = plateToolpath([{ xMm: 100, yMm: 80, turnDeg, part }], everydaySettings);
  const { high } = extentOf(footprintOf(workshop.kernel, mesh)).x;
  // Of the side that the mark is on, counted from the middle of the box.
  for (const { paths } of layers.slice(0, 4)) {
    const begun = paths
      .filter(({ role }) => role === 'wall')
      .map(({ points: [[x, y]] }) => [x - 100, y - 80]);
    expect(Math.max(...begun.map((each) => each[turnDeg === 0 ? 0 : 1]))).toBeGreaterThan(high - 1.5);
  }
});
