import { said, say } from '@kelbrin/core/words';

/** What is said of materials. */
export const materialTexts = said({
  title: 'Materials',
  what: 'How the school prints each material, by the name on its rolls. It holds for all that is printed from now on; a printer goes no hotter and no faster than its machine sheet allows. Others are printed as is usual.',
  back: 'Printers',
  none: 'Nothing is noted: each material is printed as is usual.',
  begin: 'Note another material, beginning from',
  noteIt: 'Note it',
  newOne: 'New material',
  open: (name: string) => say('Change {name}', { name }),
  name: 'Name on the rolls',
  price: 'Price of 1 kg',
  drying: 'How it is dried',
  dryingHint: 'such as 4 hours at 65 °C',
  save: 'Save',
  saved: 'Saved.',
  short: (nozzleC: number, bedC: number) => say('nozzle {nozzleC} °C, plate {bedC} °C', { nozzleC, bedC }),
  remove: 'Forget it',
  removeNamed: (name: string) => say('Forget what is noted of {name}', { name }),
  removeTitle: (name: string) => say('Forget what is noted of {name}?', { name }),
  removeWhat: 'It is printed as is usual from now on.',
} as const);
