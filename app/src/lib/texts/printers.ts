/** What is said where printers are added. */
export const printersTexts = {
  title: 'Printers',
  what: 'Where each printer answers on the school’s network. The names are on the printers, too.',
  back: 'Print room',
  printer: (name: string) => `Printer ${name}`,
  name: 'Name',
  model: 'Model',
  host: 'Address',
  port: 'Port',
  answers: 'answers',
  silent: 'does not answer',
  save: 'Save',
  retire: 'Retire this printer',
  retireNamed: (name: string) => `Retire this printer: ${name}`,
  retireTitle: (name: string) => `Retire ${name}?`,
  retireWhat:
    'It is no longer offered for printing. What it has printed is kept, and it can be brought back.',
  retired: 'No longer used',
  bringBack: (name: string) => `Use ${name} again`,
  none: 'No printer has been added yet.',
  add: 'Add a printer',
} as const;
