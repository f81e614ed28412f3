import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { notices, printers } from '../../platform/db/schema/index.ts';
import { noticesOf } from '../../platform/notices.ts';
import { eventually, TestPrintRoom } from '../../testing/printRoom.ts';

let room: TestPrintRoom;
beforeAll(async () => {
  room = await TestPrintRoom.open();
  await room.test.db.delete(notices);
});
afterAll(async () => {
  await room.clear();
  await room.close();
});

const printer = async () =>
  (await room.test.db.select().from(printers).where(eq(printers.id, room.printerId)))[0];
const told = async () =>
  (await noticesOf(room.test.db, room.helper))
    .filter(({ kind }) => kind === 'printer_hot')
    .map(({ printer: name, count }) => [name, count]);

it('tells the helpers, once, of a printer that somebody left hot, until it is cold again', async () => {
  await room.plugIn();
  room.keep();
  await eventually(async () => expect(await room.isOnline()).toBe(true));
  expect((await printer()).hotSince).toBeNull();
  room.device.machine.nozzle.targetC = 205;
  await eventually(async () => expect((await printer()).hotSince).not.toBeNull());
  expect(await told()).toEqual([]);
  await room.test.db
    .update(printers)
    .set({ hotSince: new Date(Date.now() - 11 * 60_000) })
    .where(eq(printers.id, room.printerId));
  await eventually(async () => expect(await told()).toEqual([['Birch', 1]]));
  const { hotToldAt } = await printer();
  room.keeper!.nudge();
  await eventually(async () =>
    expect((await printer()).seenAt!.getTime()).toBeGreaterThan(hotToldAt!.getTime()),
  );
  expect(await told()).toEqual([['Birch', 1]]);
  room.device.machine.nozzle.targetC = 0;
  await eventually(async () => expect(await printer()).toMatchObject({ hotSince: null, hotToldAt: null }));
});
