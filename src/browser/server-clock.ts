/** When a measurement differs from the one before by more than that, the device's clock has jumped, in ms. */
const JUMP_MS = 50;
/**
 * The time that came with the page is not sure, since nobody knows how long the page took. It counts like
 * an answer that took so long, in ms.
 */
const PAGE_TRIP_MS = 10_000;

/** How often the server's time is asked for, one after the other, to know it well. */
export const TIMES_ASKED = 5;

/** A clock that was not looked at for so long stood by a device that slept, in ms; one looks four times a second. */
export const SLEPT_MS = 20_000;

/** A clock that runs on evenly, whatever is done to the time of day of the device. Epoch ms. */
export const steadyNow = (): number => performance.timeOrigin + performance.now();

/** A clock that a run is played by. */
export interface RunClock {
  /** Epoch ms on the server's clock. */
  now: () => number;
  /** Epoch ms on the device's own, even clock. */
  deviceNow: () => number;
  /** Whether the device slept, or its time was set, since this was asked last. */
  cameApart: () => boolean;
}

/**
 * The server's clock as seen from this device. Each answer that carries the server's time is a
 * measurement; the one with the shortest way there and back counts.
 */
export class ServerClock implements RunClock {
  private offsetMs = 0;
  private bestTripMs = Number.POSITIVE_INFINITY;
  private apartMs: number;

  constructor(
    private readonly device: () => number = steadyNow,
    private readonly wall: () => number = () => Date.now(),
  ) {
    this.apartMs = wall() - device();
  }

  /** Begins with the time that came with the page, until something better is measured. */
  startAt(serverNow: number): void {
    if (this.bestTripMs < PAGE_TRIP_MS) return;
    this.offsetMs = Math.round(serverNow - this.device());
    this.bestTripMs = PAGE_TRIP_MS;
  }

  /** How far the server's time is from the device's time of day, in ms; for `recall` after a reload. */
  get fromWallMs(): number {
    return Math.round(this.now() - this.wall());
  }

  /** Takes up the server's time from what was known of it before, where the page is an old one. */
  recall(fromWallMs: number): void {
    if (this.bestTripMs < PAGE_TRIP_MS) return;
    this.offsetMs = Math.round(this.wall() + fromWallMs - this.device());
    this.bestTripMs = PAGE_TRIP_MS;
  }

  /**
   * @param serverNow epoch ms the server gave, in an answer to a request sent at `sentAt`
   * @param arrived when the request had reached the server, where that said so: what it took to answer is
   *   then no part of the way there and back
   */
  measure(
    serverNow: number,
    sentAt: number,
    receivedAt = this.device(),
    arrived = serverNow,
  ): void {
    const trip = receivedAt - sentAt - (serverNow - arrived);
    const offset = (arrived - sentAt + serverNow - receivedAt) / 2;
    const jumped = Math.abs(offset - this.offsetMs) > (trip + this.bestTripMs) / 2 + JUMP_MS;
    if (trip > this.bestTripMs && !jumped) return;
    this.offsetMs = Math.round(offset);
    this.bestTripMs = trip;
  }

  /** Epoch ms on the server's clock. */
  now(): number {
    return Math.round(this.device() + this.offsetMs);
  }

  /** Epoch ms on the device's own clock, to be handed back to `measure`. */
  deviceNow(): number {
    return this.device();
  }

  /**
   * Whether the device's time of day and its even clock have come apart since this was asked last: it
   * slept, or its time was set. Either way the server should be asked for the time.
   */
  cameApart(): boolean {
    const apart = this.wall() - this.device();
    const jumped = Math.abs(apart - this.apartMs) > 5 * JUMP_MS;
    this.apartMs = apart;
    return jumped;
  }
}
