/** What comes over a line to a printer. */
export interface LineEvents {
  onText(text: string): void;
  /** The line broke or was closed at the other end, with a sentence that says so. */
  onEnd(why: string): void;
}

/** A line to a printer over which text goes both ways, whatever it is made of. */
export interface PrinterLine {
  write(text: string): void;
  close(): void;
}

/** Opens a line; rejects with a sentence when nothing is there. */
export type OpenLine = (events: LineEvents) => Promise<PrinterLine>;
