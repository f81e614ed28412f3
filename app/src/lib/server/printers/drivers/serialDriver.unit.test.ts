import { createServer, type Server, type Socket } from 'node:net';
import type { AddressInfo } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import { startPrinter, type RunningPrinter } from '@kelbrin/printer';
import { networkLine } from './networkLine.ts';
import { SerialDriver } from './serialDriver.ts';

const closing: (() => unknown)[] = [];
afterEach(async () => {
  for (const close of closing.splice(0).reverse()) await close();
});

async function simulated(noise = 0): Promise<{ printer: RunningPrinter; driver: SerialDriver }> {
  const printer = await startPrinter({ name: 'Test', port: 0, speed: 600, noise });
  closing.push(() => printer.close());
  const driver = await SerialDriver.connect(networkLine('127.0.0.1', printer.port));
  closing.push(() => driver.close());
  return { printer, driver };
}

/** A printer that answers each line as it is told to. */
async function scripted(
  answer: (command: string, socket: Socket) => string | undefined,
): Promise<SerialDriver> {
  const server: Server = createServer((socket) => {
    socket.setEncoding('utf8').on('data', (chunk: string) => {
      for (const line of chunk.split('\n').filter(Boolean)) {
        const command = /^N\d+ (.*)\*\d+$/.exec(line)![1];
        const words = command.startsWith('M110') ? 'ok' : answer(command, socket);
        if (words) socket.write(`${words}\n`);
      }
    });
    socket.on('error', () => {});
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  closing.push(() => new Promise((resolve) => server.close(resolve)));
  const driver = await SerialDriver.connect(networkLine('127.0.0.1', (server.address() as AddressInfo).port));
  closing.push(() => driver.close());
  return driver;
}

const program = (lines: number) =>
  Array.from({ length: lines }, (_, i) => `G1 X${i % 100} F6000 ; line ${i}`).join('\n');

describe('with a simulated printer', () => {
  it('reports temperatures and that there is no file', async () => {
    const { driver } = await simulated();
    expect(await driver.status()).toEqual({
      nozzleC: 21,
      nozzleTargetC: 0,
      bedC: 21,
      bedTargetC: 0,
      job: undefined,
    });
  });

  it('moves filament once the nozzle is hot, and says so while it is cold', async () => {
    const { driver, printer } = await simulated();
    await expect(driver.feed(20, 5)).rejects.toThrow('too cold');
    await driver.heat(210);
    while ((await driver.status()).nozzleC < 205) await new Promise((resolve) => setTimeout(resolve, 20));
    await driver.feed(-80, 20);
    await driver.feed(20, 5);
    expect(printer.machine.isMoving).toBe(false);
    await driver.heat(0);
    expect((await driver.status()).nozzleTargetC).toBe(0);
  });

  it.each([0, 0.02, 0.3])('brings a file over whole when %f of the lines arrive damaged', async (noise) => {
    const { driver, printer } = await simulated(noise);
    const shares: number[] = [];
    await driver.upload('a.gcode', program(300), {
      onProgress: (share) => shares.push(share),
    });
    const expected = Array.from({ length: 300 }, (_, i) => `G1 X${i % 100} F6000\n`).join('');
    expect(printer.machine.files.get('a.gcode')).toBe(expected);
    expect(shares.at(-1)).toBe(1);
  });

  it('starts a file, follows it to its end, and gives one up', async () => {
    const { driver } = await simulated();
    await driver.upload('a.gcode', program(2000));
    await driver.start('a.gcode');
    expect((await driver.status()).job).toMatchObject({ fileName: 'a.gcode' });
    await expect
      .poll(async () => (await driver.status()).job)
      .toMatchObject({ doneBytes: expect.any(Number) as number });
    await driver.cancel();
    expect((await driver.status()).job).toBeUndefined();
  });

  it('says that a file is not there', async () => {
    const { driver } = await simulated();
    await expect(driver.start('other.gcode')).rejects.toThrow('does not find the file');
  });

  it('answers many questions at once in their order', async () => {
    const { driver } = await simulated();
    const answers = await Promise.all(
      [driver.status(), driver.cancel(), driver.status()].map((each) => each.then(() => 1)),
    );
    expect(answers).toEqual([1, 1, 1]);
  });
});

describe('with a printer in trouble', () => {
  it('says that nobody answers where none listens', async () => {
    await expect(SerialDriver.connect(networkLine('127.0.0.1', 1))).rejects.toThrow('does not answer');
  });

  it('says when the connection is closed in the middle', async () => {
    const driver = await scripted((_, socket) => void socket.destroy());
    await expect(driver.status()).rejects.toThrow(/connection to the printer/);
    await expect(driver.status()).rejects.toThrow(/connection to the printer/);
  });

  it('says when a temperature report cannot be read', async () => {
    const driver = await scripted(() => 'ok T:hot');
    await expect(driver.status()).rejects.toThrow('cannot be read');
  });

  it('reads temperatures by whole words, whatever else a report tells', async () => {
    const driver = await scripted((command) =>
      command === 'M105' ? 'ok CT:1 /2 T:205.5 /210.0 SB:3 /4 B:59.1 /60.0 @:127' : 'Not SD printing\nok',
    );
    expect(await driver.status()).toMatchObject({
      nozzleC: 205.5,
      nozzleTargetC: 210,
      bedC: 59.1,
      bedTargetC: 60,
    });
  });

  it('says that it stopped itself, also where it does so between two questions', async () => {
    let questions = 0;
    const driver = await scripted((command) => {
      const isStopped = ++questions > 1;
      if (command === 'M105')
        return `${isStopped ? 'Error:Heating failed\n' : ''}ok T:205.5 /0.0 B:59.1 /0.0`;
      return isStopped ? 'Not SD printing\nok' : 'Current file: a.gcode\nSD printing byte 1/9\nok';
    });
    expect((await driver.status()).halted).toBe('Heating failed');
  });

  it('does not mind chatter between the answers', async () => {
    const driver = await scripted((command) =>
      command === 'M105'
        ? 'echo:busy: processing\n//hello\nok T:205.5 /210 B:59.1 /60'
        : 'wait\nNot SD printing\nok',
    );
    expect(await driver.status()).toMatchObject({
      nozzleC: 205.5,
      nozzleTargetC: 210,
      bedC: 59.1,
      bedTargetC: 60,
    });
  });
});
