/** How long links to a version can be made to hold, in days. */
export const SHARE_DAYS = [1, 7, 30] as const;
