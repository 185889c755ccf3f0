/**
 * How a device that follows finds out what time it is on the server, and how its clock gets there. As in the Network
 * Time Protocol (RFC 5905, sections 8 and 10): of several round trips the one with the least delay is believed, and
 * half of its delay, with what the device may have drifted since, is how far off it can be.
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

/** How many round trips are kept, as many as RFC 5905 keeps. */
const KEPT = 8;
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
    const errorOf = ({ delayMs, at }: Sample) => delayMs / 2 + DRIFT * Math.max(0, device - at);
    const best = this.samples.toSorted((a, b) => errorOf(a) - errorOf(b))[0];
    return best ? { offsetMs: best.offsetMs, errorMs: errorOf(best), delayMs: best.delayMs } : null;
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
