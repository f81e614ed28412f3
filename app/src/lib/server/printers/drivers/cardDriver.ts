import { say } from '@kelbrin/core/words';
import type { DeviceStatus, PrinterDriver } from './driver.ts';
import { cardProblem, writeToCard } from './cardFolders.ts';

/** What a person has said of a run on a printer that nothing is connected to. */
export interface SaidByHand {
  readonly fileName: string;
  /** When it was begun at the printer; null as long as nobody said so. */
  readonly begunAt: Date | null;
  /** When it was done. */
  readonly doneAt: Date | null;
  readonly estimateS: number;
}

/** Until somebody says that it is done, no more of it is taken for printed. */
const NOT_ALL = 0.99;
/** A share of a run in parts, as if it were bytes of a file. */
const WHOLE = 1_000_000;

/**
 * Drives a printer that reads a memory card. Nothing is connected to it: a person takes the file there, and says when it
 * was begun and done; in between it is told by the estimate how far it has come.
 */
export class CardDriver implements PrinterDriver {
  readonly isByHand = true;
  readonly #card: string | undefined;
  readonly #said: () => Promise<SaidByHand | undefined>;
  readonly #mayWrite: () => void;

  /** @param card the card that files are written onto; left out, they are downloaded */
  constructor(
    card: string | undefined,
    said: () => Promise<SaidByHand | undefined>,
    mayWrite: () => void = () => {},
  ) {
    this.#card = card;
    this.#said = said;
    this.#mayWrite = mayWrite;
  }

  async status(): Promise<DeviceStatus> {
    const said = await this.#said();
    const cold = { nozzleC: 0, nozzleTargetC: 0, bedC: 0, bedTargetC: 0 };
    if (!said?.begunAt) {
      const notReady = this.#card === undefined ? undefined : await cardProblem(this.#card);
      return notReady === undefined ? cold : { ...cold, notReady };
    }
    const share = Math.min(NOT_ALL, (Date.now() - said.begunAt.getTime()) / 1000 / said.estimateS);
    const doneBytes = said.doneAt ? WHOLE : Math.floor(share * WHOLE);
    return { ...cold, job: { fileName: said.fileName, doneBytes, totalBytes: WHOLE } };
  }

  async upload(fileName: string, gcode: string): Promise<void> {
    this.#mayWrite();
    if (this.#card !== undefined) await writeToCard(this.#card, fileName, gcode);
  }

  /** The file waits until a person takes it to the printer. */
  async start(): Promise<void> {}

  async cancel(): Promise<void> {}

  async pause(): Promise<void> {
    throw notConnected();
  }

  async resume(): Promise<void> {
    throw notConnected();
  }

  async heat(): Promise<void> {
    throw notConnected();
  }

  async feed(): Promise<void> {
    throw notConnected();
  }

  close(): void {}
}

function notConnected(): Error {
  return new Error(say('Nothing is connected to this printer: do it there by hand.'));
}
