import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  rmSync,
  symlinkSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { libraryTrack } from '@library/tracks';
import { FILM } from '@testing/films';
import { highestHeardIn } from '@testing/listening';
import { planOf } from '@testing/plans';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import type { RefusalCode } from '@/core/calls';
import type { Plan } from '@/core/class';
import { actsOfScore, placesOf, poseAt } from '@/core/face';
import {
  FILM_DAYS,
  type FilmOptions,
  type FilmToTake,
  FRAME_MS,
  faceBox,
  framesOf,
  MARKED,
  MOST_FILMS,
  STEP_MARK,
} from '@/core/film';
import { HIGHEST_DBTP } from '@/core/sound';
import { soundOf } from '@/core/speech';
import { chaptersOf } from '@/core/take-away';
import { createClass } from '../classes/classes';
import { putAway, removeClass } from '../put-away/put-away';
import { classAudio } from '../take-away/audio';
import { wordedClass } from '../take-away/worded';
import { makeStudio, NOON, testDatabase } from '../testing/studio';
import { log } from '../watch/log';
import type { Drawable } from './draw';
import { packPictures } from './encode';
import {
  filmFile,
  filmsOf,
  forgetFilms,
  freshFilm,
  goOnWithFilm,
  orderFilm,
  removeFilm,
  stopFilm,
} from './films';
import { FilmFolder } from './folder';
import { FilmMaker, type FilmWorkshop } from './maker';
import { makePart } from './part';
import { DRAWABLE, partName, partsOf } from './parts';

const db = testDatabase();
const folder = mkdtempSync(path.join(tmpdir(), 'films-'));
let teacher: { id: string; studioId: string };
let stranger: { id: string; studioId: string };
beforeAll(async () => {
  const asked = await Promise.all([makeStudio(db()), makeStudio(db())]);
  [teacher, stranger] = asked.map((s) => ({ id: s.teacherId, studioId: s.studioId })) as [
    typeof teacher,
    typeof teacher,
  ];
});
beforeEach(() => void vi.stubEnv('UPBEAT_FILMS', path.join(folder, 'films')));
const makers: FilmMaker[] = [];
afterEach(async () => {
  for (const maker of makers.splice(0)) {
    maker.close();
    await maker.settled();
  }
  for (const { id } of await db()('films').where({ teacher_id: teacher.id }).select('id')) {
    await db()('films').where({ id }).delete();
    await new FilmFolder(id).remove();
  }
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const here: FilmWorkshop = async (of) => {
  await makePart(of);
  return null;
};
const maker = (workshop: FilmWorkshop = here) => {
  const made = new FilmMaker(db(), workshop, 1);
  makers.push(made);
  return made;
};
/** Takes no film: what is ordered waits. */
const nobody = { add: async () => {}, stop: () => {} } as unknown as FilmMaker;

/** Some seconds of which two parts are made, with a head that goes from side to side. */
const dose = { kind: 'reps', reps: 1, secondsEach: 8 } as const;
/** Making gives way to all else, so on a machine whose time is taken by others it takes long. In ms. */
const LONG_MS = 600_000;
const SHORT = planOf([{ move: 'head-half-circles', rounds: 1, dose }], { say: 'names' });
const aClass = (plan: Plan = SHORT, by = teacher) => createClass(db(), by, plan, NOON);
const order = async (
  by: FilmMaker,
  options: Partial<FilmOptions> = {},
  classId?: string,
  id = randomUUID(),
) =>
  orderFilm({ db: db(), maker: by }, teacher, {
    id,
    classId: classId ?? (await aClass()),
    options: { ...FILM, ...options },
    now: NOON,
  });
const stateOf = async ({ id }: FilmToTake): Promise<FilmToTake> => {
  const { class_id: classId } = await db()('films').where({ id }).first('class_id');
  const found = (await filmsOf(db(), teacher, classId)).find((f) => f.id === id);
  if (!found) throw new Error('no film');
  return found;
};
const filesOf = ({ id }: Pick<FilmToTake, 'id'>) => readdirSync(new FilmFolder(id).path).sort();

/** What another program reads of a film. */
const probed = (file: string) =>
  JSON.parse(
    spawnSync('ffprobe', [
      ...['-v', 'error', '-show_chapters', '-show_format', '-show_streams'],
      ...['-of', 'json', file],
    ]).stdout.toString(),
  );
const decoded = (file: string, args: readonly string[]): Buffer =>
  spawnSync('ffmpeg', ['-v', 'error', '-i', file, ...args, 'pipe:1'], { maxBuffer: 1e9 }).stdout;

describe('a film', () => {
  /** A film with marks, made whole. */
  const marked = async (options: Partial<FilmOptions>) => {
    const classId = await aClass();
    const film = await order(nobody, options, classId);
    const file = new FilmFolder(film.id).file(DRAWABLE);
    const of = JSON.parse(await readFile(file, 'utf8')) as Drawable;
    await writeFile(file, JSON.stringify({ ...of, marks: true }));
    await maker().add({ id: film.id, studioId: teacher.studioId });
    return { film: await stateOf(film), worded: await wordedClass(db(), teacher, classId) };
  };

  it.each([
    { format: 'mp4', shape: 'wide', captions: 'beside', facing: false },
    { format: 'webm', shape: 'upright', captions: 'in', facing: true, look: 'day' },
  ] as const)(
    '$format, $shape: its pictures are the face of their moment, on the beat of its sound',
    async (options) => {
      const { film, worded } = await marked(options);
      expect(film).toMatchObject({ state: 'done', share: 1, problem: null, old: false });
      const { file, bytes } = await filmFile(db(), teacher, film.id);
      const { score } = worded;
      const { format, streams, chapters } = probed(file);
      expect(Number(format.size)).toBe(bytes);
      const frames = framesOf(score.totalMs);
      expect(Math.abs(Number(format.duration) * 1000 - frames * FRAME_MS)).toBeLessThan(FRAME_MS);
      const kinds = streams.map((s: { codec_type: string }) => s.codec_type).sort();
      const words = options.captions === 'beside' ? ['subtitle', 'subtitle'] : [];
      expect(kinds.filter((k: string) => k !== 'data')).toEqual(['audio', ...words, 'video']);
      const named = chapters.map((c: { tags: { title: string } }) => c.tags.title);
      expect(named).toEqual(chaptersOf(worded, 'en').map((c) => c.name));
      expect(format.tags.comment ?? format.tags.COMMENT).toMatch(/Stop if anything hurts\./);
      expect(filesOf(film)).toEqual([`film.${options.format}`]);
      const { class_id: classId } = await db()('films').where({ id: film.id }).first('class_id');
      const asLed = { classId, easier: false };
      expect(await freshFilm(db(), teacher, asLed)).toEqual({ file, format: options.format });
      // Whoever asks for the easier version is never given another.
      expect(await freshFilm(db(), teacher, { classId, easier: true })).toBeNull();
      await db()('classes').where({ id: classId }).increment('version');
      expect(await freshFilm(db(), teacher, asLed)).toBeNull();

      // Which step it is: the mark in the corner changes with it, at the picture of its beginning.
      const { width } = STEP_MARK;
      const corner = decoded(file, [
        ...['-vf', `crop=${width}:${width}:0:0,scale=1:1`, '-f', 'rawvideo', '-pix_fmt', 'rgb24'],
      ]);
      expect(corner.length).toBe(3 * frames);
      const greens = Array.from({ length: frames }, (_, n) => (corner[3 * n + 1] ?? 0) > 128);
      const changes = greens.flatMap((green, n) => (n > 0 && green !== greens[n - 1] ? n : []));
      expect(changes).toEqual(score.steps.slice(1).map((s) => Math.ceil(s.startMs / FRAME_MS)));

      // Where the face is: a mark on the chin, found again in ten pictures.
      const box = faceBox({ ...FILM, ...options });
      const acts = actsOfScore(score, (id, variant) => libraryTrack(id, variant) ?? null);
      const size = streams.find((s: { codec_type: string }) => s.codec_type === 'video');
      const looked = Array.from({ length: 10 }, (_, i) => Math.floor(((i + 0.5) / 10) * frames));
      const chosen = `select=${looked.map((n) => `eq(n\\,${n})`).join('+')}`;
      const pictures = decoded(file, [
        ...['-vf', chosen, '-fps_mode', 'passthrough', '-f', 'rawvideo', '-pix_fmt', 'rgb24'],
      ]);
      const bytesEach = size.width * size.height * 3;
      expect(pictures.length).toBe(looked.length * bytesEach);
      for (const [i, n] of looked.entries()) {
        const rgb = pictures.subarray(i * bytesEach, (i + 1) * bytesEach);
        let [count, x, y] = [0, 0, 0];
        for (let p = 0; p < rgb.length; p += 3) {
          const [r = 0, g = 0, b = 0] = rgb.subarray(p, p + 3);
          if (r < 180 || g > 90 || b < 180) continue;
          count++;
          x += (p / 3) % size.width;
          y += Math.floor(p / 3 / size.width);
        }
        expect(count, `picture ${n}`).toBeGreaterThan(100);
        const at = score.steps.findLastIndex((s) => s.startMs <= n * FRAME_MS);
        const pose = poseAt(acts, at, n * FRAME_MS - (score.steps[at]?.startMs ?? 0));
        const [place = [0, 0]] = placesOf(pose, [MARKED], 'left');
        const seen = options.facing ? [400 - place[0], place[1]] : place;
        const scale = box.width / 400;
        expect(Math.abs(x / count + 0.5 - (box.x + (seen[0] ?? 0) * scale))).toBeLessThan(1.5);
        expect(Math.abs(y / count + 0.5 - (box.y + (seen[1] ?? 0) * scale))).toBeLessThan(1.5);
      }

      // What is heard begins when it would without a picture.
      const { signal } = new AbortController();
      const asked = { as: 'wav', counts: true, signal } as const;
      const parts: Buffer[] = [];
      for await (const part of (await classAudio(db(), teacher, async () => worded, asked)).stream)
        parts.push(part as Buffer);
      const alone = soundOf(Buffer.concat(parts));
      const raw = decoded(file, ['-f', 's16le', '-ac', '1', '-ar', String(alone.rate)]);
      const first = (sample: (i: number) => number, length: number) => {
        for (let i = 0; i < length; i++) if (Math.abs(sample(i)) > 0.02) return i / alone.rate;
        return null;
      };
      const inFilm = first((i) => raw.readInt16LE(2 * i) / 32_768, raw.length / 2);
      const before = first((i) => alone.samples[i] ?? 0, alone.samples.length);
      if (inFilm === null || before === null) throw new Error('nothing is heard');
      expect(Math.abs(inFilm - before) * 1000).toBeLessThan(FRAME_MS);
      expect(highestHeardIn(file)).toBeLessThanOrEqual(HIGHEST_DBTP);
    },
    LONG_MS,
  );
});

describe('while it is made', () => {
  it(
    'it is stopped in the middle, keeps what is made, and goes on from there',
    async () => {
      const asked: number[] = [];
      const counting: FilmWorkshop = async (of) => {
        asked.push(of.part);
        return here(of, new AbortController().signal);
      };
      const stopping = maker(async (of, signal) => {
        const made = await counting(of, signal);
        if (of.part === 0) await stopFilm({ db: db(), maker: stopping }, teacher, id);
        return made;
      });
      const film = await order(nobody);
      const { id } = film;
      await stopping.add({ id, studioId: teacher.studioId });
      const stopped = await stateOf(film);
      expect(stopped.state).toBe('stopped');
      expect(asked).toEqual([0]);
      expect(filesOf(film)).toContain(partName(0));
      expect(filesOf(film).filter((name) => name.endsWith('.new'))).toEqual([]);
      await expect(filmFile(db(), teacher, id)).rejects.toMatchObject({ code: 'film-not-done' });

      const again = maker(counting);
      await goOnWithFilm({ db: db(), maker: again }, teacher, { id, now: NOON });
      await again.settled();
      const done = await stateOf(film);
      expect(done.state).toBe('done');
      expect(asked).toEqual([0, 1]);
    },
    LONG_MS,
  );

  it(
    'nothing said but counts gives a film without captions',
    async () => {
      const quiet = planOf([{ move: 'head-half-circles', rounds: 1, dose }], { say: 'counts' });
      const film = await order(nobody, { captions: 'beside' }, await aClass(quiet));
      await maker().add({ id: film.id, studioId: teacher.studioId });
      const { file } = await filmFile(db(), teacher, film.id);
      const kinds = probed(file).streams.map((s: { codec_type: string }) => s.codec_type);
      expect(kinds).not.toContain('subtitle');
    },
    LONG_MS,
  );

  it('goes on at once after it was stopped, although what is under way is not over yet', async () => {
    let [begun, letGo] = [() => {}, () => {}];
    const isBegun = new Promise<void>((resolve) => {
      begun = resolve;
    });
    const isLet = new Promise<void>((resolve) => {
      letGo = resolve;
    });
    let times = 0;
    const slow = maker(async () => {
      if (++times > 1) return 'no-room';
      begun();
      await isLet;
      return null;
    });
    const film = await order(slow);
    await isBegun;
    await stopFilm({ db: db(), maker: slow }, teacher, film.id);
    await goOnWithFilm({ db: db(), maker: slow }, teacher, { id: film.id, now: NOON });
    letGo();
    await expect.poll(async () => (await stateOf(film)).state).toBe('failed');
    expect(times).toBe(2);
  });

  it('it is removed in the middle, and nothing is left of it', async () => {
    const film = await order(nobody);
    const removing = maker(async (of, signal) => {
      await removeFilm({ db: db(), maker: removing }, teacher, film.id);
      return here(of, signal).catch(() => null);
    });
    await removing.add({ id: film.id, studioId: teacher.studioId });
    expect(existsSync(new FilmFolder(film.id).path)).toBe(false);
    await expect(filmFile(db(), teacher, film.id)).rejects.toMatchObject({ code: 'not-found' });
  });

  it('its class is removed in the middle: nothing is left of it, and no fault is told', async () => {
    const told = vi.spyOn(log(), 'error');
    const film = await order(nobody);
    const removing = maker(async (of, signal) => {
      const { class_id: classId } = await db()('films').where({ id: film.id }).first('class_id');
      await putAway(db(), teacher, { classId, now: NOON });
      await removeClass(db(), teacher, classId);
      return here(of, signal);
    });
    await removing.add({ id: film.id, studioId: teacher.studioId });
    expect(existsSync(new FilmFolder(film.id).path)).toBe(false);
    expect(told).not.toHaveBeenCalled();
    told.mockRestore();
  });

  const fails = async (workshop: FilmWorkshop): Promise<FilmToTake> => {
    const film = await order(nobody);
    await maker(workshop).add({ id: film.id, studioId: teacher.studioId });
    expect(filesOf(film).filter((name) => name.endsWith('.new'))).toEqual([]);
    return stateOf(film);
  };

  it.each<[RefusalCode, RegExp]>([
    ['no-room', /disk is full/],
    ['no-encoder', /ffmpeg/],
  ])('%s is told, and it can go on', async (code, says) => {
    const failed = await fails(async () => code);
    expect(failed.state).toBe('failed');
    expect(failed.problem).toMatch(says);
    const asked = { id: failed.id, now: NOON };
    const waits = await goOnWithFilm({ db: db(), maker: nobody }, teacher, asked);
    expect(waits).toMatchObject({ state: 'waiting', problem: null });
  });

  it('what lies on another machine is told, and never taken for something that is there', async () => {
    const film = await order(nobody);
    await new FilmFolder(film.id).remove();
    await maker().add({ id: film.id, studioId: teacher.studioId });
    expect(await stateOf(film)).toMatchObject({
      state: 'failed',
      problem: expect.stringMatching(/not on this machine/),
    });
    await db()('films').where({ id: film.id }).update({ state: 'done', bytes: 5 });
    await expect(filmFile(db(), teacher, film.id)).rejects.toMatchObject({
      code: 'film-elsewhere',
    });
  });

  it('a fault that nobody thought of is told as one', async () => {
    const failed = await fails(() => Promise.reject(new Error('a fault')));
    expect(failed).toMatchObject({ state: 'failed', problem: expect.stringMatching(/Go on/) });
  });

  it('a disk that is full, and a program that is missing, are known for what they are', async () => {
    const picture = [Buffer.alloc(1280 * 720 * 4)];
    await expect(packPictures(FILM, picture, '/dev/full')).rejects.toMatchObject({
      code: 'no-room',
    });
    const bare = path.join(folder, 'bin');
    mkdirSync(bare);
    symlinkSync('/usr/bin/sh', path.join(bare, 'sh'));
    const had = process.env.PATH;
    process.env.PATH = bare;
    try {
      await expect(packPictures(FILM, picture, path.join(folder, 'x'))).rejects.toMatchObject({
        code: 'no-encoder',
      });
    } finally {
      process.env.PATH = had;
    }
  });

  it('whoever orders films waits for others’ no longer than one', async () => {
    const ids: string[] = [];
    const turns = maker(async ({ folder: of }) => {
      ids.push(path.basename(of));
      return 'no-room';
    });
    const mine = [await order(nobody), await order(nobody), await order(nobody)];
    const classId = await aClass(SHORT, stranger);
    const theirs = await orderFilm({ db: db(), maker: nobody }, stranger, {
      id: randomUUID(),
      classId,
      options: FILM,
      now: NOON,
    });
    for (const { id } of mine) void turns.add({ id, studioId: teacher.studioId });
    await turns.add({ id: theirs.id, studioId: stranger.studioId });
    await turns.settled();
    const inOrder = [...new Set(ids)];
    // One may be under way already, and one of the other's goes first.
    expect(inOrder.indexOf(theirs.id)).toBeLessThan(3);
    await removeFilm({ db: db(), maker: turns }, stranger, theirs.id);
  });
});

describe('what there may be', () => {
  it(
    'is so many of a teacher, and no class that is too long',
    async () => {
      const classId = await aClass();
      const [first, id] = [await order(nobody, {}, classId), randomUUID()];
      for (let i = 2; i < MOST_FILMS; i++) await order(nobody, {}, classId);
      // Its answer may be lost: ordered again it is the same film, also where there is no room for one more.
      const last = await order(nobody, {}, classId, id);
      expect(await order(nobody, { shape: 'upright' }, classId, id)).toEqual(last);
      expect(last.id).not.toBe(first.id);
      expect(await filmsOf(db(), teacher, classId)).toHaveLength(MOST_FILMS);
      await expect(order(nobody, {}, classId)).rejects.toMatchObject({ code: 'too-many-films' });
      const [latest] = await filmsOf(db(), teacher, classId);
      if (!latest) throw new Error('no film');
      await removeFilm({ db: db(), maker: nobody }, teacher, latest.id);
      const hold = { kind: 'hold', seconds: 300 } as const;
      const line = { move: 'soft-jaw-drop', rounds: 1, dose: hold };
      const long = Array.from({ length: 20 }, () => line);
      await expect(order(nobody, {}, await aClass(planOf(long)))).rejects.toMatchObject({
        code: 'too-long-to-film',
      });
      await order(nobody, {}, classId);
    },
    LONG_MS,
  );

  it('another studio finds nothing of', async () => {
    const film = await order(nobody);
    const { class_id: classId } = await db()('films').where({ id: film.id }).first('class_id');
    const of = { db: db(), maker: nobody };
    const lost = { code: 'not-found' };
    await expect(filmsOf(db(), stranger, classId)).rejects.toMatchObject(lost);
    await expect(stopFilm(of, stranger, film.id)).rejects.toMatchObject(lost);
    await expect(goOnWithFilm(of, stranger, { id: film.id, now: NOON })).rejects.toMatchObject(
      lost,
    );
    await expect(removeFilm(of, stranger, film.id)).rejects.toMatchObject(lost);
    await expect(filmFile(db(), stranger, film.id)).rejects.toMatchObject(lost);
    expect((await stateOf(film)).state).toBe('waiting');
  });

  it('says when the class was changed since', async () => {
    const film = await order(nobody);
    const { class_id: id } = await db()('films').where({ id: film.id }).first('class_id');
    await db()('classes').where({ id }).increment('version');
    expect((await stateOf(film)).old).toBe(true);
  });
});

it('films keep within what they may take on the disk: those that were made first go first', async () => {
  vi.stubEnv('UPBEAT_FILMS_MEGABYTES', '10');
  const classId = await aClass();
  const sizes = [6e6, 4e6, 6e6];
  const films = [];
  for (const [i, bytes] of sizes.entries()) {
    const film = await order(nobody, {}, classId);
    const done = { state: 'done', bytes, done_at: new Date(NOON + i * 1000) };
    await db()('films').where({ id: film.id }).update(done);
    films.push(film.id);
  }
  await maker().sweep(NOON);
  const left = (await filmsOf(db(), teacher, classId)).map((f) => f.id);
  expect(left.toSorted()).toEqual(films.slice(1).toSorted());
  expect(existsSync(new FilmFolder(films[0] ?? '').path)).toBe(false);
});

describe('what has no maker any more', () => {
  it('goes whole, also where something is still written into it', async () => {
    const film = new FilmFolder(randomUUID());
    mkdirSync(film.path, { recursive: true });
    for (let i = 0; i < 3000; i++) writeFileSync(film.file(`part ${i}`), '');
    const removed = film.remove();
    await expect
      .poll(() => filesOf({ id: path.basename(film.path) }).length, { interval: 1 })
      .toBeLessThan(3000);
    writeFileSync(film.file('part of a maker'), '');
    await removed;
    expect(existsSync(film.path)).toBe(false);
  });

  const MINUTES = 60_000;

  it('is taken over, and what is under way is left to its own', async () => {
    const taken: string[] = [];
    const other = maker(async ({ folder: of }) => {
      taken.push(path.basename(of));
      return 'no-room';
    });
    const film = await order(nobody);
    await other.sweep(NOON + MINUTES);
    await other.settled();
    expect(taken).toEqual([]);
    await other.sweep(NOON + 2 * MINUTES);
    await other.settled();
    expect(taken).toContain(film.id);
  });

  it('is forgotten with its files after two weeks, and files of nobody that were left alone', async () => {
    const film = await order(nobody);
    await stopFilm({ db: db(), maker: nobody }, teacher, film.id);
    await forgetFilms(db(), NOON + (FILM_DAYS - 1) * 24 * 60 * MINUTES);
    expect((await stateOf(film)).state).toBe('stopped');
    await forgetFilms(db(), NOON + (FILM_DAYS + 1) * 24 * 60 * MINUTES);
    expect(await db()('films').where({ id: film.id })).toEqual([]);
    expect(existsSync(new FilmFolder(film.id).path)).toBe(false);
    const [left, fresh] = [randomUUID(), randomUUID()].map((id) => new FilmFolder(id).path);
    for (const one of [left, fresh]) mkdirSync(one ?? '', { recursive: true });
    const longAgo = Date.now() / 1000 - 7200;
    utimesSync(left ?? '', longAgo, longAgo);
    await maker().sweep(NOON);
    expect(existsSync(left ?? '')).toBe(false);
    expect(existsSync(fresh ?? '')).toBe(true);
  });
});

it('a class of any length is made of whole parts', () => {
  for (const ms of [1, FRAME_MS, 10_000, 10_001, 600_000]) {
    expect(partsOf(ms) * 10_000).toBeGreaterThanOrEqual(ms);
    expect((partsOf(ms) - 1) * 10_000).toBeLessThan(ms);
  }
});
