import { beforeAll, describe, expect, it } from 'vitest';
import { built, recipeWith, stepOf } from '../../../test/evaluated.ts';
import { madeWith } from '../../../test/solids.ts';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { classroomLimits } from '../../inspect/index.ts';
import { volumeOf, type SolidMesh } from '../../mesh/index.ts';
import { toEdgeMm, type Point, type Region } from '../../plane/index.ts';
import { fontNames, thinnestStroke, type FontName } from '../../letters/index.ts';
import { centredOn, onTop } from '../../recipe/index.ts';
import { inScope, Sections, type Workshop } from '../../solid/index.ts';
import { starters } from '../../starters/index.ts';
import { fillLines } from './fillLines.ts';
import { lengthAlong } from '../paths/lengths.ts';
import { everydaySettings, slice, type Layer, type Path, type PrintSettings } from '../index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const settings: PrintSettings = { ...everydaySettings, skirtLines: 0 };
const full: PrintSettings = { ...settings, infillShare: 1 };
const sum = (values: number[]) => values.reduce((a, b) => a + b, 0);
const laidMm3 = ({ paths, thickMm }: Layer) =>
  sum(paths.map((path) => lengthAlong(path) * path.widthMm * thickMm));

describe('the plastic of a part that is filled is the part', () => {
  it.each(starters.map(({ title, recipe }) => ({ title, recipe })))('$title', ({ recipe }) => {
    const { mesh } = built(workshop, recipe);
    const share = sum(slice(workshop.kernel, mesh, full).layers.map(laidMm3)) / volumeOf(mesh);
    expect(share).toBeGreaterThan(0.98);
    expect(share).toBeLessThan(1.02);
  });
});

describe('an island that is hardly longer than thin', () => {
  it.each([
    [0.5, 0.4, 0],
    [0.4, 0.5, 1],
  ])('of %f by %f mm is a dot drawn along its longer side', (widthMm, depthMm, axis) => {
    const { layers } = slice(
      workshop.kernel,
      madeWith(workshop.kernel, ({ Manifold }) => Manifold.cube([widthMm, depthMm, 2])),
      settings,
    );
    const { paths } = layers[4];
    expect(paths).toHaveLength(1);
    const [[from, to]] = paths.map(({ points }) => points);
    expect(Math.abs(to[axis] - from[axis])).toBeGreaterThan(3 * Math.abs(to[1 - axis] - from[1 - axis]));
    const share = laidMm3(layers[4]) / (widthMm * depthMm * 0.2);
    expect(share).toBeGreaterThan(0.75);
    expect(share).toBeLessThan(1.02);
  });
});

describe('a wall', () => {
  const wall = (thickMm: number) =>
    slice(
      workshop.kernel,
      madeWith(workshop.kernel, ({ Manifold }) => Manifold.cube([30, thickMm, 6])),
      settings,
    ).layers[10].paths;

  /** How many lines lie beside each other across the middle of the wall, and how wide they are. */
  const across = (paths: readonly Path[]) => {
    const widths: number[] = [];
    for (const { points, closed, widthMm } of paths) {
      const way = closed ? [...points, points[0]] : points;
      for (let i = 1; i < way.length; i++) {
        if (way[i - 1][0] < 15 !== way[i][0] < 15) widths.push(widthMm);
      }
    }
    return widths;
  };

  it.each([1, 2, 3, 4])('of %d lines is printed as such', (lines) => {
    const widths = across(wall(lines * settings.lineWidthMm));
    expect(widths).toHaveLength(lines);
    for (const widthMm of widths) expect(widthMm / settings.lineWidthMm).toBeCloseTo(1, 1);
  });

  it.each([0.3, 0.6, 0.8, 1.1, 1.2, 1.6, 1.9, 2.1])('of %f mm has lines that fill it', (thickMm) => {
    const paths = wall(thickMm);
    expect(sum(across(paths))).toBeGreaterThan(0.9 * thickMm);
    const laid = sum(paths.map((path) => lengthAlong(path) * path.widthMm));
    expect(laid / (30 * thickMm)).toBeGreaterThan(0.95);
    expect(laid / (30 * thickMm)).toBeLessThan(1.03);
  });

  it('that is thinner than plastic can be is left out', () => {
    for (const thickMm of [0.05, 0.1, 0.13]) expect(wall(thickMm)).toEqual([]);
    expect(wall(0.17)).not.toEqual([]);
  });

  it('has a pin in full, though it is as short as it is thin', () => {
    const pin = madeWith(workshop.kernel, ({ Manifold }) => Manifold.cube([0.5, 0.5, 6]));
    const { layers } = slice(workshop.kernel, pin, settings);
    for (const layer of layers) expect(laidMm3(layer) / (0.25 * layer.thickMm)).toBeCloseTo(1, 0);
  });
});

describe('the letters of every font, at the smallest size that passes the inspection', () => {
  const capitalsMm = (font: FontName) =>
    Math.ceil((10 * classroomLimits.minWallMm) / thinnestStroke(font, '')) / 10;

  it.each(Object.keys(fontNames) as FontName[])('%s have no stroke missing', (font) => {
    const recipe = recipeWith([
      stepOf('extrude', 'plate', undefined, {
        outline: { shape: 'roundedRectangle', widthMm: 260, depthMm: 60, cornerMm: 2 },
        depth: { type: 'by', mm: 0.4 },
      }),
      stepOf('letters', 'words', 'plate', {
        lettering: {
          words: 'ABCDEFGHIJKLMN\nOPQRSTUVWXYZ\nabcdefghijklmn',
          font,
          size: { by: 'height', mm: capitalsMm(font) },
        },
        byMm: 0.4,
        placement: centredOn('plate', onTop),
      }),
    ]);
    const { mesh } = built(workshop, recipe);
    const { layers } = slice(workshop.kernel, mesh, settings);
    const top = layers[layers.length - 1];
    expect(bareIn(mesh, top)).toEqual([]);
  });
});

/** Points of a layer's section that lie further from every line than plastic reaches, on a grid. */
function bareIn(mesh: SolidMesh, { zMm, thickMm, paths }: Layer): Point[] {
  // The very edge, where corners are rounded by the nozzle, is left out.
  const section = inScope((scope): Region =>
    new Sections(workshop.kernel, scope, mesh)
      .at(scope, zMm - thickMm / 2)
      .grown(-0.12)
      .outlines(),
  );
  const pieces = paths.flatMap(({ points, closed, widthMm }) => {
    const way = closed ? [...points, points[0]] : points;
    return way.slice(1).map((to, i) => ({ from: way[i], to, reachMm: widthMm / 2 + 0.15 }));
  });
  // Rows across the section, with the lines that come near each.
  const rows = new Map<number, { xs: number[]; near: typeof pieces }>();
  for (const { points } of fillLines(section, 0, 0.3, 'closed')) {
    const [[fromX, y], [toX]] = points;
    const isNear = ({ from, to, reachMm }: (typeof pieces)[number]) =>
      Math.min(from[1], to[1]) - reachMm <= y && Math.max(from[1], to[1]) + reachMm >= y;
    const row = rows.get(y) ?? { xs: [], near: pieces.filter(isNear) };
    for (let x = Math.min(fromX, toX); x < Math.max(fromX, toX); x += 0.3) row.xs.push(x);
    rows.set(y, row);
  }
  return [...rows].flatMap(([y, { xs, near }]) =>
    xs
      .map((x): Point => [x, y])
      .filter(
        (point) => !near.some(({ from, to, reachMm }) => toEdgeMm(...point, ...from, ...to) <= reachMm),
      ),
  );
}
