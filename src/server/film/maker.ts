import { availableParallelism } from 'node:os';
import PQueue from 'p-queue';
import { Refusal, type RefusalCode } from '@/core/calls';
import { type FilmOptions, framesOf } from '@/core/film';
import { LANGUAGES } from '@/core/language';
import { chapterMetadata, chaptersOf } from '@/core/take-away';
import { now as clock } from '../clock';
import { type Db, db as ownDb } from '../db';
import { told } from '../packing';
import { type FairOptions, FairQueue } from '../queue/fair-queue';
import { threads } from '../queue/threads';
import { pcm, RATE, soundOfClass } from '../take-away/sound';
import { headOf, wordsFile } from '../take-away/words';
import { errorFields, log } from '../watch/log';
import type { Drawable } from './draw';
import { highestIn, join } from './encode';
import { FilmFolder, leftIn } from './folder';
import { type FilmPart, PART_FRAMES, partName, partsOf, UNFINISHED } from './parts';

/** Makes films, one after the other, studios in turn. What is made of one that is stopped stays made. */

/** A film whose maker gave no sign for so long has none any more, in ms. */
const ALONE_MS = 90_000;
const BEAT_MS = 20_000;
const SOUND = 'sound.raw';

/** What all films may take on the disk, in MB, unless it is set otherwise. */
const USUAL_MEGABYTES = 20_000;
const mostBytes = (): number =>
  (Number(process.env.UPBEAT_FILMS_MEGABYTES) || USUAL_MEGABYTES) * 1e6;

/** Makes a part of a film somewhere. @returns why not, where that can be told */
export type FilmWorkshop = (of: FilmPart, signal: AbortSignal) => Promise<RefusalCode | null>;

interface Making {
  id: string;
  studio_id: string;
  teacher_id: string;
  options: FilmOptions;
}

export class FilmMaker {
  private readonly queue = new PQueue<FairQueue, FairOptions>({
    concurrency: 1,
    queueClass: FairQueue,
  });
  private readonly hands = new Map<string, { controller: AbortController; over: Promise<void> }>();
  private readonly beating: ReturnType<typeof setInterval>;

  constructor(
    private readonly db: Db,
    private readonly workshop: FilmWorkshop,
    /** How many parts are made at once. */
    private readonly atOnce: number,
  ) {
    this.beating = setInterval(() => void this.beat(), BEAT_MS);
    this.beating.unref();
  }

  /** Takes a film that waits into the queue. It is told in its row how that went. */
  add({ id, studioId }: { id: string; studioId: string }): Promise<void> {
    const before = this.hands.get(id);
    // What was stopped a moment ago has to be over before it goes on.
    if (before?.controller.signal.aborted)
      return before.over.then(() => this.add({ id, studioId }));
    if (before) return before.over;
    const controller = new AbortController();
    const over = this.queue
      .add(() => this.make(id, controller.signal), { owner: studioId })
      .catch((problem: unknown) => {
        // The database is away; whoever looks at what has no maker finds it.
        log().error(errorFields(problem), 'a film was left');
      })
      .finally(() => this.hands.delete(id));
    this.hands.set(id, { controller, over });
    return over;
  }

  /** Stops what this process makes of a film. What others make stops by itself once its row says so. */
  stop(id: string): void {
    this.hands.get(id)?.controller.abort(new Error('stopped'));
  }

  /** All that is under way here is over. */
  async settled(): Promise<void> {
    await this.queue.onIdle();
  }

  close(): void {
    clearInterval(this.beating);
    for (const id of this.hands.keys()) this.stop(id);
  }

  private async beat(): Promise<void> {
    try {
      await this.db('films')
        .whereIn('id', [...this.hands.keys()])
        .update({ beat_at: new Date(clock()) });
    } catch (problem) {
      log().warn(errorFields(problem), 'a film gave no sign');
    }
  }

  /** Takes over what has no maker any more, and removes what nobody has. @param now epoch ms */
  async sweep(now: number): Promise<void> {
    const alone = await this.db('films')
      .whereIn('state', ['waiting', 'making'])
      .where('beat_at', '<', new Date(now - ALONE_MS))
      .update({ beat_at: new Date(now), state: 'waiting' })
      .returning(['id', 'studio_id']);
    for (const { id, studio_id: studioId } of alone) void this.add({ id, studioId });
    await this.makeRoom();
    for (const id of await leftIn()) {
      const known = await this.db('films').where({ id }).first('id');
      if (!known) await new FilmFolder(id).remove();
    }
  }

  /** Keeps films within what all of them may take on the disk: those that were made first go first. */
  private async makeRoom(): Promise<void> {
    const { rows } = await this.db.raw<{ rows: { id: string }[] }>(
      `delete from films where id in (
         select id from (
           select id, sum(bytes) over (order by done_at desc, id) as so_far
             from films where state = 'done') as newest
         where so_far > ?)
       returning id`,
      [mostBytes()],
    );
    for (const { id } of rows) await new FilmFolder(id).remove();
  }

  /** @returns false where it is not to be made any more */
  private async note(id: string, what: Record<string, unknown>): Promise<boolean> {
    const noted = await this.db('films')
      .where({ id })
      .whereIn('state', ['waiting', 'making'])
      .update({ beat_at: new Date(clock()), ...what });
    return noted > 0;
  }

  private async make(id: string, signal: AbortSignal): Promise<void> {
    if (signal.aborted || !(await this.note(id, { state: 'making' }))) return;
    const folder = new FilmFolder(id);
    try {
      const row = (await this.db('films').where({ id }).first()) as Making | undefined;
      const of = await folder.drawable();
      if (!row || !of) throw new Refusal('film-elsewhere');
      await folder.tidy();
      await this.sound(row, of, folder, signal);
      await this.pictures(id, of, folder, signal);
      await this.finish(row, of, folder, signal);
    } catch (problem) {
      await folder.tidy();
      if (signal.aborted) return;
      const why = told(problem);
      const code: RefusalCode = why instanceof Refusal ? why.code : 'film-failed';
      // One that was removed has no folder any more, and nobody waits for it.
      const isWanted = await this.note(id, { state: 'failed', problem: code });
      if (isWanted && !(why instanceof Refusal)) log().error(errorFields(problem), 'a film failed');
    }
  }

  /** The sound comes first: it is quickly made, and what cannot be heard is told at once. */
  private async sound(row: Making, of: Drawable, folder: FilmFolder, signal: AbortSignal) {
    if (await folder.has(SOUND)) return;
    const teacher = { id: row.teacher_id, studioId: row.studio_id };
    const { counts, music, format } = of.options;
    const { windows } = await soundOfClass(this.db, teacher, of.worded, {
      counts,
      music,
      highest: highestIn(format),
      signal,
    });
    await folder.write(SOUND, pcm(windows));
  }

  private async pictures(id: string, of: Drawable, folder: FilmFolder, signal: AbortSignal) {
    const { totalMs } = of.worded.score;
    const parts = partsOf(totalMs);
    const missing = await folder.missing(parts);
    let made = parts - missing.length;
    const over = new AbortController();
    const stop = AbortSignal.any([signal, over.signal]);
    const queue = new PQueue({ concurrency: this.atOnce });
    const one = async (part: number) => {
      stop.throwIfAborted();
      const refused = await this.workshop({ folder: folder.path, part }, stop);
      if (refused) throw new Refusal(refused);
      made++;
      const frames = Math.min(framesOf(totalMs), made * PART_FRAMES);
      if (await this.note(id, { frames_made: frames })) return;
      // Its teacher stopped or removed it, at this process or another.
      this.stop(id);
      signal.throwIfAborted();
    };
    const all = missing.map((part) =>
      queue.add(() =>
        one(part).catch((problem: unknown) => {
          // Before another one begins.
          over.abort(problem);
          throw problem;
        }),
      ),
    );
    try {
      await Promise.all(all);
    } finally {
      await Promise.allSettled(all);
    }
  }

  private async finish(row: Making, of: Drawable, folder: FilmFolder, signal: AbortSignal) {
    const { worded, options } = of;
    const { format, language } = options;
    const list = Array.from({ length: partsOf(worded.score.totalMs) }, (_, i) => partName(i));
    await folder.write('parts', list.map((name) => `file '${name}'\n`).join(''));
    const head = headOf(worded, language);
    await folder.write('chapters', chapterMetadata(chaptersOf(worded, language), head));
    const beside = options.captions === 'beside' ? LANGUAGES : [];
    const captions = [];
    for (const one of beside) {
      const name = `captions.${one}.srt`;
      const lines = wordsFile(worded, { as: 'srt', counts: false, language: one });
      // Of a class in which nothing is said but counts there are none, and no file is that empty.
      if (!lines.trim()) continue;
      await folder.write(name, lines);
      captions.push({ file: folder.file(name), language: one });
    }
    await join({
      format,
      parts: folder.file('parts'),
      chapters: folder.file('chapters'),
      captions,
      sound: folder.read(SOUND),
      rate: RATE,
      file: folder.film(options) + UNFINISHED,
      signal,
    });
    const bytes = await folder.finish(options);
    // Whoever stops it at the last moment has it whole all the same.
    const noted = await this.db('films')
      .where({ id: row.id })
      .update({ state: 'done', bytes, done_at: new Date(clock()) });
    if (noted === 0) await folder.remove();
  }
}

const shared = globalThis as { upBeatFilms?: FilmMaker };

/** The process's own. One core stays with those who ask. */
export function filmMaker(): FilmMaker {
  if (shared.upBeatFilms) return shared.upBeatFilms;
  const atOnce = Math.max(1, availableParallelism() - 1);
  const pool = threads('film/worker.ts', atOnce);
  const workshop: FilmWorkshop = (of, signal) => pool.run(of, { signal });
  shared.upBeatFilms = new FilmMaker(ownDb(), workshop, atOnce);
  return shared.upBeatFilms;
}
