import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  codeProblems,
  exampleSheets,
  exampleValues,
  figureAt,
  isOnPlate,
  machineSheet,
  purgeMm,
  reachOf,
  sheetFields,
  withFigure,
  writtenCode,
  type CodePlace,
  type MachineSheet,
} from './index.ts';

const [hedge, sprout, silo, duo] = exampleSheets;
const places = ['before', 'after', 'pause', 'colourChange', 'filamentChange'] as const;

function problemsOf(place: CodePlace, lines: readonly string[], sheet: MachineSheet = hedge): string[] {
  const own = { ...sheet, code: { ...sheet.code, [place]: lines.join('\n') } };
  return codeProblems(place, own, exampleValues(own)).map(({ line, message }) => `${line}: ${message}`);
}

describe('the sheets to begin from', () => {
  it.each(exampleSheets.map((sheet) => [sheet.name, sheet] as const))(
    '%s is one, and its code has no fault',
    (_, sheet) => {
      expect(machineSheet.parse(sheet)).toEqual(sheet);
      for (const place of places) expect(codeProblems(place, sheet, exampleValues(sheet)), place).toEqual([]);
    },
  );

  it('count from where their plates begin', () => {
    expect(reachOf(hedge)).toEqual({ x: [0, 220], y: [0, 220] });
    expect(reachOf(silo)).toEqual({ x: [-100, 100], y: [-100, 100] });
    expect(isOnPlate(silo, 70, 70)).toBe(true);
    expect(isOnPlate(silo, 71, 71)).toBe(false);
    expect(isOnPlate(hedge, 220, 0)).toBe(true);
    expect(isOnPlate(hedge, 220.1, 0)).toBe(false);
  });
});

it('every figure of a sheet that is asked for can be changed, alone', () => {
  for (const field of sheetFields.flatMap(({ fields }) => fields)) {
    const changed = withFigure(hedge, field, field.max);
    expect(figureAt(changed, field), field.label).toBe(field.max);
    expect(machineSheet.safeParse(changed).success).toBe(true);
    expect(withFigure(changed, field, figureAt(hedge, field))).toEqual(hedge);
    expect(machineSheet.safeParse(withFigure(hedge, field, field.max * 1.01 + 1)).success).toBe(false);
  }
});

it('knows how much filament is pushed out where a printer changes it by itself', () => {
  const purgedBy = (...lines: string[]) =>
    purgeMm({ ...duo, code: { ...duo.code, filamentChange: lines.join('\n') } });
  expect(purgeMm(duo)).toBe(30);
  expect(purgeMm(hedge)).toBe(0);
  expect(purgedBy('T{filament}', 'G1 E{20 + 5}', 'G1 E-2 ; back')).toBe(23);
  expect(purgedBy('M82', 'G92 E100', 'T{filament}', 'G1 E140', 'G1 E138')).toBe(38);
  expect(purgedBy('G1 E-6', 'T{filament}')).toBe(0);
});

it('has sheets that were kept before printers changed filament by themselves change it plainly', () => {
  const { filamentChange: _, ...code } = duo.code;
  expect(machineSheet.parse({ ...duo, code }).code.filamentChange).toBe('T{filament}');
});

describe('code that is typed', () => {
  it.each([
    ['a name that there is not', 'before', ['M104 S{hotness}'], '1: Nothing is called “hotness” here.'],
    ['a command that no printer knows', 'before', ['G28', 'G999'], '2: No printer knows “G999”.'],
    ['what is no word of a command', 'before', ['G0 X10 quick'], '1: “quick” is not a command that Kelbrin can read.'],
    ['a bracket that stays open', 'before', ['M109 S{nozzleC'], '1: A curly bracket is open or closed twice.'],
    ['filament that is pushed cold', 'before', ['M104 S{nozzleC}', 'G28', 'G1 X20 E5'], '3: Filament is moved while the nozzle is cold: wait for it with M109 first.'],
    ['filament that is pushed after it was let cool', 'after', ['M104 S0', 'G1 E-2'], '2: Filament is moved while the nozzle is cold: wait for it with M109 first.'],
    ['a move off the plate', 'before', ['G28', 'G0 X{widthMm + 5} Y10'], '2: The nozzle would leave the plate, to 225 and 10 mm.'],
    ['a move off the plate that is counted from the last', 'before', ['G28', 'G0 X100 Y100', 'G91', 'G0 X70', 'G0 X70'], '5: The nozzle would leave the plate, to 240 and 100 mm.'],
    ['a move above what the printer reaches', 'after', ['G0 Z{heightMm + 10}'], '1: The nozzle would go to a height of 260 mm: this printer can reach 0 to 250 mm.'],
    ['a nozzle that is too hot', 'before', ['M109 S300'], '1: 300 °C is too hot for the nozzle: this printer allows 260 °C.'],
    ['heat without how much', 'before', ['M109'], '1: The temperature is missing: write S and the degrees.'],
    ['motors that go off over the part', 'after', ['M104 S0', 'M84'], '2: The motors go off while the hot nozzle is over the part: raise it, or let it cool first.'],
    ['a position that is set anew', 'pause', ['G92 X0'], '1: G92 may only set E here: leave out X, Y and Z.'],
    ['levelling that there is not', 'before', ['G28', 'G29'], '2: This printer does not level its plate.'],
    ['a filament that there is not', 'before', ['T1'], '1: This printer has no filament T1: it changes between 1.'],
    ['a filament that is worked out and that there is not', 'before', ['T{filament + 2}'], '1: This printer has no filament T2: it changes between 1.'],
  ] as const)('is told of %s', (_, place, lines, problem) => {
    expect(problemsOf(place, lines)).toEqual([problem]);
  }); // oxfmt-ignore

  it('is told of what only some printers know', () => {
    expect(problemsOf('before', ['M140 S60'], sprout)).toEqual(['1: This printer does not heat its plate.']);
    expect(problemsOf('before', ['M204 P800'], sprout)).toEqual([
      '1: This printer does not take accelerations.',
    ]);
    expect(problemsOf('before', ['M141 S40', 'T1', 'G3 X1 Y1 R1'], duo)).toEqual([]);
    expect(problemsOf('before', ['G28', 'G0 X-80 Y-80'], silo)).toHaveLength(1);
    expect(problemsOf('before', ['G28', 'G0 X-60 Y-60'], silo)).toEqual([]);
  });

  it('may leave the hot nozzle over the part once it is raised, or cooled', () => {
    expect(problemsOf('after', ['G91', 'G0 Z5', 'G90', 'M104 S0', 'M84'])).toEqual([]);
    expect(problemsOf('after', ['M109 R50', 'M84'])).toEqual([]);
    expect(problemsOf('after', ['G0 Z{topMm + 0.2}', 'M84'])).toHaveLength(1);
  });

  it('holds remarks, words for the display, small letters and numbers without spaces', () => {
    expect(
      problemsOf('before', [
        '; heat {nozzleC} first',
        'm109 s{nozzleC} ; slowly',
        'M117 Ready, {printer}!',
        'G28',
        'G1X20Y20E.5',
        '',
        'G04 P100',
      ]),
    ).toEqual([]);
  });
});

describe('code that is written', () => {
  const values = { ...exampleValues(hedge), batch: 'Zoë’s Łódź; {labels}\nM112', topMm: 245 };

  it('has its names put in, arithmetic done, and nothing of what people write taken for a command', () => {
    const code = ['M109 S{nozzleC + 5}', 'G0 Z{min(topMm + 10; heightMm)} F600', '', 'M117 {batch}'].join(
      '\n',
    );
    expect(writtenCode(code, values)).toEqual(['M109 S215', 'G0 Z250 F600', 'M117 Zoes Lodz, ,labels,M112']);
  });

  it('is what has no fault; whatever is typed is read without a fault of the program', () => {
    const word = fc.constantFrom('G0', 'G1', 'G28', 'M109', 'X', 'Y10', 'S{nozzleC}', 'E2', '{', '}', ';', '{topMm+1}', 'T0', '{batch}', '{x', 'é', '-', '.'); // oxfmt-ignore
    const line = fc
      .array(fc.oneof(word, fc.string({ maxLength: 6 })), { maxLength: 6 })
      .map((words) => words.join(' '));
    fc.assert(
      fc.property(fc.array(line, { maxLength: 5 }), fc.constantFrom(...places), (lines, place) => {
        const code = lines.join('\n');
        const sheet = { ...hedge, code: { ...hedge.code, [place]: code } };
        if (codeProblems(place, sheet, exampleValues(sheet)).length === 0)
          expect(writtenCode(code, exampleValues(sheet)).join('\n')).not.toMatch(/[{}]/);
      }),
      { numRuns: 2000 },
    );
  });
});
