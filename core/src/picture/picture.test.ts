import { decode } from 'fast-png';
import { beforeAll, expect, it } from 'vitest';
import { madeWith } from '../../test/solids.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import type { Kernel } from '../solid/index.ts';
import { drawPng } from './index.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

const options = { widthPx: 120, heightPx: 80, colour: '#17695b', ground: '#ffffff' };

it('draws the part in its colour in the middle and the ground at the corners', () => {
  const cube = madeWith(kernel, ({ Manifold }) => Manifold.cube([20, 20, 20]));
  const { width, height, data } = decode(drawPng(cube, options));
  const pixel = (x: number, y: number) => [...data.slice(3 * (y * width + x), 3 * (y * width + x) + 3)];
  expect([width, height]).toEqual([120, 80]);
  expect(pixel(1, 1)).toEqual([255, 255, 255]);
  const [red, green, blue] = pixel(60, 40);
  expect(green).toBeGreaterThan(blue);
  expect(blue).toBeGreaterThan(red);
});

it('draws an empty part as bare ground', () => {
  const { data } = decode(
    drawPng({ positions: new Float32Array(0), triangles: new Uint32Array(0) }, options),
  );
  expect(new Set(data)).toEqual(new Set([255]));
});

it('draws the part in the colours that it is wished in, by height', () => {
  const cube = madeWith(kernel, ({ Manifold }) => Manifold.cube([20, 20, 20]));
  const colours = [
    { fromMm: 0, colour: 'brickRed' as const },
    { fromMm: 10, colour: 'inkBlue' as const },
  ];
  const { width, height, data } = decode(drawPng(cube, { ...options, colours }));
  const column = Array.from({ length: height }, (_, y) => [
    ...data.slice(3 * (y * width + 60), 3 * (y * width + 60) + 3),
  ]);
  const isRed = column.map(([red, , blue]) => red > blue + 20);
  const isBlue = column.map(([red, , blue]) => blue > red + 20);
  expect(isBlue.indexOf(true)).toBeGreaterThan(0);
  expect(isRed.indexOf(true)).toBeGreaterThan(isBlue.lastIndexOf(true));
});
