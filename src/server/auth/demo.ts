/** Whether this server has a demo; without it nobody is in one, however they signed in. */
export const demoIsOn = (): boolean => process.env.UPBEAT_DEMO === '1';

const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]']);

/** Whether people reach this server from elsewhere, so that visitors of the demo do not share it. */
export function isPublic(): boolean {
  const url = process.env.UPBEAT_URL;
  return url !== undefined && !LOOPBACK.has(new URL(url).hostname);
}
