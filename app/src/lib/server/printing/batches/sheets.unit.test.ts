import { beforeAll, describe, expect, it } from 'vitest';
import { classroomLimits } from '@kelbrin/core/inspect';
import { exampleSheets, plateSize, type MachineSheet } from '@kelbrin/core/machine';
import {
  cannotPrint,
  estimate,
  settingsFor,
  settingsOn,
  slice,
  writeGcode,
  type Toolpath,
} from '@kelbrin/core/slice';
import type { Workshop } from '@kelbrin/core/solid';
import { starters } from '@kelbrin/core/starters';
import { Machine, modelOf } from '@kelbrin/printer';
import { nodeWorkshop } from '../../../../../../core/node/workshop.ts';
import { built } from '../../../../../../core/test/evaluated.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

const MATERIALS = ['PLA', 'PETG', 'TPU'] as const;
const everyWay = exampleSheets.flatMap((sheet) => MATERIALS.map((material) => ({ sheet, material })));

/** What a printer of a model says of a file, and how long it takes for it. */
function printedOn(sheet: MachineSheet, gcode: string): { said: string[]; seconds: number } {
  const machine = new Machine(modelOf(JSON.parse(JSON.stringify(sheet))));
  const said: string[] = [];
  machine.announce = (message) => void said.push(message);
  machine.files.set('part', gcode);
  machine.select('part');
  machine.run();
  let seconds = 0;
  for (; !machine.isDone && seconds < 200_000; seconds++) {
    if (machine.paused) machine.run();
    machine.advance(1);
  }
  return { said, seconds };
}

/** The toolpath of an example in the middle of a plate: the same for all models and materials, but for the skirt. */
function slicedExample(title: string): { toolpath: Toolpath } {
  const { mesh } = built(workshop, starters.find((each) => each.title === title)!.recipe);
  return { toolpath: slice(workshop.kernel, mesh, { ...settingsFor(classroomLimits), skirtLines: 0 }) };
}

describe.each(starters.map(({ title }) => title))('%s', (title) => {
  it('prints on every model of printer in every material, with nothing that the printer complains of, in the time that was told', () => {
    const { toolpath } = slicedExample(title);
    for (const { sheet, material } of everyWay) {
      const settings = settingsOn(sheet, settingsFor({ ...classroomLimits, material }));
      const [width, depth] = settings.plateMm;
      const takes = estimate(toolpath, settings);
      const on = { sheet, printer: 'Birch', batch: 'Batch 4', takes };
      const gcode = writeGcode(toolpath, settings, { offsetMm: [width / 2, depth / 2], on });
      const { said, seconds } = printedOn(sheet, gcode);
      const way = `${sheet.name}, ${material}`;
      if (cannotPrint(sheet, settings) === undefined)
        expect([way, said]).toEqual([way, ['Done printing file']]);
      else expect([way, said[0]]).toEqual([way, expect.stringContaining('too hot')]);
      expect([way, Math.abs(seconds / takes.seconds - 1) < 0.05]).toEqual([way, true]);
    }
  });
});

it('changes its filament by itself without a complaint, in the time that was told', () => {
  const { toolpath } = slicedExample('Seed-tray label');
  const duo = exampleSheets.find(({ filaments }) => filaments === 2)!;
  const plain = settingsFor(classroomLimits);
  const topMm = toolpath.layers.at(-1)!.zMm;
  const settings = settingsOn(duo, { ...plain, colourChangesMm: [topMm / 3, topMm / 2] }, [1, 0, 1]);
  const [width, depth] = settings.plateMm;
  const takes = estimate(toolpath, settings);
  const on = { sheet: duo, printer: 'Birch', batch: 'Batch 4', takes };
  const gcode = writeGcode(toolpath, settings, { offsetMm: [width / 2, depth / 2], on });
  expect(gcode.match(/^T\d/gm)).toEqual(['T1', 'T0', 'T1']);
  const { said, seconds } = printedOn(duo, gcode);
  expect(said).toEqual(['Done printing file']);
  expect(Math.abs(seconds / takes.seconds - 1)).toBeLessThan(0.05);
});

it('is complained of where a file is for another model: the oracle is none that says yes to all', () => {
  const { toolpath } = slicedExample('Seed-tray label');
  const [hedge, sprout, silo] = exampleSheets;
  const settings = settingsOn(hedge, settingsFor(classroomLimits));
  const on = { sheet: hedge, printer: 'Birch', batch: 'Batch 4', takes: estimate(toolpath, settings) };
  const gcode = writeGcode(toolpath, settings, { offsetMm: [200, 200], on });
  const complaints = (sheet: MachineSheet) => [...new Set(printedOn(sheet, gcode).said)].join('\n');
  expect(plateSize(sprout.plate)).toEqual([120, 120]);
  for (const wrong of [
    'does not take M204',
    'does not take M205',
    'out of reach',
    'too fast',
    'does not take M190',
  ])
    expect(complaints(sprout)).toContain(wrong);
  for (const wrong of ['off the round plate', 'Fan faster than full'])
    expect(complaints(silo)).toContain(wrong);
});
