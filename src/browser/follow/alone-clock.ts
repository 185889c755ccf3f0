import { type RunClock, steadyNow } from '../server-clock';

/** The clock of somebody who does a class alone, which may run more slowly than time does. */
export class AloneClock implements RunClock {
  private shownMs: number;
  private since: number;
  private rate = 1;

  constructor(
    private readonly device: () => number = steadyNow,
    from = Date.now(),
  ) {
    this.since = device();
    this.shownMs = from;
  }

  get tempo(): number {
    return this.rate;
  }

  /** From now on so fast; what has passed stays as it was. */
  set tempo(rate: number) {
    this.shownMs = this.exactly();
    this.since = this.device();
    this.rate = rate;
  }

  private exactly(): number {
    return this.shownMs + (this.device() - this.since) * this.rate;
  }

  now(): number {
    return Math.round(this.exactly());
  }

  deviceNow(): number {
    return this.device();
  }

  cameApart(): boolean {
    return false;
  }
}
