import { mkdtemp, readFile, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it, vi } from 'vitest';
import { startPrinter } from '@kelbrin/printer';
import { canBePort, usbPorts } from './usbPorts.ts';
import { CardDriver, type SaidByHand } from './cardDriver.ts';
import { cardFolders, cardProblem, writeToCard } from './cardFolders.ts';
import { itIsADriver } from '../../testing/driverContract.ts';
import { networkLine } from './networkLine.ts';
import { SerialDriver } from './serialDriver.ts';
import { usbLine } from './usbLine.ts';

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'kelbrin-drivers-'));
});
afterAll(() => rm(folder, { recursive: true }));

itIsADriver('a printer on the network', async () => {
  const printer = await startPrinter({ name: 'Test', port: 0, speed: 300 });
  return {
    connect: (mayWrite) => SerialDriver.connect(networkLine('127.0.0.1', printer.port), mayWrite),
    disappear: () => printer.close(),
    close: () => printer.close(),
  };
});

/** A simulated printer whose cable is plugged in, at a path. */
async function pluggedIn(name: string) {
  const terminal = join(folder, name);
  const printer = await startPrinter({ name: 'Test', port: 0, speed: 300, terminal });
  const isThere = async (is: boolean) =>
    vi.waitFor(async () => expect((await usbPorts(folder)).includes(terminal)).toBe(is), { timeout: 10_000 });
  await isThere(true);
  return { printer, terminal, isThere };
}

itIsADriver('a printer on a USB cable', async () => {
  const { printer, terminal } = await pluggedIn('cable');
  return {
    connect: (mayWrite) =>
      vi.waitFor(() => SerialDriver.connect(usbLine(terminal, 115_200), mayWrite), { timeout: 2_000 }),
    disappear: () => printer.cable!.unplug(),
    close: () => printer.close(),
  };
});

itIsADriver('a printer that reads a memory card', async () => {
  let said: SaidByHand | undefined;
  return {
    connect: async (mayWrite) => new CardDriver(undefined, async () => said, mayWrite),
    hand: {
      begin: async (fileName) => {
        said = { fileName, begunAt: new Date(), doneAt: null, estimateS: 3600 };
      },
      end: async () => {
        said = { ...said!, doneAt: new Date() };
      },
    },
    close: async () => {},
  };
});

it('prints on while the cable is out, and is found where it has come to when the cable is in again', async () => {
  const { printer, terminal, isThere } = await pluggedIn('pulled');
  const connect = () => SerialDriver.connect(usbLine(terminal, 115_200));
  let driver = await connect();
  const file = ['G28', ...Array.from({ length: 4000 }, (_, i) => `G1 X${i % 2} F600`)].join('\n');
  await driver.upload('b1-one.gcode', file);
  await driver.start('b1-one.gcode');
  await printer.cable!.unplug();
  await expect(driver.status()).rejects.toThrow(/cable|printer/);
  driver.close();
  await isThere(false);
  await expect(connect()).rejects.toThrow('is the cable in');
  const meanwhile = printer.machine.job!.at;
  printer.cable!.plugIn();
  await isThere(true);
  driver = await vi.waitFor(connect, { timeout: 5_000 });
  const { job } = await driver.status();
  expect(job).toMatchObject({ fileName: 'b1-one.gcode' });
  expect(job!.doneBytes).toBeGreaterThanOrEqual(meanwhile);
  driver.close();
  await printer.close();
});

it('opens no other file of the server as a port', () => {
  for (const path of [
    '/etc/passwd',
    '/dev/sda',
    '/dev/../etc/passwd',
    `${folder}/../x`,
    `${folder}/`,
    '',
    'ttyUSB0',
  ])
    expect([path, canBePort(path, folder)]).toEqual([path, false]);
  for (const path of [
    '/dev/ttyUSB0',
    '/dev/ttyACM12',
    '/dev/serial/by-id/usb-Hedge_220-if00',
    join(folder, 'cable'),
  ])
    expect([path, canBePort(path, folder)]).toEqual([path, true]);
});

it('writes a file onto a card whole, and says when the card is not there', async () => {
  const card = await mkdtemp(join(folder, 'left reader '));
  const name = card.slice(folder.length + 1);
  expect(await cardFolders(folder)).toContain(name);
  expect(await cardProblem(name, folder)).toBeUndefined();
  await writeToCard(name, 'b1-birch.gcode', 'G28\n', folder);
  expect(await readdir(card)).toEqual(['b1-birch.gcode']);
  expect(await readFile(join(card, 'b1-birch.gcode'), 'utf8')).toBe('G28\n');
  for (const gone of ['right reader', '../..', ''])
    await expect(writeToCard(gone, 'b1-birch.gcode', 'G28\n', folder)).rejects.toThrow(
      `“${gone}” is not in the reader`,
    );
  // Without a reader there is no card either.
  expect(await cardProblem(name, join(folder, 'nowhere'))).toContain('not in the reader');
});

it('tells by the estimate how far a print has come that nobody watches, and never that it is all done', async () => {
  const minutesAgo = (minutes: number) => new Date(Date.now() - 60_000 * minutes);
  const share = async (said: SaidByHand) => {
    const { job } = await new CardDriver(undefined, async () => said).status();
    return job && job.doneBytes / job.totalBytes;
  };
  const said = { fileName: 'b1-birch.gcode', begunAt: minutesAgo(15), doneAt: null, estimateS: 3600 };
  expect(await share(said)).toBeCloseTo(0.25, 2);
  expect(await share({ ...said, begunAt: minutesAgo(600) })).toBe(0.99);
  expect(await share({ ...said, doneAt: new Date() })).toBe(1);
  expect(await share({ ...said, begunAt: null })).toBeUndefined();
});
