/**
 * How a device that follows finds out what time it is on the server, and how its clock gets there. As in the Network
 * Time Protocol (RFC 5905, section 8) a round trip says how far apart the clocks are, and half of its delay, with what
 * the device may have drifted since, is how far off that can be. The truth is within what each of them allows, so it is
 * where all of them overlap (as section 11.2.1 takes it of several servers): the quickest way there and the quickest way
 * back are believed, though they were not of the same round trip.
 */

/** One round trip: device times in ms on its even clock, server times in epoch ms. */
export interface Exchange {
  sentAt: number;
  /** When the question had reached the server, and when the answer left it. */
  arrived: number;
  answered: number;
  receivedAt: number;
}

/** What a round trip says. */
interface Sample {
  /** Server less device, in ms. */
  offsetMs: number;
  delayMs: number;
  at: number;
}

/** How many round trips are kept: some of them were quick on the way there, others on the way back. */
const KEPT = 16;
/** The server tells whole ms. */
const PRECISION_MS = 1;
/** How far apart two clocks may drift, in ms a ms: 15 parts in a million, as RFC 5905 takes it. */
export const DRIFT = 15e-6;

export const sampleOf = ({ sentAt, arrived, answered, receivedAt }: Exchange): Sample => ({
  offsetMs: (arrived - sentAt + (answered - receivedAt)) / 2,
  delayMs: Math.max(0, receivedAt - sentAt - (answered - arrived)),
  at: receivedAt,
});

/** The server's time as it is known best. */
export interface Known {
  offsetMs: number;
  /** How far off that can be, in ms. */
  errorMs: number;
  delayMs: number;
}

/** The latest round trips, and what they say together. */
export class Exchanges {
  private samples: Sample[] = [];

  add(exchange: Exchange): void {
    this.samples.push(sampleOf(exchange));
    if (this.samples.length > KEPT) this.samples.shift();
  }

  /** The device slept, or its clock was set: what was known before says nothing any more. */
  forget(): void {
    this.samples = [];
  }

  get count(): number {
    return this.samples.length;
  }

  /** @param device the device's time now; null where nothing was heard yet */
  known(device: number): Known | null {
    const spans = this.samples.map(({ offsetMs, delayMs, at }) => {
      const errorMs = delayMs / 2 + DRIFT * Math.max(0, device - at) + PRECISION_MS;
      return { from: offsetMs - errorMs, to: offsetMs + errorMs, delayMs };
    });
    const [quickest] = [...spans].sort((a, b) => a.to - a.from - (b.to - b.from));
    if (!quickest) return null;
    const from = Math.max(...spans.map((span) => span.from));
    const to = Math.min(...spans.map((span) => span.to));
    // Where they contradict one another a clock was set; the quickest is believed until the others are gone.
    const best = from <= to ? { from, to } : quickest;
    return {
      offsetMs: (best.from + best.to) / 2,
      errorMs: (best.to - best.from) / 2,
      delayMs: quickest.delayMs,
    };
  }
}

/** So much of the time that passes a clock is set right by, so that nothing is seen to jump. */
const SLEW = 0.1;
/** A clock that is further behind than this goes there at once, and one further ahead stands until then, in ms. */
export const FAR_MS = 1000;

/**
 * The offset to go by after some time, on the way to the one that is known: smoothly, and so that the clock never runs
 * backwards.
 * @param passedMs how much time has passed on the device since the offset was looked at last
 */
export function slewed(shownMs: number, knownMs: number, passedMs: number): number {
  const apart = knownMs - shownMs;
  if (apart > FAR_MS) return knownMs;
  const rate = apart < -FAR_MS ? 1 : SLEW;
  const most = rate * Math.max(0, passedMs);
  // Once it is there it is there exactly, whatever sums of fractions come to.
  return Math.abs(apart) <= most ? knownMs : shownMs + Math.sign(apart) * most;
}
