/** Times are told by the clock of whoever looks. */
export const ssr = false;
