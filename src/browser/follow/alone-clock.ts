import { type RunClock, SLEPT_MS, steadyNow } from '../server-clock';

/**
 * The clock of somebody who does a class alone, which may run more slowly than time does. It stands still while the
 * device sleeps, since nobody does the class meanwhile.
 */
export class AloneClock implements RunClock {
  private shownMs: number;
  private since: number;
  private rate = 1;
  /** When it was looked at last, by the device. */
  private looked: number;
  private slept = false;

  constructor(
    private readonly device: () => number = steadyNow,
    from = Date.now(),
  ) {
    this.since = device();
    this.looked = this.since;
    this.shownMs = from;
  }

  get tempo(): number {
    return this.rate;
  }

  /** From now on so fast; what has passed stays as it was. */
  set tempo(rate: number) {
    this.shownMs = this.exactly();
    this.since = this.looked;
    this.rate = rate;
  }

  private exactly(): number {
    const now = this.device();
    if (now - this.looked > SLEPT_MS) {
      this.since += now - this.looked;
      this.slept = true;
    }
    this.looked = now;
    return this.shownMs + (now - this.since) * this.rate;
  }

  now(): number {
    return Math.round(this.exactly());
  }

  deviceNow(): number {
    return this.device();
  }

  /** Whether the device slept since this was asked last. */
  cameApart(): boolean {
    this.exactly();
    const { slept } = this;
    this.slept = false;
    return slept;
  }
}
