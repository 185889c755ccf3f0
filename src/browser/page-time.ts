/** The newest page that this browser has got, and when it came by the device's own time of day. Epoch ms. */
let newest = { at: 0, since: 0 };

/**
 * What time it is on the server, by the pages that came from it. The device's time of day goes on while it sleeps,
 * which its even clock does not.
 * @param at when the server made a page that is to be seen, epoch ms
 * @returns never earlier than that
 */
export function timeByPages(at: number): number {
  const device = Date.now();
  if (at > newest.at) newest = { at, since: device };
  return Math.max(at, newest.at + device - newest.since);
}
