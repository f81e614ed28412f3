/** What the page of a teacher's classes says. */
export const classPage = {
  code: 'class code',
  people: 'People',
  lesson: 'Lesson',
  edit: 'Edit the brief',
  newBrief: 'New brief',
  none: 'You have no class yet.',
  newClass: 'A new class',
  newClassExample: 'Year 8, Heron group',
  create: 'Create',
} as const;
