/** Which theme the studio is shown in: by day, or by night for dim rooms. */
export const THEME_COOKIE = 'upbeat_theme';
