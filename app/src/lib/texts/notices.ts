import { said, say } from '@kelbrin/core/words';
import type { BriefNews, PrinterNews, ProjectNews } from '../server/platform/notices.ts';

interface About {
  readonly count: number;
  readonly brief: string;
  readonly className: string;
  readonly printer: string;
}

/** What notices say. */
export const noticeTexts = said({
  title: 'Notices',
  unseen: (count: number) =>
    say('{count, plural, one {Notices, one of them new} other {Notices, # of them new}}', { count }),
  none: 'There is nothing to tell you yet.',
  photo: 'Photo of the part',
  isNew: 'new',
  says: {
    sent_back: ({ brief }) =>
      say('“{brief}” came back: read what to change, and hand it in again.', { brief }),
    refused: ({ brief }) => say('“{brief}” could not be handed in: open the bench to read why.', { brief }),
    approved: ({ brief }) => say('“{brief}” is approved and waits for a printer.', { brief }),
    printed: ({ brief }) => say('“{brief}” is printed: fetch it from the print room.', { brief }),
    handed_in: ({ count, brief, className }) =>
      say('{count, plural, one {A hand-in} other {# hand-ins}} for “{brief}” in {className}.', {
        count,
        brief,
        className,
      }),
    in_doubt: ({ count, brief, className }) =>
      say(
        '{count, plural, one {An approval} other {# approvals}} for “{brief}” in {className} may not hold since the limits card was changed.',
        {
          count,
          brief,
          className,
        },
      ),
    run_failed: ({ count, brief, className }) =>
      say('{count, plural, one {A print} other {# prints}} for “{brief}” in {className} failed.', {
        count,
        brief,
        className,
      }),
    print_failed: ({ brief }) =>
      say('Your part for “{brief}” did not come out well on the printer. It is printed again.', { brief }),
    part_failed: ({ count, brief, className }) =>
      say(
        '{count, plural, one {A part} other {# parts}} for “{brief}” in {className} did not come out well and {count, plural, one {waits} other {wait}} for you in the queue.',
        { count, brief, className },
      ),
    run_waits: ({ count, brief, className }) =>
      say(
        '{count, plural, one {A print} other {# prints}} for “{brief}” in {className} has stopped and waits for somebody at the printer.',
        { count, brief, className },
      ),
    run_silent: ({ count, brief, className }) =>
      say(
        '{count, plural, one {A printer does} other {Printers do}} not answer while printing for “{brief}” in {className}: look at it.',
        { count, brief, className },
      ),
    brief_late: ({ brief, className }) =>
      say(
        '“{brief}” in {className} will not be printed in time as things are: the plan says which parts will be late.',
        { brief, className },
      ),
    run_due: ({ count, brief, className }) =>
      say(
        '{count, plural, one {A print} other {# prints}} for “{brief}” in {className} should be done: look, and say how it went.',
        { count, brief, className },
      ),
    printer_hot: ({ printer }) =>
      say('{printer} is hot and prints nothing: look at it, and switch its heaters off.', { printer }),
  } satisfies Record<ProjectNews | BriefNews | PrinterNews, (about: About) => string>,
} as const);
