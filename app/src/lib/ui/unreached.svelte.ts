/** Whether it is said that a form did not arrive: until the next one does, somebody closes it, or leaves the page. */
export const unreached = $state({ isSaid: false });
