import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { afterEach, expect, it } from 'vitest';
import type { PrinterDriver } from '../../printers/drivers/driver.ts';
import { networkLine } from '../../printers/drivers/networkLine.ts';
import { SerialDriver } from '../../printers/drivers/serialDriver.ts';

/*
 * The driver and the simulated printer as they meet in a print room: two processes and a network between them. It needs
 * no database, but what is built, as the tests of the database do.
 */

let device: ChildProcess | undefined;
let driver: PrinterDriver | undefined;
afterEach(async () => {
  driver?.close();
  driver = undefined;
  if (device?.exitCode === null && device.signalCode === null) {
    device.kill('SIGKILL');
    await once(device, 'exit');
  }
});

/** Switches a printer on and tells where it answers. */
async function switchedOn(...more: string[]): Promise<number> {
  const args = ['printer/dist/printer.js', '--name', 'Cedar', '--speed', '600', ...more];
  device = spawn(process.execPath, args, { stdio: ['ignore', 'pipe', 'inherit'] });
  const [words] = (await once(device.stdout!, 'data')) as [Buffer];
  return Number(/127\.0\.0\.1:(\d+)/.exec(words.toString())![1]);
}

/** Twenty minutes of work, so that no pause of a busy computer is long enough to miss what happens meanwhile. */
const file = ['G28', 'M83', 'M109 S200', ...Array.from({ length: 1200 }, (_, i) => `G1 X${i % 2} E1 F60`)];

/**
 * Sends the file and follows it to its end, over new connections if need be, as somebody who puts right what stops it.
 * Says how it ended, and what was met on the way.
 */
async function carriedOut(port: number): Promise<{ end: string; met: Set<string> }> {
  const met = new Set<string>();
  driver = await SerialDriver.connect(networkLine('127.0.0.1', port));
  await driver.upload('a.gcode', file.join('\n'));
  await driver.start('a.gcode');
  for (;;) {
    await new Promise((resolve) => setTimeout(resolve, 10));
    try {
      driver ??= await SerialDriver.connect(networkLine('127.0.0.1', port));
      const { job, halted } = await driver.status();
      if (halted) return { end: halted, met };
      if (!job) return { end: 'lost', met };
      if (job.doneBytes === job.totalBytes) return { end: 'finished', met };
      if (!job.pausedFor) continue;
      met.add(job.pausedFor);
      await driver.resume();
    } catch {
      if (driver) met.add('silence');
      driver?.close();
      driver = undefined;
    }
  }
}

it('carry a file out over a disturbed line', async () => {
  expect(await carriedOut(await switchedOn('--noise', '0.02'))).toEqual({ end: 'finished', met: new Set() });
});

it.each([
  ['power', 1, 'lost', ['silence']],
  ['network', 3, 'finished', ['silence']],
  ['slow', 6, 'finished', []],
  ['runout', 9, 'finished', ['runout']],
  ['clog', 13, 'finished', ['clog']],
  ['door', 16, 'finished', ['door']],
  ['filament', 20, 'finished', ['filament']],
  ['heater', 23, 'Heating failed, system stopped', []],
])('come to a known end when a seed brings %s', async (_, seed, end, met) => {
  expect(await carriedOut(await switchedOn('--faults', String(seed)))).toEqual({ end, met: new Set(met) });
});

it('part when the printer is switched off, and find no file on it afterwards', async () => {
  const port = await switchedOn();
  driver = await SerialDriver.connect(networkLine('127.0.0.1', port));
  await driver.upload('a.gcode', file.join('\n'));
  await driver.start('a.gcode');
  device!.kill('SIGKILL');
  await once(device!, 'exit');
  await expect(driver.status()).rejects.toThrow(/printer/);
  driver.close();
  driver = await SerialDriver.connect(networkLine('127.0.0.1', await switchedOn()));
  expect((await driver.status()).job).toBeUndefined();
  await expect(driver.start('a.gcode')).rejects.toThrow('does not find the file');
});
