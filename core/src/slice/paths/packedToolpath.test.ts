import fc from 'fast-check';
import { expect, it } from 'vitest';
import { packed, unpacked } from './packedToolpath.ts';
import { roles, type Layer, type Path, type Toolpath } from './toolpath.ts';

const number = fc.double({ noNaN: true, noDefaultInfinity: true });
const places = fc.array(fc.tuple(number, number), { maxLength: 6 });
const path: fc.Arbitrary<Path> = fc.record(
  {
    role: fc.constantFrom(...roles),
    points: places,
    closed: fc.boolean(),
    widthMm: number,
    way: places,
  },
  { requiredKeys: ['role', 'points', 'closed', 'widthMm'] },
);
const layer: fc.Arbitrary<Layer> = fc.record({
  zMm: number,
  thickMm: number,
  pace: number,
  paths: fc.array(path, { maxLength: 5 }),
});
const spots = fc.array(fc.tuple(number, number, number), { maxLength: 3 });
const toolpath: fc.Arbitrary<Toolpath> = fc.record(
  {
    layers: fc.array(layer, { maxLength: 6 }),
    supports: fc.record({ unheld: spots, closedIn: spots }),
  },
  { requiredKeys: ['layers'] },
);

it('a packed toolpath is the same when it is unpacked, to the last digit, also after it went to another thread', () => {
  fc.assert(
    fc.property(toolpath, (before) => {
      expect(unpacked(structuredClone(packed(before)))).toEqual(before);
    }),
  );
});

it('a way without corners is not taken for one that nobody knows', () => {
  const [straight, unknown] = unpacked(
    packed({
      layers: [
        {
          zMm: 0.2,
          thickMm: 0.2,
          pace: 1,
          paths: [
            { role: 'wall', points: [[1, 2]], closed: false, widthMm: 0.4, way: [] },
            { role: 'wall', points: [[3, 4]], closed: false, widthMm: 0.4 },
          ],
        },
      ],
    }),
  ).layers[0].paths;
  expect(straight.way).toEqual([]);
  expect(unknown.way).toBeUndefined();
});
