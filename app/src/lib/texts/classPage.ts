import { said, say } from '@kelbrin/core/words';
import { inHours } from '@kelbrin/core/inspect';

/** What the pages of a teacher's classes say. */
export const classPage = said({
  title: 'Classes',
  code: 'class code',
  people: 'People',
  download: 'Everything as a zip',
  lesson: 'Lesson',
  edit: 'Edit the brief',
  teams: 'Teams',
  with: (names: readonly string[]) => say('with {names}', { names: names.join(' & ') }),
  notBegun: 'not begun',
  partOf: (student: string) => say('{student}’s part', { student }),
  look: 'Review',
  lookAt: (student: string) => say('Review {student}’s part', { student }),
  newBrief: 'New brief',
  none: 'You have no class yet.',
  noBrief: 'There is no brief for this class yet.',
  newClass: 'A new class',
  newClassExample: 'Year 8, Heron group',
  create: 'Create',
  due: (day: string) => say('due {day}', { day }),
  review: (count: number) =>
    say('Review {count, plural, one {# hand-in} other {# hand-ins}}', {
      count,
    }),
  filePattern: 'What the files of this class are called',
  forExample: 'For example',
  exampleOfFile: { brief: 'Seed-tray labels', student: 'Asha', part: 'Label' },
  save: 'Save',
  toReview: 'To review',
  waits: (count: number) =>
    say('{count, plural, one {One hand-in waits for you.} other {# hand-ins wait for you.}}', { count }),
  nothingWaits: 'No hand-in waits for you.',
  needHelp: 'Who needs you',
  nobodyNeeds: 'Nobody asks for help, and nobody is stuck.',
  printing: 'On the printers',
  offline: 'does not answer',
  prints: (students: readonly string[], seconds: number) =>
    say('prints for {students}, {seconds} left', {
      students:
        students.length > 2
          ? say('{count} students', { count: students.length })
          : students.join(say(' and ')),
      seconds: inHours(seconds),
    }),
  free: 'is free',
  isShut: 'Somebody cannot sign in',
  noPrinter: 'Add your printers',
  queued: (count: number) =>
    say('{count, plural, one {One part waits in the queue} other {# parts wait in the queue}}', { count }),
  students: (count: number) => say('{count, plural, one {one student} other {# students}}', { count }),
  figures: (begun: number, of: number, waiting: number, approved: number) =>
    [
      say('{begun} of {of} begun', { begun, of }),
      ...(waiting > 0 ? [say('{waiting} to review', { waiting })] : []),
      say('{approved} approved', { approved }),
    ].join(', '),
} as const);
