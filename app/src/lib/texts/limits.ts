import { said, say } from '@kelbrin/core/words';

/** What the pages of limits cards say. */
export const limitsTexts = said({
  title: 'Limits cards',
  what: 'What a printer can make, and what a class allows. Students’ designs are checked against the card of their class.',
  back: 'Limits cards',
  create: 'New card',
  copy: 'Copy',
  open: (name: string) => say('Open {name}', { name }),
  usedBy: (classes: readonly string[]) =>
    classes.length === 0 ? say('no class uses it') : classes.join(', '),
  school: 'the school’s',
  own: 'yours',
  name: 'Name',
  printerModel: 'For printers of the model',
  material: 'Material',
  currency: 'The school counts its money in',
  setCurrency: 'Set',
  supports: 'Supports',
  supportsWhy: 'For parts whose brief lets them be held while they are printed.',
  supportStands: said({
    none: 'none',
    plate: 'from the plate alone',
    part: 'from the plate and from the part',
  }),
  layerHeights: 'Layer heights allowed, mm',
  save: 'Save',
  saved: 'Saved.',
  unsaved: 'Not saved yet.',
  leave: 'This card is not saved yet. Leave without saving?',
  effect:
    'When you save, open projects and waiting hand-ins are checked again. Approved parts that now fail are marked in the queue.',
  remove: 'Delete this card',
  notWhole: 'The card was not saved completely. Save it again.',
  ofClass: 'Limits card',
  choose: 'Use this card',
} as const);
