/** A question and its answer, and when each was on its way, in ms on the device's even clock. */
export interface RoundTrip<Answer> {
  answer: Answer;
  sentAt: number;
  receivedAt: number;
}

/** What is asked for now, and whether by one alone all the time. */
const underWay = new Set<{ href: string; alone: boolean }>();

/**
 * Asks, and tells when the question left and its answer came, as the browser's network part has noted it. What a page
 * sees of it is longer, and longer on one side: a connection may have to be opened first, and a page that is busy
 * notices an answer late. Half of that would be taken for a difference between the clocks. Where the browser noted
 * nothing that lies within what the page saw, or the same was asked for twice at once, so that nobody knows whose note
 * it is, what the page saw is told.
 * @param path what is asked for, on this server
 * @param device the device's even clock
 */
export async function roundTrip<Answer>(
  path: string,
  device: () => number,
  ask: () => Promise<Answer>,
): Promise<RoundTrip<Answer>> {
  const { href } = new URL(path, location.href);
  const noted: PerformanceEntry[] = [];
  const own = { href, alone: true };
  for (const other of underWay) {
    if (other.href === href) own.alone = other.alone = false;
  }
  underWay.add(own);
  const observer = new PerformanceObserver((list) => void noted.push(...list.getEntries()));
  observer.observe({ type: 'resource' });
  try {
    const sentAt = device();
    const answer = await ask();
    const receivedAt = device();
    // What was noted and not told yet.
    noted.push(...observer.takeRecords());
    const entry = noted.findLast(({ name }) => name === href);
    if (own.alone && entry instanceof PerformanceResourceTiming) {
      const left = performance.timeOrigin + entry.requestStart;
      const came = performance.timeOrigin + entry.responseStart;
      if (sentAt <= left && left <= came && came <= receivedAt)
        return { answer, sentAt: left, receivedAt: came };
    }
    return { answer, sentAt, receivedAt };
  } finally {
    underWay.delete(own);
    observer.disconnect();
  }
}
