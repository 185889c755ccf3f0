import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { planOf } from '@testing/plans';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import type { ClassMusic } from '@/core/class';
import { BED_MS, BEDS, MOST_PIECES, type MusicId } from '@/core/music';
import { musicThroughout } from '@/core/run';
import { HIGHEST_DBTP, loudnessOf, truePeakOf } from '@/core/sound';
import { soundOf } from '@/core/speech';
import { createClass } from '../classes/classes';
import { chooseSpeech, speechChoice } from '../speech/teacher-speech';
import { classAudio } from '../take-away/audio';
import { wordedClass } from '../take-away/worded';
import { makeStudio, NOON, testDatabase } from '../testing/studio';
import { bedFile } from './beds';
import { readerOf } from './intake';
import { addMusic, musicFile, musicOf, removeMusic, renameMusic } from './music';
import { openMusic } from './read';

const db = testDatabase();
const folder = mkdtempSync(path.join(tmpdir(), 'music-'));
let teacher: { id: string; studioId: string };
beforeAll(async () => {
  const { teacherId, studioId } = await makeStudio(db());
  teacher = { id: teacherId, studioId };
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));
// Nobody else leaves anything there: other files take music in at the same time.
const ours = path.join(folder, 'ours');
mkdirSync(ours);
beforeEach(async () => {
  vi.stubEnv('TMPDIR', ours);
  await db()('music').delete();
});

const ENDINGS = ['mp3', 'm4a', 'ogg', 'flac', 'wav'] as const;
const files = new Map<string, Buffer>();

/** A file that another program made: a tone that swells, with a title of its own. */
function song(ending: string, { seconds = 24, source = '' } = {}): Buffer {
  const key = `${ending} ${seconds} ${source}`;
  const before = files.get(key);
  if (before) return before;
  const file = path.join(folder, `${files.size}.${ending}`);
  const tone = source || `sine=f=330:d=${seconds},tremolo=f=0.5:d=0.6,volume=-9dB`;
  const args = ['-nostdin', '-v', 'error', '-f', 'lavfi', '-i', tone, '-metadata', 'title=Zzz'];
  execFileSync('ffmpeg', [...args, '-ac', '2', file]);
  const made = readFileSync(file);
  files.set(key, made);
  return made;
}

async function* parts(...all: Uint8Array[]) {
  yield* all;
}
const add = (file: Uint8Array, name = 'A song', by = teacher, id = randomUUID()) =>
  addMusic(db(), by, { id, name, bytes: parts(file), now: NOON });

const samplesOf = async (id: MusicId, seconds: number, offsetMs = 0) => {
  const rate = 22_050;
  const reader = await openMusic(db(), teacher, id, { offsetMs, rate });
  const samples = await reader.read(seconds * rate);
  reader.close();
  return { samples, rate };
};

describe('taking music in', () => {
  it.each(ENDINGS)('takes %s, as loud as all else, without its tags', async (ending) => {
    const piece = await add(song(ending), 'Evening');
    expect(Math.abs(piece.ms - 24_000)).toBeLessThan(200);
    const kept = await musicFile(db(), teacher, piece.id);
    expect(readerOf(kept)).toBe('mp3');
    expect(kept.includes('Zzz')).toBe(false);
    const sound = await samplesOf(piece.id, 24);
    expect(Math.abs((loudnessOf(sound) ?? 0) + 18)).toBeLessThan(0.5);
    expect(truePeakOf(sound.samples)).toBeLessThan(HIGHEST_DBTP);
    expect(await musicOf(db(), teacher)).toEqual([
      ...BEDS.map((id) => expect.objectContaining({ id, ms: BED_MS })),
      { id: piece.id, name: 'Evening', ms: piece.ms },
    ]);
  });

  it.each([
    ['a text', 'no-music', () => Buffer.from('Let the jaw hang.')],
    ['nothing', 'no-music', () => Buffer.alloc(0)],
    ['a list of other files', 'no-music', () => Buffer.from('#EXTM3U\nfile:///etc/hostname\n')],
    [
      'a list behind the signs of sound',
      'no-music',
      () => Buffer.from('ID3\n#EXTM3U\n/etc/passwd'),
    ],
    ['half a file', 'no-music', () => song('m4a').subarray(0, 2000)],
    ['silence', 'silent-music', () => song('wav', { source: 'anullsrc=d=30' })],
    ['a moment', 'music-too-short', () => song('wav', { seconds: 5 })],
    ['an hour of it', 'music-too-long', () => song('flac', { source: 'sine=f=330:d=1000:r=8000' })],
  ] as const)('refuses %s', async (_, code, file) => {
    await expect(add(file())).rejects.toMatchObject({ code });
    expect(await db()('music').where({ studio_id: teacher.studioId })).toEqual([]);
  });

  it('reads no more than it may keep, and leaves nothing behind', async () => {
    let sent = 0;
    async function* endless() {
      for (;;) {
        sent += 1_000_000;
        yield new Uint8Array(1_000_000);
      }
    }
    const asked = { id: randomUUID(), name: 'Endless', bytes: endless(), now: NOON };
    await expect(addMusic(db(), teacher, asked)).rejects.toMatchObject({ code: 'music-too-large' });
    expect(sent).toBeLessThan(110_000_000);
    expect(readdirSync(ours).filter((name) => name.startsWith('up-beat-'))).toEqual([]);
  });

  it('is taken in once, also where it is sent again since its answer was lost', async () => {
    const id = randomUUID();
    await db()('music').delete();
    const first = await add(song('mp3'), 'Tide', teacher, id);
    expect(await add(song('mp3'), 'Tide', teacher, id)).toEqual(first);
    expect(first).toMatchObject({ id, name: 'Tide' });
    const kept = async () => (await musicOf(db(), teacher)).slice(BEDS.length);
    expect(await kept()).toEqual([first]);
    // Also where the studio has no room for another by now.
    const more = { ms: 60_000, added_at: new Date(NOON), sound: Buffer.alloc(1) };
    const row = () => ({ id: randomUUID(), studio_id: teacher.studioId, name: 'More', ...more });
    await db()('music').insert(Array.from({ length: MOST_PIECES - 1 }, row));
    expect(await add(song('mp3'), 'Tide', teacher, id)).toEqual(first);
    expect(await kept()).toHaveLength(MOST_PIECES);
    await db()('music').delete();
  });

  it('takes one file of a studio in at a time', async () => {
    let go = () => {};
    const waits = new Promise<void>((resolve) => {
      go = resolve;
    });
    async function* slow() {
      await waits;
      yield song('mp3');
    }
    const first = addMusic(db(), teacher, {
      id: randomUUID(),
      name: 'First',
      bytes: slow(),
      now: NOON,
    });
    await expect(add(song('mp3')), 'while the first is on its way').rejects.toMatchObject({
      code: 'music-busy',
    });
    go();
    await first;
    await add(song('mp3'));
  });

  it('keeps so many pieces and so many minutes, and of a visitor to the demo only a few', async () => {
    const row = (ms: number) => ({
      id: randomUUID(),
      studio_id: teacher.studioId,
      name: 'One of many',
      ms,
      added_at: new Date(NOON),
      sound: Buffer.alloc(1),
    });
    await db()('music').insert(Array.from({ length: MOST_PIECES }, () => row(60_000)));
    await expect(add(song('mp3'))).rejects.toThrow('40 pieces');
    await db()('music').delete();
    await db()('music').insert(Array.from({ length: 12 }, () => row(599_000)));
    await expect(add(song('mp3'))).rejects.toThrow('120 minutes');
    await db()('music').delete();
    await db()('music').insert(row(590_000));
    const { studioId: id } = teacher;
    await db()('studios')
      .where({ id })
      .update({ visit_ends_at: new Date(NOON) });
    await expect(add(song('mp3'))).rejects.toThrow('10 minutes');
    await db()('studios').where({ id }).update({ visit_ends_at: null });
    await add(song('mp3'));
  });

  describe('on a machine without the program that reads it', () => {
    beforeEach(() => vi.stubEnv('PATH', folder));
    afterEach(() => vi.unstubAllEnvs());
    it('says what to install', async () => {
      const file = readFileSync(path.join(folder, '0.mp3'));
      await expect(add(file)).rejects.toMatchObject({ code: 'no-music-here' });
    });
  });

  it('is read by a program that may take only so much of the machine', async () => {
    const bin = path.join(folder, 'bin');
    mkdirSync(bin);
    const told = path.join(folder, 'limits');
    // It tells what it may take, and finds nothing.
    const program = `#!/bin/sh\n(ulimit -t; ulimit -v; ulimit -c) > ${told}\nexit 1\n`;
    writeFileSync(path.join(bin, 'ffmpeg'), program, { mode: 0o755 });
    writeFileSync(path.join(bin, 'ffprobe'), program, { mode: 0o755 });
    const file = song('mp3');
    vi.stubEnv('PATH', `${bin}:${process.env.PATH}`);
    await expect(add(file)).rejects.toMatchObject({ code: 'no-music' });
    vi.unstubAllEnvs();
    expect(readFileSync(told, 'utf8')).toBe('180\n4000000\n0\n');
  });

  it('is of one studio alone', async () => {
    const piece = await add(song('mp3'));
    const { teacherId, studioId } = await makeStudio(db());
    const other = { id: teacherId, studioId };
    expect(await musicOf(db(), other)).toHaveLength(BEDS.length);
    for (const tried of [
      () => musicFile(db(), other, piece.id),
      () => renameMusic(db(), other, { id: piece.id, name: 'Mine' }),
      () => removeMusic(db(), other, piece.id),
    ]) {
      await expect(tried()).rejects.toMatchObject({ code: 'not-found' });
    }
    await renameMusic(db(), teacher, { id: piece.id, name: 'Later' });
    expect((await musicOf(db(), teacher)).at(-1)?.name).toBe('Later');
    await removeMusic(db(), teacher, piece.id);
    expect(await musicOf(db(), teacher)).toHaveLength(BEDS.length);
  });

  it('is read from any place, and silent after its end', async () => {
    const piece = await add(song('wav'));
    const all = await samplesOf(piece.id, 30);
    const later = await samplesOf(piece.id, 2, 10_000);
    const from = 10 * all.rate;
    const ought = all.samples.subarray(from, from + later.samples.length);
    const wrong = later.samples.reduce((n, s, i) => n + Math.abs(s - (ought[i] ?? 0)), 0);
    expect(wrong / later.samples.length).toBeLessThan(0.002);
    expect(all.samples.subarray(-4 * all.rate).every((s) => s === 0)).toBe(true);
  });

  it('has beds as files that browsers play', async () => {
    for (const bed of BEDS) {
      const file = path.join(folder, `${bed}.wav`);
      writeFileSync(file, await bedFile(bed));
      const seconds = execFileSync('ffprobe', [
        ...['-v', 'error', '-show_entries', 'format=duration', '-of', 'csv=p=0', file],
      ]);
      expect(Number(seconds)).toBe(BED_MS / 1000);
    }
  });
});

describe('music under a class that is taken away', () => {
  const heard = async (music: ClassMusic | undefined, asked: object = {}) => {
    const moves = [
      { move: 'soft-jaw-drop', rounds: 2 },
      { move: 'chin-over-shoulder', rounds: 1 },
    ];
    const plan = { ...planOf(moves, {}, 600), ...(music && { music }) };
    const worded = await wordedClass(db(), teacher, await createClass(db(), teacher, plan, NOON));
    const signal = new AbortController().signal;
    const how = { as: 'wav', counts: true, music: true, signal, ...asked } as const;
    const { stream } = await classAudio(db(), teacher, async () => worded, how);
    const bytes: Buffer[] = [];
    for await (const part of stream) bytes.push(part as Buffer);
    return { ...worded, ...soundOf(Buffer.concat(bytes)) };
  };
  const everywhere = (...playlist: MusicId[]) => musicThroughout(playlist, { underDb: 20 });

  it.each(['a bed', 'a piece of its own'])(
    '%s is 20 LU under the voice while it speaks, comes up slowly, and ends with the class',
    { timeout: 240_000 },
    async (which) => {
      const id = which === 'a bed' ? 'tide' : (await add(song('mp3', { seconds: 40 }))).id;
      const plain = await heard(undefined);
      const { samples, rate, score } = await heard(everywhere(id as MusicId));
      expect(samples).toHaveLength(plain.samples.length);
      expect(truePeakOf(samples)).toBeLessThan(HIGHEST_DBTP + 0.1);
      // What the music adds.
      const added = samples.map((s, i) => s - (plain.samples[i] ?? 0));
      const between = (fromMs: number, toMs: number) => ({
        samples: added.slice((fromMs * rate) / 1000, (toMs * rate) / 1000),
        rate,
      });
      const long = score.cues.filter((cue) => cue.durationMs > 1500);
      expect(long.length).toBeGreaterThan(3);
      const ducked = loudnessOf(
        ...long
          .filter(({ startMs }) => startMs > 8000 && startMs < score.totalMs - 12_000)
          .map(({ startMs, durationMs }) => between(startMs, startMs + durationMs)),
      );
      // The tide of one and the swell of the other are louder and softer from moment to moment.
      expect(Math.abs((ducked ?? 0) + 38)).toBeLessThan(3);
      const ends = score.cues.map((cue) => cue.startMs + cue.durationMs);
      const free = ends.flatMap((end) => {
        const next = Math.min(
          score.totalMs - 6000,
          ...score.cues.flatMap((cue) => (cue.startMs >= end ? [cue.startMs] : [])),
        );
        // From where it is up again to where it begins to go down.
        return next - end > 4500 && end > 4000 ? [between(end + 3200, next - 500)] : [];
      });
      if (free.length > 0) {
        expect(Math.abs((loudnessOf(...free) ?? 0) + 30)).toBeLessThan(3.5);
      }
      const last = between(score.totalMs - 100, score.totalMs).samples;
      expect(Math.max(...last.map(Math.abs))).toBeLessThan(0.006);
    },
  );

  it('is heard in the phase that is asked for as in the whole', async () => {
    const phase = 'work';
    const [all, allPlain, part, partPlain] = [
      await heard(everywhere('lamp')),
      await heard(undefined),
      await heard(everywhere('lamp'), { phase }),
      await heard(undefined, { phase }),
    ];
    const startMs = all.score.steps.find((s) => s.phase === phase)?.startMs ?? 0;
    const from = Math.round((startMs * all.rate) / 1000);
    expect(from).toBeGreaterThan(0);
    const added = (a: Float32Array, b: Float32Array, i: number) => (a[i] ?? 0) - (b[i] ?? 0);
    const wrong = part.samples.filter((_, i) => {
      const [here, there] = [
        added(part.samples, partPlain.samples, i),
        added(all.samples, allPlain.samples, from + i),
      ];
      return Math.abs(here - there) > 0.003;
    });
    expect(wrong.length / part.samples.length).toBeLessThan(0.01);
  });

  it('is further under the voice, and the voice is narrower, on a loudspeaker in a hall', async () => {
    const choice = await speechChoice(db(), teacher);
    /** How far the loud twentieths of a second are above those that are soft and still heard, in dB. */
    const range = ({ samples, rate }: { samples: Float32Array; rate: number }) => {
      const size = Math.round(rate / 20);
      const levels = Array.from({ length: Math.floor(samples.length / size) }, (_, i) => {
        const part = samples.subarray(i * size, (i + 1) * size);
        return 10 * Math.log10(part.reduce((sum, x) => sum + x * x, 1e-12) / size);
      });
      const loud = levels.filter((db) => db > -55).sort((x, y) => x - y);
      const at = (share: number) => loud[Math.floor(share * loud.length)] ?? 0;
      return at(0.95) - at(0.2);
    };
    const usual = await heard(undefined);
    const with20 = await heard(everywhere('lamp'));
    const sounds = { ...choice.sounds, heardOn: 'hall' as const };
    await chooseSpeech(db(), teacher, { ...choice, sounds });
    const hall = await heard(undefined);
    const with24 = await heard(everywhere('lamp'));
    await chooseSpeech(db(), teacher, choice);
    // By another program, after EBU Tech 3342.
    expect(range(hall)).toBeLessThan(range(usual) - 2);
    const power = (a: Float32Array, b: Float32Array) =>
      a.reduce((sum, s, i) => sum + (s - (b[i] ?? 0)) ** 2, 0);
    const ratio = power(with24.samples, hall.samples) / power(with20.samples, usual.samples);
    expect(10 * Math.log10(ratio)).toBeCloseTo(-4, 0);
  });

  it('is left out where it is not wanted, or is gone', async () => {
    const gone = randomUUID();
    const plain = await heard(undefined);
    const without = await heard(everywhere('tide'), { music: false });
    const nothing = await heard(everywhere(gone));
    for (const { samples } of [without, nothing]) {
      expect(samples.every((s, i) => s === plain.samples[i])).toBe(true);
    }
  });
});
