import { said, say } from '@kelbrin/core/words';

/** What the page of a class's people says. */
export const people = said({
  title: 'People',
  ofClass: (name: string) => say('{name}: people', { name }),
  classCode: 'class code',
  back: 'Class',
  students: 'Students',
  noStudents: 'Nobody is in this class yet.',
  name: 'Name',
  signInName: 'Sign-in name',
  pin: 'PIN',
  line: 'Line',
  archived: 'archived',
  chooseAll: 'Choose all students',
  choose: (name: string) => say('Choose {name}', { name }),
  chosen: (count: number) =>
    say('{count, plural, one {one student chosen} other {# students chosen}}', { count }),
  newPins: 'New PINs and cards',
  archive: 'Archive',
  restore: 'Bring back',
  rename: 'Rename',
  save: 'Save',
  cancel: 'Cancel',
  moveTo: 'Move to',
  move: 'Move',
  remove: 'Delete …',
  removeTitle: (name: string) => say('Delete {name} with all work?', { name }),
  removeWhat:
    'Sign-in, designs, versions, hand-ins, print files and their places in the queue go for good. Nothing of it can be brought back.',
  removeConfirm: (name: string) => say('Type “{name}” to say that you mean it', { name }),
  removeNow: 'Delete for good',
  add: 'Add students',
  listLabel: 'One student a line: name, sign-in name, PIN. The last two may be left out.',
  listFile: 'Read a CSV file',
  listExample: 'Ada Okafor\nBen Lind, ben\nCai Ember, cai, 481516',
  readAs: 'How the list is read; change it where it is wrong.',
  encoding: 'Letters',
  encodings: {
    'utf-8': 'UTF-8',
    'windows-1252': 'Windows, Western Europe',
    'windows-1250': 'Windows, Central Europe',
    'utf-16le': 'UTF-16',
    macintosh: 'older Mac',
  },
  delimiter: 'Between columns',
  delimiters: { ',': 'a comma', ';': 'a semicolon', '\t': 'a tab' },
  column: (number: number, example: string) =>
    say('Column {number}{example}', {
      number,
      example: example === '' ? '' : `, “${example.length > 18 ? `${example.slice(0, 17)}…` : example}”`,
    }),
  columns: {
    name: 'name',
    familyName: 'family name',
    firstName: 'first name',
    signInName: 'sign-in name',
    pin: 'PIN',
    none: 'left out',
  },
  hasHeading: 'The first line is a heading',
  pinMade: 'made',
  linesWrong: (count: number) =>
    say(
      '{count, plural, one {One line has to be mended first; nobody is added until then.} other {# lines have to be mended first; nobody is added until then.}}',
      { count },
    ),
  addThem: (count: number) =>
    count === 0
      ? say('Add students')
      : say('{count, plural, one {Add one student} other {Add # students}}', { count }),
  cardsTitle: 'Sign-in cards',
  cardsOnce:
    'Print these now, or write them down. Nobody can look up a PIN later, so it is shown only now. Whoever loses a card gets a new PIN.',
  print: 'Print',
  done: 'Done',
  cardHow: (address: string) => say('Open {address}, choose Students, and type:', { address }),
  helpers: 'Helpers',
  helpersWhat: 'Helpers run the print room; they cannot approve anything.',
  noHelpers: 'This class has no helper.',
  shutNames: (names: readonly string[]) =>
    say(
      'Too many wrong tries: {count, plural, one {{names} has} other {{names} have}} to wait a few minutes.',
      {
        count: names.length,
        names: names.join(', '),
      },
    ),
  shutClass:
    'Somebody has tried very many PINs today. Whoever signs in on a device that nobody of the class used before has to wait until tomorrow.',
  unlock: 'Let them try again',
  shares: 'Links to students’ work',
  sharesWhat: 'Whoever has such a link sees the version it leads to, without signing in.',
  noShares: 'There are none.',
  share: (student: string, brief: string, version: number) =>
    say('{student}: {brief}, version {version}', { student, brief, version }),
  shareUntil: (day: string) => say('until {day}', { day }),
  revoke: 'End the link',
  revokeNamed: (student: string, version: number) =>
    say('End the link to {student}’s version {version}', { student, version }),
  helperName: 'Name',
  helperEmail: 'E-mail address',
  addHelper: 'Add a helper',
  removeHelper: (name: string) => say('Remove {name} as helper', { name }),
  helperPassword: (email: string, password: string) =>
    say('{email} signs in with the password {password}. It is shown this once.', { email, password }),
  helperKnown: (email: string) =>
    say('{email} helps in this class now too, with the password they have.', { email }),
} as const);
