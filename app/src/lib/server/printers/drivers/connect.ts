import type { Connection } from '../../../shared/connection.ts';
import { CardDriver, type SaidByHand } from './cardDriver.ts';
import type { PrinterDriver } from './driver.ts';
import { networkLine } from './networkLine.ts';
import { SerialDriver } from './serialDriver.ts';
import { usbLine } from './usbLine.ts';

/** What connecting takes beside how a printer is reached. */
export interface Connecting {
  /** Throws when nothing may be sent to the printer any more. */
  mayWrite(): void;
  /** What a person has said of the run that is on a printer which nothing is connected to. */
  said(): Promise<SaidByHand | undefined>;
}

/** Connects to a printer; rejects with a sentence when it does not answer. */
export async function connectPrinter(
  connection: Connection,
  { mayWrite, said }: Connecting,
): Promise<PrinterDriver> {
  switch (connection.way) {
    case 'network':
      return SerialDriver.connect(networkLine(connection.host, connection.port), mayWrite);
    case 'usb':
      return SerialDriver.connect(usbLine(connection.path, connection.baudRate), mayWrite);
    case 'card':
      return new CardDriver(connection.card ?? undefined, said, mayWrite);
  }
}
