import { inHours } from '@kelbrin/core/inspect';

/** What the pages of a teacher's classes say. */
export const classPage = {
  title: 'Classes',
  code: 'class code',
  people: 'People',
  download: 'Everything as a zip',
  lesson: 'Lesson',
  edit: 'Edit the brief',
  teams: 'Teams',
  with: (names: readonly string[]) => `with ${names.join(' & ')}`,
  notBegun: 'not begun',
  partOf: (student: string) => `${student}’s part`,
  look: 'Look at the bench',
  newBrief: 'New brief',
  none: 'You have no class yet.',
  noBrief: 'There is no brief for this class yet.',
  newClass: 'A new class',
  newClassExample: 'Year 8, Heron group',
  create: 'Create',
  due: (day: string) => `due ${day}`,
  review: (count: number) => `Review ${count} hand-in${count === 1 ? '' : 's'}`,
  filePattern: 'What the files of this class are called',
  forExample: 'For example',
  exampleOfFile: { brief: 'Seed-tray labels', student: 'Asha', part: 'Label' },
  save: 'Save',
  toReview: 'To review',
  waits: (count: number) => (count === 1 ? 'One hand-in waits for you.' : `${count} hand-ins wait for you.`),
  nothingWaits: 'No hand-in waits for you.',
  needHelp: 'Who needs you',
  nobodyNeeds: 'Nobody asks for help, and nobody is stuck.',
  printing: 'On the printers',
  offline: 'does not answer',
  prints: (students: readonly string[], seconds: number) =>
    `prints for ${students.length > 2 ? `${students.length} students` : students.join(' and ')}, ${inHours(seconds)} left`,
  free: 'is free',
  isShut: 'Somebody cannot sign in',
  noPrinter: 'Add your printers',
  queued: (count: number) =>
    count === 1 ? 'One part waits in the queue' : `${count} parts wait in the queue`,
  students: (count: number) => (count === 1 ? 'one student' : `${count} students`),
  figures: (begun: number, of: number, waiting: number, approved: number) =>
    [
      `${begun} of ${of} begun`,
      ...(waiting > 0 ? [`${waiting} to review`] : []),
      `${approved} approved`,
    ].join(', '),
} as const;
