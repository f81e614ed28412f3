import type { BriefNews, ProjectNews } from '../server/platform/notices.ts';

interface About {
  readonly count: number;
  readonly brief: string;
  readonly className: string;
}

/** What notices say. */
export const noticeTexts = {
  title: 'Notices',
  unseen: (count: number) => (count === 1 ? 'Notices, one of them new' : `Notices, ${count} of them new`),
  none: 'There is nothing to tell you yet.',
  isNew: 'new',
  says: {
    sent_back: ({ brief }) => `“${brief}” came back: read what to change, and hand it in again.`,
    refused: ({ brief }) => `“${brief}” could not be handed in: open the bench to read why.`,
    approved: ({ brief }) => `“${brief}” is approved and waits for a printer.`,
    printed: ({ brief }) => `“${brief}” is printed: fetch it from the print room.`,
    handed_in: ({ count, brief, className }) =>
      `${count === 1 ? 'A hand-in' : `${count} hand-ins`} for “${brief}” in ${className}.`,
    in_doubt: ({ count, brief, className }) =>
      `${count === 1 ? 'An approval' : `${count} approvals`} for “${brief}” in ${className} may not hold since the limits card was changed.`,
    run_failed: ({ count, brief, className }) =>
      `${count === 1 ? 'A print' : `${count} prints`} for “${brief}” in ${className} failed.`,
  } satisfies Record<ProjectNews | BriefNews, (about: About) => string>,
} as const;
