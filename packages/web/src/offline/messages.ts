/** Said to a worker that waits: a page begins, and it may take over if that is the only one. It answers by the port. */
export const TAKE_OVER = 'take-over-if-alone';
/** Its answer where another page is open: it waits on. */
export const NOT_NOW = 'not-now';
