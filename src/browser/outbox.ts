import { MOST_EVENTS } from '@/core/calls';
import type { NewRunEvent } from '@/core/run';

/** Where an outbox keeps what is not sent yet, so that it survives a reload or a crash. */
export interface Shelf {
  load(): Promise<NewRunEvent[]>;
  add(event: NewRunEvent): Promise<void>;
  drop(ids: readonly string[]): Promise<void>;
}

/** What becomes of events that the server will never take: all that happened after them would wait behind them. */
export interface Refusals {
  /** Whether there is no use in sending some events again, since one of them was refused for good. */
  areForGood: (problem: unknown, events: readonly NewRunEvent[]) => boolean;
  /** Hears of an event that is not sent any more. */
  setAside: (event: NewRunEvent, problem: unknown) => void;
}

/**
 * Events of a run on their way to the server. They survive a reload, are sent in order, and are
 * dropped only when the server has answered for them, or never will.
 */
export class Outbox {
  private kept: readonly NewRunEvent[] = [];
  private sending: Promise<void> | null = null;
  /** Fulfilled when what was left from before has been read. */
  readonly loaded: Promise<void>;

  constructor(
    private readonly shelf: Shelf,
    private readonly send: (events: NewRunEvent[]) => Promise<void>,
    private readonly refusals: Refusals = { areForGood: () => false, setAside: () => {} },
  ) {
    this.loaded = shelf.load().then((left) => {
      const known = new Set(this.kept.map((e) => e.id));
      this.kept = [...left.filter((e) => !known.has(e.id)), ...this.kept];
    });
  }

  waiting(): readonly NewRunEvent[] {
    return this.kept;
  }

  /** Waits to be sent from now on; fulfilled when it would survive a crash. */
  add(event: NewRunEvent): Promise<void> {
    this.kept = [...this.kept, event];
    return this.shelf.add(event);
  }

  /** Takes events out that are not to be sent any more, and hands them back. */
  async take(which: (event: NewRunEvent) => boolean): Promise<NewRunEvent[]> {
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
    let atOnce = MOST_EVENTS;
    while (this.kept.length > 0) {
      const events = this.kept.slice(0, atOnce);
      try {
        await this.send(events);
      } catch (problem) {
        if (!this.refusals.areForGood(problem, events)) throw problem;
        // One after the other, so that only what is refused itself stays out.
        if (events.length > 1) {
          atOnce = 1;
          continue;
        }
        for (const event of events) this.refusals.setAside(event, problem);
      }
      const over = new Set(events.map((e) => e.id));
      await this.take((e) => over.has(e.id));
    }
  }
}
