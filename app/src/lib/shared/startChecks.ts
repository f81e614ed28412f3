import * as z from 'zod';

/** What somebody looks at before a print is started, whichever way: each is ticked by hand and written down with the run. */
export const startChecks = ['spool', 'plate', 'sheet', 'watch'] as const;
export type StartCheck = (typeof startChecks)[number];

/** The checks that were ticked; those that are not known count for nothing. */
export const tickedChecks = z
  .array(z.string())
  .transform((given) => startChecks.filter((check) => given.includes(check)));
