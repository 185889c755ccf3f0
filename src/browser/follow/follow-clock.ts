import { type Exchange, Exchanges, type Known, slewed } from '@/core/follow';
import { type RunClock, steadyNow } from '../server-clock';

/** When the device's time of day and its even clock come apart by more than that, it slept or was set, in ms. */
const APART_MS = 250;

/**
 * The server's clock on a device that follows. What is found out of it is taken up smoothly, and time never runs
 * backwards: people are in the middle of a move.
 */
export class FollowClock implements RunClock {
  private readonly exchanges = new Exchanges();
  /** Server less device, in ms, as it is gone by now. */
  private offsetMs: number | null = null;
  private lookedAt: number;
  private apartMs: number;

  constructor(
    private readonly device: () => number = steadyNow,
    private readonly wall: () => number = () => Date.now(),
  ) {
    this.lookedAt = device();
    this.apartMs = wall() - this.lookedAt;
  }

  /** Whether the server's time is known at all. */
  get isKnown(): boolean {
    return this.offsetMs !== null;
  }

  /** How well the server's time is known; null where it was not asked for yet. */
  get known(): Known | null {
    return this.exchanges.known(this.device());
  }

  /** How far the shown time is from what is known, in ms. */
  get lagMs(): number {
    const { known } = this;
    return known && this.offsetMs !== null ? known.offsetMs - this.offsetMs : 0;
  }

  take(exchange: Exchange): void {
    this.exchanges.add(exchange);
    this.offsetMs ??= this.known?.offsetMs ?? null;
  }

  /** How far the server's time is from the device's time of day, in ms, for a reload without a connection. */
  get fromWallMs(): number {
    return this.now() - this.wall();
  }

  /** Goes by what was known before, until the server can be asked. */
  recall(fromWallMs: number): void {
    this.offsetMs ??= this.wall() + fromWallMs - this.device();
  }

  now(): number {
    const device = this.device();
    if (this.offsetMs === null) return this.wall();
    const known = this.exchanges.known(device);
    if (known) this.offsetMs = slewed(this.offsetMs, known.offsetMs, device - this.lookedAt);
    this.lookedAt = device;
    return Math.round(device + this.offsetMs);
  }

  deviceNow(): number {
    return this.device();
  }

  cameApart(): boolean {
    const apart = this.wall() - this.device();
    const movedMs = apart - this.apartMs;
    if (Math.abs(movedMs) <= APART_MS) return false;
    this.apartMs = apart;
    // An even clock that stood while the device slept is behind by as much as the time of day went on.
    if (this.offsetMs !== null && movedMs > 0) this.offsetMs += movedMs;
    this.exchanges.forget();
    return true;
  }
}
