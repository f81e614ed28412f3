/** The solid is built in the browser. */
export const ssr = false;
