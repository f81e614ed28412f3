import { said, say } from '@kelbrin/core/words';

/** What the lesson view says. */
export const lessonTexts = said({
  title: (brief: string) => say('Lesson: {brief}', { brief }),
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
  prompt: (at: number, of: number) => say('{at} of {of}', { at, of }),
  asks: (minutes: number) =>
    minutes < 1 ? say('asks for help') : say('has been asking for help for {minutes} min', { minutes }),
  stuck: (minutes: number) => say('stuck for {minutes} min: a check fails', { minutes }),
  quiet: (minutes: number) => say('nothing was changed for {minutes} min', { minutes }),
  fails: 'a check fails',
  notBegun: 'has not begun',
  helped: 'I have helped',
  here: 'here',
  watch: (name: string) => say('Look at {name}’s bench', { name }),
  ago: (minutes: number) =>
    minutes < 1
      ? say('just now')
      : minutes < 60
        ? say('{minutes} min ago', { minutes })
        : minutes < 48 * 60
          ? say('{minutes} h ago', { minutes: Math.round(minutes / 60) })
          : say('{minutes} days ago', { minutes: Math.round(minutes / (24 * 60)) }),
  summary: {
    asks: (count: number) => say('{count, plural, one {# asks for help} other {# ask for help}}', { count }),
    fail: (count: number) =>
      say('{count, plural, one {# has} other {# have}} a check that fails', {
        count,
      }),
    notBegun: (count: number) =>
      say('{count, plural, one {# has} other {# have}} not begun', {
        count,
      }),
    toReview: (count: number) => say('{count} to review', { count }),
  },
  readOnly: 'Live, as it is on the student’s bench. Nothing can be changed here.',
  notBuilt: 'The recipe cannot be built as it is now:',
  nobody: 'There are no students in this class yet.',
} as const);
