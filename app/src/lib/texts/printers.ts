import type { Connection } from '../shared/connection';
import { said, say } from '@kelbrin/core/words';

/** What is said where printers are added. */
export const printersTexts = said({
  title: 'Printers',
  what: 'How each printer is reached. The names are on the printers, too.',
  back: 'Print room',
  printer: (name: string) => say('Printer {name}', { name }),
  name: 'Name',
  model: 'Model',
  sheet: 'Machine sheet',
  noSheet: 'none',
  sheets: 'Machine sheets',
  way: 'Connected by',
  ways: { network: 'network', usb: 'USB cable', card: 'memory card' } satisfies Record<
    Connection['way'],
    string
  >,
  usbPort: 'Plugged into',
  noUsbPort: 'No printer is plugged into the server. Plug it in, switch it on, and load this page again.',
  baudRate: 'Bits a second',
  card: 'Files go to',
  noCard: 'a download',
  cardNamed: (card: string) => say('the card “{card}”', { card }),
  byHand: 'by memory card',
  host: 'Address',
  port: 'Port',
  answers: 'answers',
  silent: 'does not answer',
  save: 'Save',
  retire: 'Retire this printer',
  retireNamed: (name: string) => say('Retire this printer: {name}', { name }),
  retireTitle: (name: string) => say('Retire {name}?', { name }),
  retireWhat:
    'It is no longer offered for printing. What it has printed is kept, and it can be brought back.',
  retired: 'No longer used',
  bringBack: (name: string) => say('Use {name} again', { name }),
  none: 'No printer has been added yet.',
  add: 'Add a printer',
} as const);
