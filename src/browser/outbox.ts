import type { RunEventDraft } from '@/core/run';

/** Where an outbox keeps what is not sent yet, so that it survives a reload or a crash. */
export interface Shelf {
  load(): Promise<RunEventDraft[]>;
  add(event: RunEventDraft): Promise<void>;
  drop(ids: readonly string[]): Promise<void>;
}

/**
 * Events of a run on their way to the server. They survive a reload, are sent in order, and are
 * dropped only when the server has answered for them.
 */
export class Outbox {
  private kept: readonly RunEventDraft[] = [];
  private sending: Promise<void> | null = null;
  /** Fulfilled when what was left from before has been read. */
  readonly loaded: Promise<void>;

  constructor(
    private readonly shelf: Shelf,
    private readonly send: (events: RunEventDraft[]) => Promise<void>,
  ) {
    this.loaded = shelf.load().then((left) => {
      const known = new Set(this.kept.map((e) => e.id));
      this.kept = [...left.filter((e) => !known.has(e.id)), ...this.kept];
    });
  }

  waiting(): readonly RunEventDraft[] {
    return this.kept;
  }

  /** Waits to be sent from now on; fulfilled when it would survive a crash. */
  add(event: RunEventDraft): Promise<void> {
    this.kept = [...this.kept, event];
    return this.shelf.add(event);
  }

  /** Takes events out that are not to be sent any more, and hands them back. */
  async take(which: (event: RunEventDraft) => boolean): Promise<RunEventDraft[]> {
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
    while (this.kept.length > 0) {
      const events = [...this.kept];
      await this.send(events);
      const sent = new Set(events.map((e) => e.id));
      await this.take((e) => sent.has(e.id));
    }
  }
}
