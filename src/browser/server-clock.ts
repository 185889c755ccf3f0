/** How far a device's clock may drift from the last measurement before it is believed to have jumped, in ms. */
const JUMP_MS = 50;

/**
 * The server's clock as seen from this device. Each answer that carries the server's time is a
 * measurement; the one with the shortest way there and back counts.
 */
export class ServerClock {
  private offsetMs = 0;
  private bestTripMs = Number.POSITIVE_INFINITY;

  constructor(private readonly device: () => number = () => Date.now()) {}

  /** @param serverNow epoch ms the server gave, in an answer to a request sent at `sentAt` */
  measure(serverNow: number, sentAt: number, receivedAt = this.device()): void {
    const trip = receivedAt - sentAt;
    const offset = serverNow - (sentAt + receivedAt) / 2;
    const jumped = Math.abs(offset - this.offsetMs) > (trip + this.bestTripMs) / 2 + JUMP_MS;
    if (trip > this.bestTripMs && !jumped) return;
    this.offsetMs = Math.round(offset);
    this.bestTripMs = trip;
  }

  /** Epoch ms on the server's clock. */
  now(): number {
    return this.device() + this.offsetMs;
  }

  /** Epoch ms on the device's own clock, to be handed back to `measure`. */
  deviceNow(): number {
    return this.device();
  }
}
