/** What the lesson view says. */
export const lessonTexts = {
  title: (brief: string) => `Lesson: ${brief}`,
  back: 'Class',
  backToLesson: 'Lesson',
  columns: {
    student: 'Student',
    need: 'Where they are',
    prompt: 'Prompt',
    steps: 'Steps',
    inspection: 'Inspection',
    activity: 'Last edit',
  },
  noPrompts: 'no prompts',
  allPrompts: 'all done',
  prompt: (at: number, of: number) => `${at} of ${of}`,
  asks: (minutes: number) => (minutes < 1 ? 'asks for help' : `has been asking for help for ${minutes} min`),
  stuck: (minutes: number) => `stuck for ${minutes} min: a check fails`,
  quiet: (minutes: number) => `nothing was changed for ${minutes} min`,
  fails: 'a check fails',
  notBegun: 'has not begun',
  helped: 'I have helped',
  watch: (name: string) => `Look at ${name}’s bench`,
  ago: (minutes: number) =>
    minutes < 1
      ? 'just now'
      : minutes < 60
        ? `${minutes} min ago`
        : minutes < 48 * 60
          ? `${Math.round(minutes / 60)} h ago`
          : `${Math.round(minutes / (24 * 60))} days ago`,
  summary: {
    asks: (count: number) => `${count} ask${count === 1 ? 's' : ''} for help`,
    fail: (count: number) => `${count} ${count === 1 ? 'has' : 'have'} a check that fails`,
    notBegun: (count: number) => `${count} ${count === 1 ? 'has' : 'have'} not begun`,
    toReview: (count: number) => `${count} to review`,
  },
  readOnly: 'Live, as it is on the student’s bench. Nothing can be changed here.',
  notBuilt: 'The recipe cannot be built as it is now:',
  nobody: 'There are no students in this class yet.',
} as const;
