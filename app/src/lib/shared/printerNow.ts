/** What a printer is at, as far as a print could be started on it. */
export interface PrinterAtWork {
  readonly status: { readonly online: boolean } | null;
  readonly run?: unknown;
  readonly change: unknown;
}

/** Whether a printer answers and prints nothing; its filament may be changed before a print is started. */
export function isFree({ status, run }: PrinterAtWork): boolean {
  return status?.online === true && run === undefined;
}

/** Whether a printer could begin a print at once: it is free, and no filament is being changed. */
export function isIdle(printer: PrinterAtWork): boolean {
  return isFree(printer) && printer.change === null;
}
