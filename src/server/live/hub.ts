import pg from 'pg';
import type { Db } from '../db';

const CHANNEL = 'upbeat_run';
const RETRY_MS = 500;

/** What tells every server process that a run has changed, once the transaction is through, as part of a query. */
export const announcing = (db: Db, runId: string) => db.raw('pg_notify(?, ?)', [CHANNEL, runId]);

/** Tells every server process that a run has changed, once the transaction is through. */
export async function announce(db: Db, runId: string): Promise<void> {
  await db.select(announcing(db, runId));
}

/**
 * Passes on which runs have changed, from whatever server process it comes. One connection a process
 * listens; when it is lost it is opened again, and everybody is asked to look anew, since something
 * may have happened meanwhile.
 */
export class Hub {
  private readonly listeners = new Map<string, Set<() => void>>();
  private client: pg.Client | null = null;

  constructor(private readonly url: string) {}

  /** @returns how to stop listening */
  listen(runId: string, changed: () => void): () => void {
    const of = this.listeners.get(runId) ?? new Set();
    of.add(changed);
    this.listeners.set(runId, of);
    if (!this.client) void this.open();
    return () => {
      of.delete(changed);
      if (of.size === 0) this.listeners.delete(runId);
      if (this.listeners.size === 0) this.close();
    };
  }

  private async open(): Promise<void> {
    const client = new pg.Client({ connectionString: this.url });
    this.client = client;
    const lost = () => {
      if (this.client !== client) return;
      this.client = null;
      if (this.listeners.size) setTimeout(() => !this.client && void this.open(), RETRY_MS);
    };
    client.on('error', lost);
    client.on('end', lost);
    client.on('notification', ({ payload }) => {
      for (const changed of this.listeners.get(payload ?? '') ?? []) changed();
    });
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}`);
      for (const all of this.listeners.values()) for (const changed of all) changed();
    } catch {
      // The database is away for now; it is tried again.
      lost();
    }
  }

  private close(): void {
    const { client } = this;
    this.client = null;
    // The connection is gone already.
    client?.end().catch(() => {});
  }
}

const shared = globalThis as { upBeatHub?: Hub };

/** The process's hub. */
export function hub(): Hub {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set; start the app with "npm start".');
  shared.upBeatHub ??= new Hub(url);
  return shared.upBeatHub;
}
