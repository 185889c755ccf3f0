import pg from 'pg';
import { z } from 'zod';
import { bendSchema } from '@/core/run';
import type { Db } from '../db';

/** Which run has changed, and by what where that is known and short. */
const NEWS = 'upbeat_news';
/** The same without more, right behind it: processes of the version before hear that alone, and tell no more. */
const CHANNEL = 'upbeat_run';
/** PostgreSQL takes less than 8000 bytes at once. */
const MOST_NEWS_BYTES = 7_500;
const RETRY_MS = 500;

const runNewsSchema = z.object({
  /** The newest event of the log before these, and with them. */
  from: z.number(),
  to: z.number(),
  /** Those of them that say nothing about people. */
  events: z.array(bendSchema),
});
/** What was added to the log of a run. */
export type RunNews = z.infer<typeof runNewsSchema>;

const noticeSchema = z.object({ runId: z.string(), news: runNewsSchema.optional() });

/**
 * What tells every server process that a run has changed, once the transaction is through, as part of a query.
 * @param news what was added, so that nobody has to look it up
 */
export function announcing(db: Db, runId: string, news?: RunNews) {
  const whole = JSON.stringify({ runId, news });
  const told = Buffer.byteLength(whole) <= MOST_NEWS_BYTES ? whole : JSON.stringify({ runId });
  return db.raw('pg_notify(?, ?), pg_notify(?, ?)', [NEWS, told, CHANNEL, runId]);
}

/** Tells every server process that a run has changed, once the transaction is through. */
export async function announce(db: Db, runId: string): Promise<void> {
  await db.select(announcing(db, runId));
}

/** Told that a run has changed, and by what where that is known. */
type Changed = (news?: RunNews) => void;

/**
 * Passes on which runs have changed, from whatever server process it comes. One connection a process
 * listens; when it is lost it is opened again, and everybody is asked to look anew, since something
 * may have happened meanwhile.
 */
export class Hub {
  private readonly listeners = new Map<string, Set<Changed>>();
  private client: pg.Client | null = null;

  constructor(private readonly url: string) {}

  /** @returns how to stop listening */
  listen(runId: string, changed: Changed): () => void {
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
    const tell = (runId: string, news?: RunNews) => {
      for (const changed of this.listeners.get(runId) ?? []) changed(news);
    };
    let told: { by: number; runId: string } | null = null;
    client.on('notification', ({ channel, payload = '', processId: by }) => {
      if (channel === NEWS) {
        const notice = noticeIn(payload);
        told = notice && { by, runId: notice.runId };
        if (notice) tell(notice.runId, notice.news);
        return;
      }
      // What one transaction tells comes without anything in between.
      const isTold = told?.by === by && told.runId === payload;
      told = null;
      if (!isTold) tell(payload);
    });
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}; listen ${NEWS}`);
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

/** Null where it was written by a version that tells it otherwise. */
function noticeIn(text: string) {
  try {
    return noticeSchema.parse(JSON.parse(text));
  } catch {
    return null;
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
