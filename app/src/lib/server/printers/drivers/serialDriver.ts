import { readHalt, readJob, readTemperatures } from './answers.ts';
import { FileNotFound, type DeviceStatus, type PrinterDriver, type Sending } from './driver.ts';
import type { OpenLine } from './line.ts';
import { SerialLink } from './serialLink.ts';

/** Drives a printer that speaks line-based G-code and has a storage of its own, over whatever line. */
export class SerialDriver implements PrinterDriver {
  readonly isByHand = false;
  readonly #link: SerialLink;

  private constructor(link: SerialLink) {
    this.#link = link;
  }

  /**
   * Connects to a printer; rejects with a sentence when it does not answer. `mayWrite` throws when nothing may be sent to
   * it any more.
   */
  static async connect(openLine: OpenLine, mayWrite?: () => void): Promise<SerialDriver> {
    return new SerialDriver(await SerialLink.open(openLine, mayWrite));
  }

  async status(): Promise<DeviceStatus> {
    // In this order: a printer that stops itself in between forgets its file, and must not be taken for one that has none.
    const progress = (await this.#link.send('M27 C')).join('\n');
    const temperatures = (await this.#link.send('M105')).join('\n');
    return {
      ...readTemperatures(temperatures),
      job: readJob(progress),
      halted: readHalt(temperatures),
    };
  }

  async upload(fileName: string, gcode: string, sending: Sending = {}): Promise<void> {
    const commands = gcode
      .split('\n')
      .map((line) => line.replace(/;.*$/, '').trim())
      .filter((line) => line !== '');
    await this.#link.send(`M28 ${fileName}`);
    try {
      await this.#link.sendAll(commands, sending);
    } catch (error) {
      // What is there of the file is closed first; until then every line would go into it.
      if (sending.signal?.aborted) for (const line of ['M29', `M30 ${fileName}`]) await this.#link.send(line);
      throw error;
    }
    await this.#link.send('M29');
  }

  async start(fileName: string): Promise<void> {
    const replies = await this.#link.send(`M23 ${fileName}`);
    if (!replies.some((line) => line.startsWith('File selected'))) {
      throw new FileNotFound();
    }
    await this.#link.send('M24');
  }

  async pause(): Promise<void> {
    await this.#link.send('M25');
  }

  async resume(): Promise<void> {
    await this.#link.send('M24');
  }

  async heat(nozzleC: number): Promise<void> {
    await this.#link.send(`M104 S${nozzleC}`);
  }

  async feed(lengthMm: number, mmPerS: number, place?: number): Promise<void> {
    if (place !== undefined) await this.#link.send(`T${place}`);
    await this.#link.send('M83');
    const replies = await this.#link.send(`G1 E${lengthMm} F${60 * mmPerS}`);
    if (replies.some((line) => /cold extrusion/i.test(line)))
      throw new Error('The nozzle is too cold to move filament.');
    await this.#link.send('M400');
  }

  async cancel(): Promise<void> {
    await this.#link.send('M524');
    // The nozzle is still hot and stands in the part: it rises first, and only then moves aside.
    for (const line of ['G91', 'G0 Z10 F600', 'G90', 'G0 X0 F7200']) await this.#link.send(line);
  }

  close(): void {
    this.#link.close();
  }
}
