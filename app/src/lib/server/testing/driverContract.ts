import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { FileNotFound, type DeviceStatus, type PrinterDriver } from '../printers/drivers/driver.ts';

/** A printer that a driver is tried with. */
export interface TriedPrinter {
  /** Connects to it; a second driver may be connected after the first was closed. */
  connect(mayWrite?: () => void): Promise<PrinterDriver>;
  /** Somebody at the printer, where its driver is by hand: begins the file there, and says that it is done. */
  readonly hand?: { begin(fileName: string): Promise<void>; end(): Promise<void> };
  /** Has nobody answer any more, as when it is switched off. Left out where nothing is connected to it. */
  disappear?(): Promise<void>;
  close(): Promise<void>;
}

/** A short print: it heats, and moves for some seconds. */
const FILE = [
  'G28',
  'M83',
  'M109 S200',
  ...Array.from({ length: 400 }, (_, i) => `G1 X${i % 2} E1 F600`),
].join('\n');
const PATIENCE_MS = 30_000;

/**
 * What every driver has to do, whatever it drives: run this from a test of the driver with a printer that it can be tried
 * with. Drivers that are by hand are asked for less, see {@link PrinterDriver.isByHand}.
 */
export function itIsADriver(name: string, make: () => Promise<TriedPrinter>): void {
  describe(`the driver for ${name}`, () => {
    let printer: TriedPrinter;
    let driver: PrinterDriver;
    beforeEach(async () => {
      printer = await make();
      driver = await printer.connect();
    });
    afterEach(async () => {
      driver.close();
      await printer.close();
    });

    /** Waits until the printer says something of itself. */
    async function until(isSo: (status: DeviceStatus) => boolean): Promise<DeviceStatus> {
      for (const end = Date.now() + PATIENCE_MS; ;) {
        const status = await driver.status();
        if (isSo(status)) return status;
        expect(Date.now(), `waited too long; last it said ${JSON.stringify(status)}`).toBeLessThan(end);
        await new Promise((resolve) => setTimeout(resolve, 20));
      }
    }
    const begin = async (fileName: string) => {
      await driver.upload(fileName, FILE);
      await driver.start(fileName);
      await printer.hand?.begin(fileName);
    };
    const isAtWork = ({ job }: DeviceStatus) => job !== undefined && job.doneBytes < job.totalBytes;

    it('says how warm it is, and that there is no file, before anything was sent', async () => {
      const { job, halted, nozzleC, bedC } = await driver.status();
      expect([job, halted]).toEqual([undefined, undefined]);
      expect([nozzleC, bedC].every(Number.isFinite)).toBe(true);
    });

    it('carries a file to its end, and tells by its name that it was that one', async () => {
      await begin('b1-one.gcode');
      const { job } = await until(isAtWork);
      expect(job!.fileName).toBe('b1-one.gcode');
      await printer.hand?.end();
      const done = await until((status) => status.job?.doneBytes === status.job?.totalBytes);
      expect(done.job!.fileName).toBe('b1-one.gcode');
      expect(done.halted).toBeUndefined();
    });

    it('knows after a new connection what is printed, since it keeps nothing of that itself', async () => {
      await begin('b2-two.gcode');
      await until(isAtWork);
      driver.close();
      driver = await printer.connect();
      expect((await until(isAtWork)).job!.fileName).toBe('b2-two.gcode');
      await driver.cancel();
    });

    it('sends nothing when it may not any more, and says why', async () => {
      driver.close();
      let mayWrite = true;
      driver = await printer.connect(() => {
        if (!mayWrite) throw new Error('the lease is lost');
      });
      mayWrite = false;
      await expect(driver.upload('b3-three.gcode', FILE)).rejects.toThrow('the lease is lost');
    });

    it('leaves nothing of a file that is called off while it is sent, and goes on', async () => {
      const calledOff = new AbortController();
      const sent = driver.upload('b5-five.gcode', FILE, {
        onProgress: () => calledOff.abort(new Error('not wanted any more')),
        signal: calledOff.signal,
      });
      // What is carried by hand is there at once.
      if (driver.isByHand) await sent;
      else {
        await expect(sent).rejects.toThrow('not wanted any more');
        await expect(driver.start('b5-five.gcode')).rejects.toThrow(FileNotFound);
      }
      expect((await driver.status()).halted).toBeUndefined();
      await begin('b6-six.gcode');
      await until(isAtWork);
      await driver.cancel();
    });

    it('can be closed twice', () => {
      driver.close();
      expect(() => driver.close()).not.toThrow();
    });

    it('steers what is printed, or says that it cannot', async () => {
      await begin('b4-four.gcode');
      await until(isAtWork);
      if (driver.isByHand) {
        for (const refused of [driver.pause(), driver.resume(), driver.heat(200), driver.feed(1, 1)])
          await expect(refused).rejects.toThrow('Nothing is connected');
        return;
      }
      await driver.pause();
      await until(({ job }) => job?.pausedFor === 'user');
      await driver.resume();
      await until(({ job }) => job !== undefined && job.pausedFor === undefined);
      await driver.cancel();
      const { job } = await until((status) => status.nozzleTargetC === 0);
      expect(job).toBeUndefined();
    });

    it('says that a file is not there, and starts nothing', async () => {
      if (driver.isByHand) return;
      await expect(driver.start('nowhere.gcode')).rejects.toThrow(FileNotFound);
      expect((await driver.status()).job).toBeUndefined();
    });

    it('rejects with a sentence when nobody answers any more', async () => {
      if (!printer.disappear) return;
      await printer.disappear();
      await expect(driver.status()).rejects.toThrow(/printer|cable/);
      await expect(printer.connect()).rejects.toThrow(/switched on/);
    });
  });
}
