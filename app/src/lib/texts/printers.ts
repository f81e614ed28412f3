import { said, say } from '@kelbrin/core/words';

/** What is said where printers are added. */
export const printersTexts = said({
  title: 'Printers',
  what: 'Where each printer answers on the school’s network. The names are on the printers, too.',
  back: 'Print room',
  printer: (name: string) => say('Printer {name}', { name }),
  name: 'Name',
  model: 'Model',
  sheet: 'Machine sheet',
  noSheet: 'none',
  sheets: 'Machine sheets',
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
