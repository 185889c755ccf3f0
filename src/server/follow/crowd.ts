import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import { z } from 'zod';
import { type FollowDocument, type FollowNews, followNewsSchema } from '@/core/follow';
import type { Bend } from '@/core/run';
import { now as clock } from '../clock';
import type { Db } from '../db';
import { hub, type RunNews } from '../live/hub';
import { epochMs } from '../rows';
import { eventsOf } from '../runs';
import type { Scope } from '../scope';
import { errorFields, log } from '../watch/log';
import { metrics } from '../watch/metrics';
import { seen } from './followers';

/**
 * Those who follow one class at this process. What happens comes with the notice of it, or is looked up once; it is made
 * into bytes once, and the same bytes go to all. Who reads too slowly is let go and comes back by themselves.
 */

/** How often followers hear that the line is open, in ms. */
export const BEAT_MS = 15_000;
/** A follower's line may have so many bytes under way before they are let go. */
export const MOST_BEHIND = 64_000;
/** A crowd that nobody is in is kept for a while, since they may all come back, in ms. */
const EMPTY_MS = 60_000;
/** How soon a browser asks again when a line breaks, in ms; so far apart that they do not all come at once. */
const RETRY_MS = [1000, 4000] as const;

/** What a follower's line needs of a response: node's own has it. */
export interface Line {
  write: (bytes: Buffer | string) => boolean;
  end: () => void;
  destroy: () => void;
  readonly writableLength: number;
}

export interface Place extends Scope {
  sessionId: string;
}

/** The document as it leaves, packed once for all. */
export interface Packed {
  made: number;
  plain: Buffer;
  zipped: Buffer;
}

const zip = promisify(gzip);
const message = (news: FollowNews, seq: number): Buffer =>
  Buffer.from(`id: ${seq}\ndata: ${JSON.stringify(followNewsSchema.parse(news))}\n\n`);

const standsSchema = z.object({
  run_id: z.uuid().nullable(),
  prepared: z.number().nullable(),
  ends_at: epochMs,
  take_home: z.boolean(),
  turned_away: z.array(z.uuid()),
});

export class Crowd {
  private readonly lines = new Map<Line, string>();
  private events: Bend[] = [];
  private news: Omit<FollowNews, 'events'> | null = null;
  private runId: string | null = null;
  private endsAt = 0;
  private unlisten = () => {};
  private looking: Promise<void> = Promise.resolve();
  private wanted = false;
  /** How many looks are under way or asked for. */
  private looks = 0;
  /** Everything up to this event of the log has been heard. */
  private known = 0;
  private packed: Promise<Packed | null> | null = null;
  /** When the last one left, epoch ms by the machine's clock. */
  private emptySince = Date.now();

  constructor(
    private readonly db: Db,
    readonly place: Place,
  ) {}

  get size(): number {
    return this.lines.size;
  }

  /** How many lines one follower has open. */
  linesOf(followerId: string): number {
    return [...this.lines.values()].filter((id) => id === followerId).length;
  }

  get isForgotten(): boolean {
    return this.lines.size === 0 && Date.now() - this.emptySince > EMPTY_MS;
  }

  private get seq(): number {
    return this.events.at(-1)?.seq ?? 0;
  }

  /** Knows how the class stands from now on. */
  async open(): Promise<void> {
    // A look that failed is over: it is looked again.
    await (this.news ? this.looking.catch(() => this.look()) : this.look());
  }

  /**
   * Lets a line in: it hears what it has missed, and then what comes.
   * @param after the newest event it knows
   * @returns how to leave
   */
  enter(line: Line, followerId: string, after: number): () => void {
    const [least, most] = RETRY_MS;
    line.write(`retry: ${Math.round(least + Math.random() * (most - least))}\n\n`);
    if (this.news) {
      const missed = this.events.filter((e) => e.seq > after);
      line.write(message({ ...this.news, events: missed }, this.seq));
    }
    this.lines.set(line, followerId);
    metrics().streams.inc();
    return () => {
      if (!this.lines.delete(line)) return;
      metrics().streams.dec();
      if (this.lines.size === 0) this.emptySince = Date.now();
    };
  }

  /** Looks once, however often it is asked meanwhile; what is asked during a look is looked at after it. */
  private look(): Promise<void> {
    if (!this.wanted) {
      this.wanted = true;
      this.looks++;
      // One that failed is over, and does not fail those after it.
      this.looking = this.looking
        .catch(() => {})
        .then(async () => {
          this.wanted = false;
          await this.lookNow();
          this.known = Math.max(this.known, this.seq);
        })
        .finally(() => {
          this.looks--;
        });
    }
    return this.looking;
  }

  private readonly changed = (news?: RunNews) => {
    // A look that is under way may find it as well, and what was missed before it has to come first.
    if (news && this.news && this.looks === 0) {
      if (news.to <= this.known) return;
      if (news.from === this.known) return this.hear(this.news, news);
    }
    this.look().catch((problem: unknown) => {
      // The database is away: everybody comes back by themselves, and finds what is true then.
      log().warn(errorFields(problem), 'followers are let go');
      this.letGo();
    });
  };

  private async lookNow(): Promise<void> {
    const { sessionId, studioId } = this.place;
    const knownRun = this.runId;
    const [row, ofKnownRun] = await Promise.all([
      this.db('follow_doors')
        .join('sessions', 'sessions.id', 'follow_doors.session_id')
        .join('classes', 'classes.id', 'sessions.class_id')
        .leftJoin('runs', 'runs.session_id', 'follow_doors.session_id')
        .where({ 'follow_doors.session_id': sessionId, 'follow_doors.studio_id': studioId })
        .first(
          'runs.id as run_id',
          'runs.prepared',
          'follow_doors.ends_at',
          'classes.take_home',
          this.db.raw(
            `array(select id from followers where session_id = follow_doors.session_id
               and turned_away_at is not null) as turned_away`,
          ),
        ),
      // Whoever follows waits for one answer, not for two.
      knownRun ? this.freshOf(knownRun) : [],
    ]);
    if (!row) return this.letGo();
    const stands = standsSchema.parse(row);
    if (stands.run_id && knownRun !== stands.run_id) {
      this.unlisten();
      this.runId = stands.run_id;
      this.unlisten = hub().listen(stands.run_id, this.changed);
    }
    const { run_id } = stands;
    const fresh = run_id === knownRun ? ofKnownRun : run_id ? await this.freshOf(run_id) : [];
    this.endsAt = stands.ends_at;
    const made = stands.prepared ?? 0;
    if (this.news?.made !== made) this.packed = null;
    const before = JSON.stringify(this.news);
    const ended = this.news?.ended ?? false;
    this.news = { made, ended, takeHome: stands.take_home };
    this.turnAway(stands.turned_away);
    if (fresh.length > 0 || before !== JSON.stringify(this.news)) this.happened(this.news, fresh);
  }

  /** What came with the notice of it needs no look. */
  private hear(stands: Omit<FollowNews, 'events'>, { to, events }: RunNews): void {
    this.known = to;
    if (events.length > 0) this.happened(stands, events);
  }

  private happened(news: Omit<FollowNews, 'events'>, fresh: readonly Bend[]): void {
    this.events.push(...fresh);
    this.news = { ...news, ended: news.ended || fresh.some((e) => e.type === 'finished') };
    this.tell(message({ ...this.news, events: [...fresh] }, this.seq));
  }

  private async freshOf(runId: string): Promise<Bend[]> {
    const part = { after: this.seq, forScreen: true };
    return (await eventsOf(this.db, this.place, runId, part)) as Bend[];
  }

  private tell(bytes: Buffer | string): void {
    for (const line of this.lines.keys()) {
      if (line.writableLength > MOST_BEHIND) line.destroy();
      else line.write(bytes);
    }
  }

  private turnAway(ids: readonly string[]): void {
    if (ids.length === 0) return;
    const away = new Set(ids);
    for (const [line, id] of this.lines) {
      if (!away.has(id)) continue;
      line.write('event: gone\ndata: {}\n\n');
      line.end();
    }
  }

  private letGo(): void {
    for (const line of this.lines.keys()) line.end();
  }

  /** Tells everybody that the line is open, and the database who is there. */
  async beat(): Promise<void> {
    if (this.lines.size === 0) return;
    if (this.endsAt > 0 && clock() > this.endsAt) return this.letGo();
    this.tell('event: beat\ndata: {}\n\n');
    await seen(this.db, [...new Set(this.lines.values())], clock());
  }

  /** The document of the class, packed once; null until the class was made ready. */
  async document(): Promise<Packed | null> {
    await this.open();
    this.packed ??= this.pack();
    try {
      return await this.packed;
    } catch (problem) {
      this.packed = null;
      throw problem;
    }
  }

  private async pack(): Promise<Packed | null> {
    const made = this.news?.made ?? 0;
    if (!this.runId || made === 0) return null;
    const row = await this.db('runs')
      .where({ id: this.runId, studio_id: this.place.studioId })
      .first('follow');
    // It was cut out by its schema before it was stored.
    const document = row?.follow as FollowDocument | null | undefined;
    if (!document) return null;
    const plain = Buffer.from(JSON.stringify({ made, document }));
    return { made, plain, zipped: await zip(plain) };
  }

  close(): void {
    this.unlisten();
    this.letGo();
  }
}

/** The crowds of this process, by session. */
export class Crowds {
  private readonly crowds = new Map<string, Crowd>();
  private readonly beating: ReturnType<typeof setInterval>;

  constructor(private readonly db: Db) {
    this.beating = setInterval(() => void this.beat(), BEAT_MS);
    this.beating.unref();
  }

  get lines(): number {
    return [...this.crowds.values()].reduce((sum, crowd) => sum + crowd.size, 0);
  }

  async crowd(place: Place): Promise<Crowd> {
    const crowd = this.crowds.get(place.sessionId) ?? new Crowd(this.db, place);
    this.crowds.set(place.sessionId, crowd);
    await crowd.open();
    return crowd;
  }

  async beat(): Promise<void> {
    for (const [id, crowd] of this.crowds) {
      if (crowd.isForgotten) {
        crowd.close();
        this.crowds.delete(id);
        continue;
      }
      await crowd.beat().catch((problem: unknown) => {
        log().warn(errorFields(problem), 'who follows could not be noted');
      });
    }
  }

  close(): void {
    clearInterval(this.beating);
    for (const crowd of this.crowds.values()) crowd.close();
    this.crowds.clear();
  }
}
