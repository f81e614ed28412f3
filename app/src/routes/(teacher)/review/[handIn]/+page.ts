/** The solid is built in the browser, from the frozen recipe. */
export const ssr = false;
