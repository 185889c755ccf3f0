/** What an outbox takes: an event of a run, or an act of a register. */
export interface Sendable {
  id: string;
}

/** Where an outbox keeps what is not sent yet, so that it survives a reload or a crash. */
export interface Shelf<E extends Sendable> {
  load(): Promise<E[]>;
  add(event: E): Promise<void>;
  drop(ids: readonly string[]): Promise<void>;
}

/** What becomes of events that the server will never take: all that happened after them would wait behind them. */
export interface Refusals<E extends Sendable> {
  /** Whether there is no use in sending some events again, since one of them was refused for good. */
  areForGood: (problem: unknown, events: readonly E[]) => boolean;
  /** Hears of an event that is not sent any more. */
  setAside: (event: E, problem: unknown) => void;
}

/**
 * What happened, on its way to the server. Events survive a reload, are sent in order, and are
 * dropped only when the server has answered for them, or never will.
 */
export class Outbox<E extends Sendable> {
  private kept: readonly E[] = [];
  private sending: Promise<void> | null = null;
  /** Fulfilled when what was left from before has been read. */
  readonly loaded: Promise<void>;

  constructor(
    private readonly shelf: Shelf<E>,
    private readonly send: (events: E[]) => Promise<void>,
    /** How many of those that wait are sent at once, 1 at least. */
    private readonly atOnce: (waiting: readonly E[]) => number = ({ length }) => length,
    private readonly refusals: Refusals<E> = { areForGood: () => false, setAside: () => {} },
  ) {
    this.loaded = shelf.load().then((left) => {
      const known = new Set(this.kept.map((e) => e.id));
      this.kept = [...left.filter((e) => !known.has(e.id)), ...this.kept];
    });
  }

  waiting(): readonly E[] {
    return this.kept;
  }

  /** Waits to be sent from now on; fulfilled when it would survive a crash. */
  add(event: E): Promise<void> {
    this.kept = [...this.kept, event];
    return this.shelf.add(event);
  }

  /** Takes events out that are not to be sent any more, and hands them back. */
  async take(which: (event: E) => boolean): Promise<E[]> {
    const taken = this.kept.filter(which);
    this.kept = this.kept.filter((e) => !taken.includes(e));
    await this.shelf.drop(taken.map((e) => e.id));
    return taken;
  }

  /** Sends what waits, one request at a time. @throws what `send` throws; nothing is lost then */
  flush(): Promise<void> {
    this.sending ??= this.sendAll().finally(() => {
      this.sending = null;
    });
    return this.sending;
  }

  private async sendAll(): Promise<void> {
    await this.loaded;
    let oneByOne = false;
    while (this.kept.length > 0) {
      const events = this.kept.slice(0, oneByOne ? 1 : this.atOnce(this.kept));
      try {
        await this.send(events);
      } catch (problem) {
        if (!this.refusals.areForGood(problem, events)) throw problem;
        // One after the other, so that only what is refused itself stays out.
        if (events.length > 1) {
          oneByOne = true;
          continue;
        }
        for (const event of events) this.refusals.setAside(event, problem);
      }
      const over = new Set(events.map((e) => e.id));
      await this.take((e) => over.has(e.id));
    }
  }
}
