/** Which look the studio is shown in: by day, or by night for dim rooms. */
export const LOOK_COOKIE = 'upbeat_look';
