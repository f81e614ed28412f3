import { said, say, sayList } from '@kelbrin/core/words';

/** What is said of machine sheets. */
export const machinesTexts = said({
  title: 'Machine sheets',
  what: 'What each model of printer can do, and its own G-code for the start and end of a print. All printers of a model use one sheet.',
  back: 'Printers',
  backToSheets: 'Machine sheets',
  none: 'There is no sheet yet. Start from the example that is most like your printers.',
  begin: 'New sheet from the example',
  create: 'Make the sheet',
  copy: 'Copy',
  copyNamed: (name: string) => say('Copy {name}', { name }),
  usedBy: (printers: readonly string[]) =>
    printers.length === 0
      ? say('No printer uses this sheet.')
      : say('Used by {printers}', { printers: sayList(printers) }),
  name: 'Name of the model',
  plate: 'Plate',
  shape: 'Shape of the plate',
  rectangle: 'rectangle',
  round: 'round',
  width: 'width',
  depth: 'depth',
  diameter: 'diameter',
  height: 'height',
  origin: 'Where x and y are 0',
  origins: { frontLeft: 'at the front left corner', middle: 'in the middle' },
  filament: 'Filament and nozzles',
  filamentMm: 'filament',
  nozzles: 'nozzles, mm, the usual one first',
  filaments: 'filaments it can change by itself',
  has: 'Equipment',
  heatsPlate: 'heated plate',
  hasChamber: 'heated chamber',
  levels: 'levels its plate before each print',
  dialect: 'Commands it takes',
  takesAccelerations: 'acceleration (M204)',
  takesCorners: 'corner distance (M205)',
  takesArcs: 'arcs (G2, G3)',
  retractsByItself: 'retraction by itself (G10, G11)',
  showsThumbnails: 'thumbnails at the head of a file',
  fanFull: 'Full fan speed is',
  filamentCounts: 'Filament is counted',
  counts: { relative: 'for each move (M83)', absolute: 'from the start of the print (M82)' },
  code: 'Its own G-code',
  codeHow:
    'One command a line. A name in curly brackets becomes its value, and you can calculate with it. Positions are absolute (G90) and filament is counted for each move (M83), unless you change it.',
  namesTitle: 'What can be named',
  preview: (batch?: string) =>
    batch === undefined
      ? say('As it would be written')
      : say('As it would be written for {batch}', { batch }),
  noFault: 'No problem found',
  line: (line: number, problem: string) => say('Line {line}: {problem}', { line, problem }),
  save: 'Save the sheet',
  saved: 'Saved.',
  unsaved: 'Not saved yet.',
  leave: 'The sheet is not saved. Leave without saving?',
  remove: 'Delete the sheet',
  removeTitle: (name: string) => say('Delete {name}?', { name }),
  removeWhat: 'Its G-code and figures are gone then. Printers are not changed.',
  notWhole: 'The sheet was not received completely. Save it again.',
} as const);
