import { expect, it } from 'vitest';
import { toMillimetres, toPixels, type Sheet } from '../plan/sheet';
import { caught } from './caught';
import { SheetView } from './sheetView.svelte';

const sheet: Sheet = { widthPx: 600, heightPx: 400, pixelsPerMm: 10, middle: [20, 10] };
const pointer = (pointerId: number, clientX: number, clientY: number) =>
  ({
    pointerId,
    clientX,
    clientY,
    currentTarget: { getBoundingClientRect: () => ({ left: 0, top: 0 }) },
  }) as unknown as PointerEvent & { currentTarget: Element };

it('keeps the place under the pointer where it is when looking closer', () => {
  const view = new SheetView();
  const under = toMillimetres(sheet, [120, 70]);
  view.zoom(sheet, [120, 70], 3);
  expect(view.chosen!.pixelsPerMm).toBe(30);
  const [x, y] = toPixels(view.chosen!, under);
  expect([x, y]).toEqual([expect.closeTo(120, 9), expect.closeTo(70, 9)]);
  view.zoom(sheet, [0, 0], 1e9);
  expect(view.chosen!.pixelsPerMm).toBe(200);
});

it('moves and scales the paper with two fingers, and not with one', () => {
  const view = new SheetView();
  expect(view.down(pointer(1, 100, 200))).toBe(false);
  expect(view.follow(sheet, pointer(1, 110, 200))).toBe(false);
  expect(view.down(pointer(2, 300, 200))).toBe(true);
  const under = toMillimetres(sheet, [200, 200]);
  // Both fingers go apart by the same: the place between them stays, and all is twice as large.
  view.follow(sheet, pointer(1, 0, 200));
  view.follow(view.chosen!, pointer(2, 400, 200));
  expect(view.chosen!.pixelsPerMm).toBeCloseTo(20, 9);
  const [x, y] = toPixels(view.chosen!, under);
  expect([x, y]).toEqual([expect.closeTo(200, 6), expect.closeTo(200, 6)]);
  view.up(pointer(2, 400, 200));
  expect(view.follow(view.chosen!, pointer(1, 30, 200))).toBe(false);
});

it('looks closer and at the whole by keys, in a window of any size', () => {
  const view = new SheetView();
  const key = (name: string) => view.key(view.in(sheet), { key: name } as KeyboardEvent);
  expect(key('+')).toBe(true);
  expect(view.in(sheet).pixelsPerMm).toBeCloseTo(12.5, 9);
  expect(view.in({ ...sheet, widthPx: 300 }).widthPx).toBe(300);
  key('-');
  expect(view.in(sheet).pixelsPerMm).toBeCloseTo(10, 9);
  key('0');
  expect(view.in(sheet)).toBe(sheet);
  expect(key('x')).toBe(false);
});

it('catches a place by points and axes, and says by which', () => {
  const found = caught([29.6, 0.3], [[30, 12], [5, 5]], 0.9, 1); // oxfmt-ignore
  expect(found.at).toEqual([30, 0]);
  expect(found.guides.x?.of).toBe('point 1');
  expect(found.guides.y?.of).toBe('base line');
  expect(caught([29.6, 7.2], [[30, 12]], 0.9, 1, 0)).toEqual({ at: [30, 7], guides: {} }); // oxfmt-ignore
});
