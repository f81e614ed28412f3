/** The solid is built in the browser, anew with every edit of the student's. */
export const ssr = false;
