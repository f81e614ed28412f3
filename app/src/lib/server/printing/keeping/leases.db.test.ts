import { eq } from 'drizzle-orm';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { printers, printerLeases } from '../../platform/db/schema/index.ts';
import { eventually, TestPrintRoom } from '../../testing/printRoom.ts';
import { PrinterKeeper } from './keeper.ts';
import { LeaseLost, PrinterLease } from '../../printers/printerLease.ts';
import { connectPrinter } from '../../printers/drivers/connect.ts';

let room: TestPrintRoom;
beforeAll(async () => (room = await TestPrintRoom.open()));
afterAll(() => room.close());
afterEach(() => room.test.db.delete(printerLeases));

const take = () => PrinterLease.take(room.test.db, room.printerId);
const lapse = () => room.test.db.update(printerLeases).set({ heldUntil: new Date(Date.now() - 1000) });

describe('the lease of a printer', () => {
  it('has one holder, of however many ask at once', async () => {
    const taken = await Promise.all(Array.from({ length: 8 }, take));
    expect(taken.filter(Boolean)).toHaveLength(1);
    expect(await take()).toBeUndefined();
    await taken.find(Boolean)!.release();
    expect(await take()).toBeDefined();
  });

  it('goes to another when its holder is silent, whose writes are then refused', async () => {
    const stale = (await take())!;
    await lapse();
    const other = (await take())!;
    const rename = (lease: PrinterLease, model: string) =>
      lease.write((tx) => tx.update(printers).set({ model }).where(eq(printers.id, room.printerId)));
    await expect(rename(stale, 'stale')).rejects.toThrow(LeaseLost);
    await rename(other, 'fresh');
    await expect(stale.renew()).rejects.toThrow(LeaseLost);
    expect(stale.isHeld).toBe(false);
    await other.renew();
    const [{ model }] = await room.test.db.select().from(printers).where(eq(printers.id, room.printerId));
    expect(model).toBe('fresh');
  });

  it('undoes what was written when it is lost before the writing is done', async () => {
    const stale = (await take())!;
    const writing = stale.write(async (tx) => {
      await tx.update(printers).set({ model: 'half' }).where(eq(printers.id, room.printerId));
      throw new LeaseLost();
    });
    await expect(writing).rejects.toThrow(LeaseLost);
    const [{ model }] = await room.test.db.select().from(printers).where(eq(printers.id, room.printerId));
    expect(model).not.toBe('half');
  });
});

describe('two processes that keep one printer', () => {
  const keepers: PrinterKeeper[] = [];
  /** What each of them said to the printer, with the keeper's number. */
  const said: { keeper: number; line: string }[] = [];
  beforeEach(() => room.plugIn({ speed: 400 }));
  afterEach(async () => {
    await Promise.all(keepers.splice(0).map((keeper) => keeper.stop()));
    said.length = 0;
    await room.clear();
  });

  function keep(keeper: number): PrinterKeeper {
    const kept = new PrinterKeeper(room.test.db, room.printerId, async (connection, connecting) => {
      const driver = await connectPrinter(connection, connecting);
      for (const call of ['upload', 'start'] as const) {
        const real = driver[call].bind(driver) as (file: string, gcode: string) => Promise<void>;
        driver[call] = async (file: string, gcode?: unknown) => {
          await real(file, String(gcode));
          said.push({ keeper, line: `${call} ${file}` });
        };
      }
      return driver;
    });
    keepers.push(kept);
    return kept;
  }

  it('send a batch once and start it once between them', async () => {
    keep(1);
    keep(2);
    const entryId = await room.startNext();
    await eventually(async () => expect((await room.runOf(entryId)).state).toBe('finished'));
    const { fileName } = await room.runOf(entryId);
    expect(said.map(({ line }) => line)).toEqual([`upload ${fileName}`, `start ${fileName}`]);
    expect(new Set(said.map(({ keeper }) => keeper)).size).toBe(1);
  });

  it('go on with a run that the other has begun, and start nothing again', async () => {
    const first = keep(1);
    const entryId = await room.startNextUntil(0.01);
    keep(2);
    await first.stop();
    await eventually(async () => expect((await room.runOf(entryId)).state).toBe('finished'));
    expect(said.map(({ line }) => line.split(' ')[0])).toEqual(['upload', 'start']);
  });
});
