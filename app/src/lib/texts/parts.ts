import { said, say } from '@kelbrin/core/words';

/** What is said of the parts of a project. */
export const partTexts = said({
  parts: 'Parts',
  toHandIn: 'to be handed in',
  nameOfPart: 'name of the part',
  addPart: 'Add a part',
  newPart: 'Part',
  emptyPart: 'An empty part',
  copyOfPart: 'A copy of this part',
  anExample: 'An example',
  fromFile: 'A part from a 3MF file',
  copyPart: 'Copy this part',
  copyPartWhy: 'Copy this part before a bold change',
  deletePart: 'Delete this part',
  thisIsHandedIn: 'This part is the one that you will hand in; the others stay in your project.',
  otherIsHandedIn: (part: string) => say('“{part}” is the one that you will hand in.', { part }),
  handInThis: 'Hand in this one instead',
} as const);
