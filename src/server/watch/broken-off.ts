/**
 * Whether something failed because whoever asked broke off while they sent: a phone whose network went, a page that was
 * shut. It is what node says of a request in that case, and of nothing else.
 */
export const isBrokenOff = (error: unknown): boolean =>
  error instanceof Error &&
  'code' in error &&
  error.code === 'ECONNRESET' &&
  error.message === 'aborted';
