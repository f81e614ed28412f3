import { eq } from 'drizzle-orm';
import { afterAll, afterEach, beforeAll, expect, it, vi } from 'vitest';
import { startPrinter, type RunningPrinter } from '@kelbrin/printer';
import { NotAllowed, type Person } from '../platform/auth/access.ts';
import { printers } from '../platform/db/schema/index.ts';
import { school } from '../demo/school.ts';
import { printersWithRuns } from '../printing/printRoom.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';
import { PrinterKeeper } from '../printing/keeping/keeper.ts';
import { addPrinter, changePrinter, printersToKeep, retirePrinter } from './printers.ts';

let test: TestDatabase;
let teacher: Person;
const running: RunningPrinter[] = [];
let keeper: PrinterKeeper | undefined;
beforeAll(async () => {
  test = await demoSchool();
  teacher = await test.person(school.teacher.name);
});
afterEach(async () => {
  await keeper?.stop();
  for (const printer of running.splice(0)) await printer.close();
});
afterAll(() => test.drop());

const byName = async (name: string) =>
  (await test.db.select().from(printers).where(eq(printers.name, name)))[0];
const draft = { name: 'Cedar', model: 'Corner press 200', host: '127.0.0.1', port: 1 };

async function device(): Promise<number> {
  const printer = await startPrinter({ name: 'Cedar', port: 0, speed: 100 });
  running.push(printer);
  return printer.port;
}

const isOnline = (expected: boolean) =>
  vi.waitFor(
    async () => {
      keeper!.nudge();
      expect((await byName('Cedar')).status?.online ?? false).toBe(expected);
    },
    { timeout: 90_000, interval: 50 },
  );

it('is noted, found where it answers, moved to another address, and retired with its past kept', async () => {
  await addPrinter(test.db, teacher, { ...draft, port: String(await device()) });
  const { id } = await byName('Cedar');
  keeper = new PrinterKeeper(test.db, id);
  await isOnline(true);
  await changePrinter(test.db, teacher, id, { ...draft, port: 1 });
  await isOnline(false);
  await changePrinter(test.db, teacher, id, { ...draft, port: await device() });
  await isOnline(true);
  await retirePrinter(test.db, teacher, id);
  await isOnline(false);
  const names = async () => (await printersWithRuns(test.db, teacher)).map(({ name }) => name);
  expect(await names()).not.toContain('Cedar');
  await addPrinter(test.db, teacher, { ...draft, model: 'Another' });
  expect(await names()).toContain('Cedar');
  expect(await byName('Cedar')).toMatchObject({ id, model: 'Another' });
});

it('says what is wrong with what is noted, and is for teachers alone', async () => {
  const add = (changes: object) => addPrinter(test.db, teacher, { ...draft, ...changes });
  await expect(add({ name: 'Birch' })).rejects.toThrow('There is a printer called Birch already');
  await expect(add({ name: ' ' })).rejects.toThrow('Say what the printer is called');
  await expect(add({ host: 'http://x' })).rejects.toThrow('address');
  await expect(add({ port: '70000' })).rejects.toThrow('At most 65535');
  for (const path of ['', '/etc/passwd', '/dev/../etc/passwd', '/dev/sda1'])
    await expect(add({ way: 'usb', path })).rejects.toThrow(
      'Choose the port that the printer is plugged into',
    );
  for (const card of ['../..', '.hidden', '/media'])
    await expect(add({ way: 'card', card })).rejects.toThrow('Choose the card from the list');
  await expect(add({ way: 'pigeon' })).rejects.toThrow();
  // A port is for one printer; a card is carried to several.
  const usb = { way: 'usb', path: '/dev/ttyUSB7', baudRate: '250000' };
  await add({ ...usb, name: 'Elm' });
  expect((await byName('Elm')).connection).toEqual({ ...usb, baudRate: 250_000 });
  await expect(add({ ...usb, name: 'Oak' })).rejects.toThrow('Elm is plugged into this port');
  await changePrinter(test.db, teacher, (await byName('Elm')).id, { ...draft, ...usb, name: 'Elm' });
  for (const name of ['Oak', 'Yew']) await add({ way: 'card', card: '', name });
  expect((await byName('Yew')).connection).toEqual({ way: 'card', card: null });
  const helper = await test.person(school.helper.name);
  await expect(printersToKeep(test.db, helper)).rejects.toThrow(NotAllowed);
  const alder = await byName('Alder');
  await expect(retirePrinter(test.db, teacher, alder.id)).rejects.toThrow('Alder is printing');
});
