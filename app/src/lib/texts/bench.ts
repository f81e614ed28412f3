import { sayList, said, say } from '@kelbrin/core/words';

/** "Step 4 is", "Steps 4 and 5 are", by their numbers as they will be. */
function inSteps(places: readonly number[]): string {
  return say('{count, plural, one {Step {places} is} other {Steps {places} are}}', {
    count: places.length,
    places: sayList(places.map(String)),
  });
}

/** What the bench says around recipe, solid and inspection. */
export const benchTexts = said({
  recipe: 'Recipe',
  inspection: 'Inspection',
  part: 'Part',
  plan: 'Plan',
  solid: 'Solid',
  solidLarge: 'Solid large',
  planLarge: 'Plan large',
  undo: 'Undo',
  redo: 'Redo',
  versions: 'Versions',
  keys: 'Keyboard keys',
  export: 'Export',
  close: 'Close',
  saved: 'saved',
  saving: 'saving …',
  offline: 'No connection. Your work is kept on this computer and saved when the connection is back.',
  changedElsewhere: 'Changed somewhere else',
  signedOut: 'Signed out. Your work is kept on this computer.',
  busy: 'The server is busy. Your work is kept on this computer and saved in a moment.',
  refused: 'Not saved. Your work is kept on this computer.',
  signedOutWhat:
    'You are signed out. What you did since is kept on this computer, and is saved when you sign in again.',
  signIn: 'Sign in',
  refusedWhat: 'The server cannot save this. It is kept on this computer.',
  unreadWhat:
    'Something that was not saved lies on this computer, and this Kelbrin cannot read it. Keep it as a file, so that it is not lost.',
  keepAsFile: 'Keep as a file',
  throwAway: 'Throw away',
  isFull: (most: number, what: string) =>
    say('There are {most} {what} already, which is as many as there can be.', { most, what }),
  whichState:
    'A team-mate or another tab changed this project while you did. Which of the two do you want to keep?',
  notLost: 'The other one is not lost: Undo brings it back.',
  keepMine: 'Keep mine',
  takeTheirs: 'Take the other one',
  arithmetic: 'Numbers take units and arithmetic:',
  shapeBefore: 'This is the shape before the last change: the recipe cannot be built as it is now.',
  nothingToPrint: 'nothing to print yet',
  empty: 'The recipe is empty. Begin with a shape, or',
  emptyExample: 'from an example',
  addStep: 'Add a step',
  groupAdd: 'Add',
  groupCut: 'Cut',
  groupRepeat: 'Repeat',
  groupWhole: 'The whole',
  fromExample: 'Begin from an example',
  exampleWhat:
    'Every number of an example can be changed. If this part has steps already, the example becomes a part beside it.',
  moveStep: (number: number) =>
    say('Move step {number}: drag it, or press the up and down arrows', { number }),
  moveStepHow: 'Drag to move, or press the up and down arrows',
  nameStep: (number: number) => say('Name step {number}', { number }),
  giveName: 'Give it a name',
  nameOfStep: (number: number) => say('name of step {number}', { number }),
  copyStep: (number: number) => say('Copy step {number}', { number }),
  copy: 'Copy',
  stepOn: (number: number) => say('Switch step {number} on', { number }),
  stepOff: (number: number) => say('Switch step {number} off', { number }),
  switchOn: 'Switch on',
  switchOff: 'Switch off',
  isOff: 'Switched off.',
  switchedOff: 'switched off',
  deleteStep: (number: number) => say('Delete step {number}', { number }),
  remove: 'Delete',
  breaks: {
    delete: (step: number) => say('Delete step {step}?', { step }),
    move: (step: number) => say('Move step {step}?', { step }),
  },
  breaksWhat: {
    delete: (broken: readonly number[]) =>
      say('{inSteps} then without what it names, and the part cannot be built until that is mended.', {
        inSteps: inSteps(broken),
      }),
    move: (broken: readonly number[]) =>
      say('{inSteps} then naming what comes later, and the part cannot be built until that is mended.', {
        inSteps: inSteps(broken),
      }),
  },
  breaksYes: { delete: 'Delete it', move: 'Move it' },
  breaksNo: 'Leave it',
  foldStep: (number: number) => say('Step {number}, fold', { number }),
  unfoldStep: (number: number) => say('Step {number}, unfold', { number }),
  moreFor: (number: number) => say('More for step {number}', { number }),
  more: 'more',
  stepsToChoose: 'steps to be chosen',
  noStepBefore: 'No step comes before this one.',
  cornersToChoose: 'which?',
  tapCorners: 'Tap them on the plan',
  outerCorner: (number: number) => say('{number}, an outer corner', { number }),
  innerCorner: (number: number) => say('{number}, an inner corner', { number }),
  noCorners: 'This outline has no corners.',
  measures: 'Measures',
  addMeasure: 'Add a measure',
  nameOfMeasure: 'name of the measure',
  share: (measure: string) => say('Share {measure} with all parts', { measure }),
  shareIt: 'Share it with all parts',
  isShared: 'All parts have this measure',
  deleteMeasure: (measure: string) => say('Delete the measure {measure}', { measure }),
  faces: 'Faces that it can lie on',
  chooseFace: 'Click a face, or choose one',
  svgFile: 'SVG file',
  fileToImport: 'File to import',
  fileOfPart: 'File of a part',
  drawingTooLarge: (file: string) =>
    say('{file} is larger than a drawing can be: save it with fewer shapes.', { file }),
  projectTooLarge: (file: string) => say('{file} is larger than a project can be.', { file }),
  noRecipeIn: (file: string) => say('{file} holds no recipe: it can be a step, by “import”.', { file }),
  recipeDamaged: (file: string) => say('{file}: the recipe inside is damaged. Save it again.', { file }),
  fileDamaged: (file: string) => say('{file} is damaged and cannot be read. Save it again.', { file }),
  notTaken: (file: string) => say('{file} could not be taken in: try again in a moment.', { file }),
  facesDown: 'the one it lies on now',
} as const);
