import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { madeWith } from '../../../test/solids.ts';
import { classroomLimits } from '../../inspect/index.ts';
import { exampleSheets, isOnPlate, type MachineSheet } from '../../machine/index.ts';
import type { Workshop } from '../../solid/index.ts';
import {
  cannotPrint,
  COLOUR_CHANGE_S,
  estimate,
  FILAMENT_CHANGE_S,
  settingsFor,
  settingsOn,
  slice,
  writeGcode,
  type PrintSettings,
} from '../index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const MATERIALS = ['PLA', 'PETG', 'ABS'] as const;
const all = exampleSheets.flatMap((sheet) =>
  MATERIALS.map((material) => [sheet.name, material, sheet] as const),
);

function printed(
  sheet: MachineSheet,
  material: string,
  change: Partial<PrintSettings> = {},
  colourPlaces: readonly number[] = [],
) {
  const mesh = madeWith(workshop.kernel, ({ Manifold }) =>
    Manifold.cube([24, 16, 2.4], true).translate([0, 0, 1.2]),
  );
  const wanted = { ...settingsFor({ ...classroomLimits, material }), ...change };
  const settings = settingsOn(sheet, wanted, colourPlaces);
  const toolpath = slice(workshop.kernel, mesh, settings);
  const [width, depth] = settings.plateMm;
  const on = { sheet, printer: 'Birch', batch: 'Batch 4', takes: estimate(toolpath, settings) };
  const lines = writeGcode(toolpath, settings, { offsetMm: [width / 2, depth / 2], on }).split('\n');
  return { settings, toolpath, lines };
}

/** Carries lines out as a printer would, and says where it was and how much filament it pushed, mm. */
function carriedOut(lines: readonly string[]) {
  const at = { x: 0, y: 0, z: 0, e: 0, f: 0 };
  let [isPlaceRelative, isFilamentRelative] = [false, false];
  const places: (Record<'x' | 'y' | 'z' | 'mmPerS', number> & {
    isPrinting: boolean;
    /** The way that it moves, sideways before up and down. */
    moves: 'x' | 'z' | 'filament';
  })[] = [];
  let filamentMm = 0;
  for (const line of lines) {
    const words = new Map(
      [...line.replace(/;.*/, '').matchAll(/([A-Z])(-?[\d.]+)/g)].map(([, l, n]) => [l, Number(n)]),
    );
    if (/^G9[01]/.test(line)) isPlaceRelative = line.startsWith('G91');
    if (/^M8[23]/.test(line)) isFilamentRelative = line.startsWith('M83');
    if (line.startsWith('G92')) at.e = words.get('E') ?? at.e;
    if (!/^G[0-3] /.test(line)) continue;
    for (const [letter, axis] of [
      ['X', 'x'],
      ['Y', 'y'],
      ['Z', 'z'],
    ] as const) {
      // oxfmt-ignore
      const to = words.get(letter);
      if (to !== undefined) at[axis] = isPlaceRelative ? at[axis] + to : to;
    }
    at.f = words.get('F') ?? at.f;
    const e = words.get('E');
    const pushed = e === undefined ? 0 : isFilamentRelative ? e : e - at.e;
    at.e += pushed;
    filamentMm += pushed;
    const isSideways = words.has('X') || words.has('Y');
    const moves = isSideways ? 'x' : words.has('Z') ? 'z' : 'filament';
    places.push({
      x: at.x,
      y: at.y,
      z: at.z,
      mmPerS: at.f / 60,
      isPrinting: pushed > 0 && isSideways,
      moves,
    });
  }
  return { places, filamentMm };
}

describe.each(all)('a print on %s in %s', (_, material, sheet) => {
  it('stays on its plate, no faster than it is, and pushes what was reckoned', () => {
    const { settings, toolpath, lines } = printed(sheet, material);
    const { places } = carriedOut(lines);
    for (const { x, y, z, mmPerS, moves } of places) {
      expect(isOnPlate(sheet, x, y), `${x} ${y}`).toBe(true);
      expect(z).toBeLessThanOrEqual(sheet.heightMm);
      expect(mmPerS, moves).toBeLessThanOrEqual(sheet.maxSpeedMmPerS[moves] + 0.01);
    }
    // The part lies in the middle of the plate, wherever that is counted from.
    const laid = places.filter(({ isPrinting }) => isPrinting).map(({ x }) => x);
    const middle = sheet.origin === 'middle' ? 0 : settings.plateMm[0] / 2;
    expect((Math.min(...laid) + Math.max(...laid)) / 2).toBeCloseTo(middle, 1);

    const first = lines.findIndex((line) => line.startsWith('; layer 1 '));
    const last = lines.indexOf('M107', first);
    const own = carriedOut([
      ...lines.slice(0, first).filter((line) => /^M8[23]|^G92/.test(line)),
      ...lines.slice(first, last),
    ]);
    expect(own.filamentMm).toBeCloseTo(estimate(toolpath, settings).filamentMm, 1);
  });

  it('says only what the printer understands', () => {
    const { lines } = printed(sheet, material, { colourChangesMm: [1.2] });
    const { takesAccelerations, takesCorners, takesArcs, retractsByItself, fanFull } = sheet.dialect;
    const has = (code: string) => lines.some((line) => line === code || line.startsWith(`${code} `));
    expect(has('M204')).toBe(takesAccelerations);
    expect(has('M205')).toBe(takesCorners);
    // The corners of the skirt are round.
    expect(has('G2') || has('G3')).toBe(takesArcs);
    expect(has('G10')).toBe(retractsByItself && has('G11'));
    expect(has('M190')).toBe(sheet.heatsPlate);
    expect(has('M600')).toBe(true);
    for (const line of lines.filter((each) => each.startsWith('M106')))
      expect(Number(line.slice(6))).toBeLessThanOrEqual(fanFull);
    expect(lines.join('\n')).not.toMatch(/[{}]|undefined|NaN/);
  });
});

describe('a printer with two filaments', () => {
  const duo = exampleSheets.find(({ filaments }) => filaments === 2)!;
  const twice = { colourChangesMm: [0.8, 1.6] };
  const changes = (lines: readonly string[]) => lines.filter((line) => /^(T\d|M600)/.test(line));

  it('changes from one to the other by itself, and comes back to where it was', () => {
    const { lines } = printed(duo, 'PLA', twice, [0, 1, 0]);
    expect(changes(lines)).toEqual(['T0', 'T1', 'T0']);
    const at = lines.indexOf('T1');
    const before = carriedOut(lines.slice(0, lines.lastIndexOf('G1 E-6 F2100', at))).places.at(-1)!;
    const whole = carriedOut(lines.slice(0, at)).places.length;
    const { places } = carriedOut(lines);
    // Over the plate's edge it lets go of the old colour; from there it goes to its place, and only then down.
    const back = places.findIndex(
      ({ x, y }, i) => i > whole && Math.hypot(x - before.x, y - before.y) < 1e-6,
    );
    expect(places[back].z).toBeGreaterThan(before.z + 1.5);
    expect(places[back + 1].z).toBeCloseTo(before.z, 6);
    expect(places.slice(whole, back).some(({ isPrinting }) => isPrinting)).toBe(false);
  });

  it('begins in the one that is asked for', () => {
    expect(changes(printed(duo, 'PLA', {}, [1]).lines)).toEqual(['T1']);
    const plain = { ...duo, code: { ...duo.code, before: duo.code.before.replace('T{filament}', '') } };
    expect(changes(printed(plain, 'PLA', {}, [1]).lines)).toEqual(['T1']);
    expect(changes(printed(plain, 'PLA', {}, [0]).lines)).toEqual(['T0']);
    expect(changes(printed(plain, 'PLA', {}).lines)).toEqual([]);
  });

  it('stops for a person where both colours come from one place', () => {
    const { lines } = printed(duo, 'PLA', twice, [1, 1, 0]);
    expect(changes(lines)).toEqual(['T1', 'M600', 'T0']);
  });

  it('takes less time than a person, and the filament that it pushes out', () => {
    const of = ({ toolpath, settings }: ReturnType<typeof printed>) => estimate(toolpath, settings);
    const [byHand, byItself] = [of(printed(duo, 'PLA', twice)), of(printed(duo, 'PLA', twice, [0, 1, 0]))];
    expect(byHand.seconds - byItself.seconds).toBeCloseTo(2 * (COLOUR_CHANGE_S - FILAMENT_CHANGE_S), 6);
    expect(byItself.filamentMm - byHand.filamentMm).toBeCloseTo(60, 6);
    expect(byItself.colourGrams.map((grams, i) => grams > byHand.colourGrams[i])).toEqual([
      false,
      true,
      true,
    ]);
  });
});

it('speeds up no quicker than the printer can, and as quick as it is set to where it cannot be told', () => {
  const wanted = settingsFor(classroomLimits);
  const sheetOf = (perS2: number, takesAccelerations: boolean): MachineSheet => ({
    ...exampleSheets[0],
    maxAccelerationMmPerS2: { ...exampleSheets[0].maxAccelerationMmPerS2, x: perS2, y: 2 * perS2 },
    dialect: { ...exampleSheets[0].dialect, takesAccelerations },
  });
  const wallOn = (perS2: number, isTold: boolean) => settingsOn(sheetOf(perS2, isTold), wanted).wallMmPerS2;
  expect(wallOn(wanted.wallMmPerS2 / 2, true)).toBe(wanted.wallMmPerS2 / 2);
  expect(wallOn(wanted.wallMmPerS2 * 2, true)).toBe(wanted.wallMmPerS2);
  expect(wallOn(wanted.wallMmPerS2 * 2, false)).toBe(wanted.wallMmPerS2 * 2);
});

it('is not begun in a material for which the printer does not become hot enough', () => {
  const sprout = exampleSheets.find(({ name }) => name === 'Sprout 120')!;
  expect(cannotPrint(sprout, settingsFor({ ...classroomLimits, material: 'ABS' }))).toBe(
    'Sprout 120 reaches 235 °C, and this material needs 245 °C.',
  );
  expect(cannotPrint(sprout, settingsFor(classroomLimits))).toBeUndefined();
});

it('warms the chamber for what wants it, where there is one, and no further than it may', () => {
  const chamber = exampleSheets.find(({ hasChamber }) => hasChamber)!;
  const warmed = (sheet: MachineSheet, material: string) =>
    printed(sheet, material)
      .lines.find((line) => line.startsWith('M141'))
      ?.replace(/;.*/, '')
      .trim();
  expect(warmed(chamber, 'ABS')).toBe('M141 S50');
  expect(warmed(chamber, 'PLA')).toBe('M141 S0');
  expect(warmed({ ...chamber, maxChamberC: 40 }, 'ABS')).toBe('M141 S40');
  const without = exampleSheets.find(({ hasChamber }) => !hasChamber)!;
  expect(printed(without, 'ABS').settings.chamberC).toBe(0);
});
