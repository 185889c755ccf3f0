/** The cookie by which a device that follows is known again. */
export const FOLLOW_COOKIE = 'upbeat_follow';

/** Most lines that followers have open at one process. */
export const MOST_LINES = 5000;
/** Most lines of one follower: some tabs of one browser. */
export const MOST_LINES_EACH = 4;
