import { z } from 'zod';
import { type RunEventDraft, runEventDraftSchema } from '@/core/run';

/** Where an outbox keeps what is not sent yet; the browser's local storage, or a map in tests. */
export type Shelf = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;

const keptSchema = z.array(runEventDraftSchema);

/**
 * Events of a run on their way to the server. They survive a reload, are sent in order, and are
 * dropped only when the server has answered for them.
 */
export class Outbox {
  private readonly key: string;
  private sending: Promise<void> | null = null;

  constructor(
    runId: string,
    private readonly shelf: Shelf,
    private readonly send: (events: RunEventDraft[]) => Promise<void>,
  ) {
    this.key = `upbeat-outbox-${runId}`;
  }

  waiting(): RunEventDraft[] {
    const kept = this.shelf.getItem(this.key);
    if (kept === null) return [];
    const parsed = keptSchema.safeParse(JSON.parse(kept));
    return parsed.success ? parsed.data : [];
  }

  add(event: RunEventDraft): void {
    this.keep([...this.waiting(), event]);
  }

  /** Sends what waits, one request at a time. @throws what `send` throws; nothing is lost then */
  flush(): Promise<void> {
    this.sending ??= this.sendAll().finally(() => {
      this.sending = null;
    });
    return this.sending;
  }

  private async sendAll(): Promise<void> {
    for (let events = this.waiting(); events.length > 0; events = this.waiting()) {
      await this.send(events);
      const sent = new Set(events.map((e) => e.id));
      this.keep(this.waiting().filter((e) => !sent.has(e.id)));
    }
  }

  private keep(events: RunEventDraft[]): void {
    if (events.length === 0) this.shelf.removeItem(this.key);
    else this.shelf.setItem(this.key, JSON.stringify(events));
  }
}
