import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { exampleSheets, type MachineSheet } from '@kelbrin/core/machine';
import { school } from '../demo/school.ts';
import { mediaTypeOf } from '../../shared/picture.ts';
import { NotAllowed, type Person } from '../platform/auth/access.ts';
import { batches, printers } from '../platform/db/schema/index.ts';
import { gcodeOfBatch } from '../printing/batches/gcode.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';
import { createSheet, deleteSheet, saveSheet, sheetsOf, sheetToEdit } from './machineSheets.ts';
import { printersWithRuns } from '../printing/printRoom.ts';
import { changePrinter } from './printers.ts';

let test: TestDatabase;
let teacher: Person;
beforeAll(async () => {
  test = await demoSchool();
  teacher = await test.person(school.teacher.name);
});
afterAll(() => test.drop());

const [hedge] = exampleSheets;
/** A printer that does nothing. */
const birch = async () => (await test.db.select().from(printers).where(eq(printers.name, 'Birch')))[0];

async function withSheet(sheetId: string): Promise<void> {
  const { id, name, model, connection } = await birch();
  await changePrinter(test.db, teacher, id, { name, model, sheetId, ...connection });
}

it('is begun like an example, copied, changed and deleted, and is for teachers alone', async () => {
  const id = await createSheet(test.db, teacher, { example: 'Silo 200' });
  expect((await sheetToEdit(test.db, teacher, id)).sheet).toEqual(
    exampleSheets.find(({ name }) => name === 'Silo 200'),
  );
  const copy = await createSheet(test.db, teacher, { sheetId: id });
  expect((await sheetsOf(test.db, teacher)).map(({ name }) => name)).toEqual(['Silo 200', 'Silo 200, 2']);
  const own: MachineSheet = { ...hedge, name: 'Corner press 200', heightMm: 180 };
  await saveSheet(test.db, teacher, copy, own);
  expect((await sheetToEdit(test.db, teacher, copy)).sheet).toEqual(own);
  await expect(saveSheet(test.db, teacher, id, own)).rejects.toThrow(
    'another machine sheet called Corner press 200',
  );
  await deleteSheet(test.db, teacher, copy);
  await deleteSheet(test.db, teacher, id);
  await expect(sheetToEdit(test.db, teacher, copy)).rejects.toThrow(NotAllowed);
  const helper = await test.person(school.helper.name);
  await expect(sheetsOf(test.db, helper)).rejects.toThrow(NotAllowed);
  await expect(createSheet(test.db, helper, {})).rejects.toThrow(NotAllowed);
});

it('tells in the print room which model a printer is, where nobody wrote that down', async () => {
  const id = await createSheet(test.db, teacher, { example: 'Silo 200' });
  const { id: printerId, name, model, connection } = await birch();
  const modelInRoom = async (written: string) => {
    await changePrinter(test.db, teacher, printerId, { name, model: written, sheetId: id, ...connection });
    return (await printersWithRuns(test.db, teacher)).find((printer) => printer.name === name)!.model;
  };
  expect(await modelInRoom('')).toBe('Silo 200');
  expect(await modelInRoom('The round one')).toBe('The round one');
  await changePrinter(test.db, teacher, printerId, { name, model, sheetId: '', ...connection });
  await deleteSheet(test.db, teacher, id);
});

it('is not kept with a fault, and says in which line it is', async () => {
  const id = await createSheet(test.db, teacher, {});
  const save = (change: Partial<MachineSheet>) => saveSheet(test.db, teacher, id, { ...hedge, ...change });
  await expect(save({ code: { ...hedge.code, before: 'G28\nM109 S{hotness}' } })).rejects.toThrow(
    'Before a print, line 2: Nothing is called “hotness” here.',
  );
  await expect(save({ name: ' ' })).rejects.toThrow('Name:');
  await expect(save({ maxNozzleC: 20 })).rejects.toThrow('Highest temperatures, nozzle:');
  expect((await sheetToEdit(test.db, teacher, id)).sheet).toEqual(hedge);
  await deleteSheet(test.db, teacher, id);
});

it('is what G-code for its printers is written by, and stays while one of them is used', async () => {
  const id = await createSheet(test.db, teacher, {});
  await saveSheet(test.db, teacher, id, {
    ...hedge,
    name: 'Corner press 200',
    code: { ...hedge.code, before: `${hedge.code.before}\nM117 {printer} prints {batch}` },
    dialect: { ...hedge.dialect, filament: 'absolute', fanFull: 100, showsThumbnails: true },
  });
  await withSheet(id);
  await expect(withSheet('0b0e6f2c-0000-4000-8000-000000000000')).rejects.toThrow(
    'That machine sheet is gone',
  );
  expect((await sheetsOf(test.db, teacher))[0].printers).toEqual(['Birch']);
  await expect(deleteSheet(test.db, teacher, id)).rejects.toThrow('Birch uses this sheet');

  const [batch] = await test.db.select().from(batches).limit(1);
  const { gcode } = await gcodeOfBatch(test.db, batch.id, (await birch()).id);
  expect(gcode).toContain(`M117 Birch prints Batch ${batch.number}\n`);
  expect(gcode).toContain('\nM82\nG92 E0\n');
  expect(gcode).toContain('M106 S100');
  const [, lines, picture] = /^; picture image\/png, base64, (\d+) lines\n([^]+)\n; end of picture$/m.exec(
    gcode,
  )!;
  expect(picture.split('\n')).toHaveLength(Number(lines));
  const png = Buffer.from(picture.replaceAll('\n; ', '').slice(2), 'base64');
  expect(mediaTypeOf(png)).toBe('image/png');
  // A PNG begins with its width and height (ISO/IEC 15948, 11.2.2).
  expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([200, 125]);
  // An empty one is a tenth as large.
  expect(png.length).toBeGreaterThan(1500);
  // Without a printer it is written as most understand it.
  const { gcode: plain } = await gcodeOfBatch(test.db, batch.id);
  expect(plain).not.toMatch(/M117|picture/);

  await saveSheet(test.db, teacher, id, {
    ...hedge,
    maxNozzleC: 190,
    code: { ...hedge.code, before: 'G28', after: 'M104 S0' },
  });
  await expect(gcodeOfBatch(test.db, batch.id, (await birch()).id)).rejects.toThrow(
    'Hedge 220 reaches 190 °C',
  );
  await withSheet('');
  await deleteSheet(test.db, teacher, id);
});
