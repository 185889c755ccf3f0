/**
 * Where people reach this Up Beat, for addresses in letters. It is configured and never taken from a request,
 * since whoever sends a request could name a host of their own.
 */
export const addressOf = (path: string): string =>
  new URL(path, process.env.UPBEAT_URL ?? 'http://127.0.0.1:3000').href;
