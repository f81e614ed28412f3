/**
 * Why the last form was not taken, where its page cannot say it: it is said over the page until the next form is, somebody
 * closes it, or leaves the page.
 */
export const formRefusal = $state<{ words?: string }>({});
