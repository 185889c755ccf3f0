/** The name under which a form sends its errand along: an id that stays the same until an answer has come. */
export const ERRAND = 'errand';
