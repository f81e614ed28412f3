import type { PauseReason } from '../../../shared/pauseReason.ts';
import { say } from '@kelbrin/core/words';

/** What a printer says of itself. */
export interface DeviceStatus {
  readonly nozzleC: number;
  readonly nozzleTargetC: number;
  readonly bedC: number;
  readonly bedTargetC: number;
  /** The file it works on, was paused in, or finished last; undefined if there is none. */
  readonly job?: {
    readonly fileName: string;
    readonly doneBytes: number;
    readonly totalBytes: number;
    /** Why it stands still; undefined while it goes on. */
    readonly pausedFor?: PauseReason;
  };
  /** Why no file can be put there now, in a sentence; it is waited for. */
  readonly notReady?: string;
  /** What the printer says when it has stopped itself; nothing but switching it off and on helps then. */
  readonly halted?: string;
}

/** A file that the printer does not have. */
export class FileNotFound extends Error {
  constructor() {
    super(say('The printer does not find the file that was sent to it.'));
    this.name = 'FileNotFound';
  }
}

/** How a file is sent to a printer. */
export interface Sending {
  /** Called again and again with the share that the printer has, 0 to 1. */
  readonly onProgress?: (share: number) => void;
  /** Calls it off: nothing is left of the file on the printer, and the promise rejects with the signal's reason. */
  readonly signal?: AbortSignal;
}

/**
 * What Kelbrin asks of a printer. A driver for another kind of printer implements this and nothing else.
 *
 * Every method rejects with an error whose message is a sentence for the print room when the printer does not answer
 * or refuses. After a rejection the driver may be closed and another be connected: nothing is kept in it that the
 * printer does not know itself.
 */
export interface PrinterDriver {
  /**
   * Whether a person carries files to the printer and says how its run goes. Such a driver can only tell what was said:
   * `start` begins nothing, and what steers a printer is refused.
   */
  readonly isByHand: boolean;
  status(): Promise<DeviceStatus>;
  /** Puts a file into the printer's own storage, replacing one of the same name. */
  upload(fileName: string, gcode: string, sending?: Sending): Promise<void>;
  /** Starts a stored file; from then on the printer goes on by itself. */
  start(fileName: string): Promise<void>;
  /** Lets the current file stand still, or go on. */
  pause(): Promise<void>;
  resume(): Promise<void>;
  /** Heats the nozzle, or lets it cool at 0; does not wait for it. */
  heat(nozzleC: number): Promise<void>;
  /**
   * Pushes filament in at so many mm a second, or draws it out where it is negative; resolves when that is done. It is the
   * one at a place, counted from 0, if that is named; or else the one that is in the nozzle.
   */
  feed(lengthMm: number, mmPerS: number, place?: number): Promise<void>;
  /** Gives up the current file and cools down. */
  cancel(): Promise<void>;
  close(): void;
}
