import { said, say, sayList } from '@kelbrin/core/words';

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
  family: 'A family of sizes',
  familyNeedsMeasure:
    'The members of a family differ in a measure. Add one to this part, and use its name in the sentences; then come back.',
  familyWhat:
    'Each row of sizes makes a part like this one. A part that has the name of a row already is made anew.',
  familyMeasures: 'What differs',
  familySizes: (measures: readonly string[]) =>
    measures.length < 2
      ? say('Sizes, as many as there shall be parts')
      : say('Sizes, a line for each part: {measures}', { measures: sayList(measures) }),
  familyUnused: (measure: string) =>
    say('No sentence uses “{measure}” yet, so that all parts will be alike in it.', { measure }),
  familyParts: 'Parts that are made',
  familyAnew: 'made anew',
  makeFamily: (count: number) =>
    say('{count, plural, =0 {Make parts} one {Make a part} other {Make # parts}}', { count }),
  closeFamily: 'Close',
  beside: 'Look at two parts side by side',
  besideTitle: 'Parts side by side',
  leftPart: 'Part on the left',
  rightPart: 'Part on the right',
  partSizes: (sizes: string) => say('{sizes} mm', { sizes }),
  copyPart: 'Copy this part',
  copyPartWhy: 'Copy this part before a bold change',
  deletePart: 'Delete this part',
  thisIsHandedIn: 'This part is the one that you will hand in; the others stay in your project.',
  otherIsHandedIn: (part: string) => say('“{part}” is the one that you will hand in.', { part }),
  handInThis: 'Hand in this one instead',
} as const);
