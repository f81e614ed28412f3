import { parseStringSync } from 'gcode-parser';
import { beforeAll, expect, it } from 'vitest';
import type { Recipe } from '@kelbrin/core/recipe';
import {
  estimate,
  estimateCopies,
  settingsFor,
  slice,
  writeGcode,
  type PrintSettings,
  type Toolpath,
} from '@kelbrin/core/slice';
import { classroomLimits } from '@kelbrin/core/inspect';
import { footprintOf, layOut, plateToolpath, slicePart } from '@kelbrin/core/plate';
import { starters } from '@kelbrin/core/starters';
import type { Workshop } from '@kelbrin/core/solid';
import { Machine } from '@kelbrin/printer';
import { plateOf, gapOf } from '../../../shared/plate.ts';
import { demoStudents } from '../../demo/school.ts';
import { nodeWorkshop } from '../../../../../../core/node/workshop.ts';
import { built } from '../../../../../../core/test/evaluated.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

/** How long a printer takes for a file by its own planner, heating and all. It has nothing to say against any line. */
function printingSeconds(gcode: string): number {
  const machine = new Machine();
  const said: string[] = [];
  machine.announce = (message) => void said.push(message);
  machine.files.set('part', gcode);
  machine.select('part');
  machine.run();
  let seconds = 0;
  while (!machine.isDone) {
    machine.advance(1);
    seconds++;
  }
  expect(said).toEqual(['Done printing file']);
  return seconds;
}

it('is read by another’s reader of G-code as it was meant: every line a known command with numbers', () => {
  const { mesh } = built(workshop, starters[0].recipe);
  const settings = settingsFor(classroomLimits);
  const toolpath = slice(workshop.kernel, mesh, settings);
  const lines = parseStringSync(writeGcode(toolpath, settings, { offsetMm: [110, 100] }));
  const commands = lines.filter(({ words }) => words.length > 0);
  const known = /^(G(0|1|21|28|90|92)|M(83|84|400|104|106|107|109|140|190|204|205))$/;
  let filamentMm = 0;
  for (const { words } of commands) {
    const [[letter, number], ...parameters] = words;
    expect(`${letter}${number}`).toMatch(known);
    for (const [name, value] of parameters) {
      if (letter !== 'G' || number !== 28)
        expect(Number.isFinite(value), `${name} of ${letter}${number}`).toBe(true);
      if (name === 'E' && parameters.some(([other]) => other === 'X')) filamentMm += Number(value);
    }
  }
  expect(filamentMm / estimate(toolpath, settings).filamentMm).toBeCloseTo(1, 3);
});

it.each(
  starters
    .filter(({ title }) => ['Seed-tray label', 'Wind spinner'].includes(title))
    .map(({ title, recipe }) => ({ title, recipe })),
)('tells within 5 % how long the printer takes for: $title', ({ recipe }) => {
  const { mesh } = built(workshop, recipe);
  const settings = settingsFor(classroomLimits);
  const toolpath = slice(workshop.kernel, mesh, settings);
  const { seconds } = estimate(toolpath, settings);
  const gcode = writeGcode(toolpath, settings, { offsetMm: [110, 100] });
  expect(Math.abs(printingSeconds(gcode) / seconds - 1)).toBeLessThan(0.05);
});

/** The toolpath of a batch on which parts are laid out. */
function batchOf(recipes: readonly Recipe[], settings: PrintSettings): Toolpath {
  const parts = recipes.map((recipe, i) => {
    const { mesh } = built(workshop, recipe);
    return { id: String(i), footprint: footprintOf(workshop.kernel, mesh), mesh };
  });
  const { placed, left } = layOut(parts, plateOf(classroomLimits), gapOf({}));
  expect(left).toEqual([]);
  return plateToolpath(
    placed.map((place) => ({
      ...place,
      part: slicePart(workshop.kernel, parts[Number(place.id)].mesh, settings),
    })),
    settings,
  );
}

const example = (title: string) => starters.find((each) => each.title === title)!.recipe;

it.each([
  {
    batch: 'of several examples',
    recipes: ['Leaf badge', 'Cane clip', 'Seed-tray label', 'Leaf badge'].map(example),
  },
  {
    batch: 'that the demo school’s queue makes',
    recipes: demoStudents.filter(({ progress }) => progress === 'queued').map(({ recipe }) => recipe!),
  },
])('tells within 5 % how long the printer takes for a batch $batch', ({ recipes }) => {
  const settings = settingsFor(classroomLimits);
  const toolpath = batchOf(recipes, settings);
  const { seconds } = estimate(toolpath, settings);
  const gcode = writeGcode(toolpath, settings, { offsetMm: [0, 0] });
  expect(Math.abs(printingSeconds(gcode) / seconds - 1)).toBeLessThan(0.05);
});

it('tells from one part what three copies on a batch take, as near as can be said before they are laid', () => {
  const settings = settingsFor(classroomLimits);
  const one = estimate(batchOf([example('Leaf badge')], settings), settings);
  const laid = estimate(batchOf(Array<Recipe>(3).fill(example('Leaf badge')), settings), settings);
  const told = estimateCopies(one, 3, settings);
  expect(told.grams / laid.grams).toBeCloseTo(1, 1);
  expect(Math.abs(told.seconds / laid.seconds - 1)).toBeLessThan(0.1);
});
