import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import {
  mkdirSync,
  mkdtempSync,
  readdirSync,
  renameSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Readable } from 'node:stream';
import { choir, nightShift, online } from '@demo';
import { LIBRARY_BOOK, libraryMove } from '@library';
import { highestHeardIn } from '@testing/listening';
import { planOf } from '@testing/plans';
import { unzipSync } from 'fflate';
import { afterAll, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { PHASES, type PhaseName, type Plan } from '@/core/class';
import { carriedRows } from '@/core/run-sheet';
import { isCount } from '@/core/score';
import {
  HIGHEST_DBTP,
  loudnessOf,
  MOST_EARLY_MS,
  peaksOf,
  type Sound,
  SPOKEN_LUFS,
} from '@/core/sound';
import { earlyMs, soundOf, wavMs } from '@/core/speech';
import {
  AUDIO_FORMATS,
  type AudioFormat,
  BYTES_A_MS,
  chaptersOf,
  partOf,
  type Worded,
} from '@/core/take-away';
import { createClass } from '../classes/classes';
import { speaks } from '../speech/teacher-speech';
import { makeStudio, NOON, testDatabase } from '../testing/studio';
import { classAudio } from './audio';
import { type AskedPack, classPack, notDaily } from './pack';
import { type WordedClass, wordedClass } from './worded';
import { wordsFile } from './words';

const db = testDatabase();
const folder = mkdtempSync(path.join(tmpdir(), 'sounds-'));
/** Programs of a machine that has all but the one that packs. */
const withoutEncoder = path.join(folder, 'bin');
mkdirSync(withoutEncoder);
for (const name of ['sh', 'nice']) symlinkSync(`/usr/bin/${name}`, path.join(withoutEncoder, name));
let teacher: { id: string; studioId: string };
beforeAll(async () => {
  const { teacherId, studioId } = await makeStudio(db());
  teacher = { id: teacherId, studioId };
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const PLANS: Record<string, Plan> = {
  'an English class': planOf(
    [
      { move: 'chin-over-shoulder', rounds: 1 },
      { move: 'tall-o-cheek-lift', rounds: 2 },
    ],
    {},
    300,
  ),
  'a German class': {
    ...planOf([
      { move: 'soft-jaw-drop', rounds: 1 },
      { move: 'slow-belly-breaths', rounds: 1 },
    ]),
    language: 'de',
  },
  'the choir’s class': choir,
  'the night shift’s class, in German': { ...nightShift, language: 'de' },
  'the online class': online,
  'the online class, in German': { ...online, language: 'de' },
};
const made = new Map<string, Promise<WordedClass>>();
const wordedOf = (name: string): Promise<WordedClass> => {
  const plan = PLANS[name];
  if (!plan) throw new Error(name);
  const before = made.get(name);
  if (before) return before;
  const now = createClass(db(), teacher, plan, NOON).then((id) => wordedClass(db(), teacher, id));
  made.set(name, now);
  return now;
};
interface Taken {
  counts?: boolean;
  by?: typeof teacher;
  phase?: PhaseName;
}
const take = async (of: Worded, as: AudioFormat, taken: Taken = {}) => {
  const { counts = true, by = teacher, phase } = taken;
  const signal = new AbortController().signal;
  return classAudio(db(), by, async () => of, { as, counts, signal, ...(phase && { phase }) });
};
const whole = async (stream: Readable): Promise<Buffer> => {
  const parts: Buffer[] = [];
  for await (const part of stream) parts.push(part as Buffer);
  return Buffer.concat(parts);
};
// Nobody else leaves anything there: other files make sounds at the same time.
const ours = path.join(folder, 'ours');
mkdirSync(ours);
beforeEach(() => {
  vi.stubEnv('TMPDIR', ours);
});
const halfCut = () => readdirSync(ours).filter((name) => name.startsWith('up-beat-'));

/** Something sounds where it is louder than that. */
const AUDIBLE = 0.004;
/** The first instant within a stretch at which something sounds, in ms; null where all is silent. */
function soundsFrom({ samples, rate }: Sound, fromMs: number, toMs: number): number | null {
  const last = Math.min(samples.length, Math.floor((toMs * rate) / 1000));
  for (let i = Math.ceil((fromMs * rate) / 1000); i < last; i++) {
    if (Math.abs(samples[i] ?? 0) > AUDIBLE) return (i * 1000) / rate;
  }
  return null;
}

/** A long sound minute by minute: all of it at once would take a gigabyte to measure. */
function minutes({ samples, rate }: Sound): Sound[] {
  const size = 60 * rate;
  return Array.from({ length: Math.ceil(samples.length / size) }, (_, i) => ({
    samples: samples.subarray(i * size, (i + 1) * size),
    rate,
  }));
}

describe.each(Object.keys(PLANS))('the sound of %s', (name) => {
  let of: Worded;
  let sound: Sound;
  beforeAll(async () => {
    of = await wordedOf(name);
    sound = soundOf(await whole((await take(of, 'wav')).stream));
  });

  it('is as long as its score, to a sample', () => {
    expect(sound.samples).toHaveLength(Math.round((of.score.totalMs * sound.rate) / 1000));
    expect(of.score.speech).toBe('measured');
  });

  it('has every cue within 30 ms of its time, and none over another', () => {
    const { cues } = of.score;
    expect(cues.length).toBeGreaterThan(20);
    cues.forEach((cue, i) => {
      const { startMs, durationMs } = cue;
      const onset = soundsFrom(sound, startMs, startMs + durationMs);
      expect(onset).not.toBeNull();
      expect((onset ?? 0) - startMs).toBeLessThanOrEqual(30);
      const next = cues[i + 1];
      if (next) expect(startMs + durationMs).toBeLessThanOrEqual(next.startMs);
    });
  });

  it('has every count where it is heard on its beat, as far as there is room before it', async () => {
    const speak = await speaks(db(), teacher, {});
    let free = 0;
    let early = 0;
    for (const { startMs, durationMs, text, language, kind } of of.score.cues) {
      if (isCount({ kind })) {
        const { wav } = await speak({ text, language, wordsPerMinute: of.score.wordsPerMinute });
        const before = Math.min(startMs - free, earlyMs(soundOf(wav), { text, language }));
        const onset = soundsFrom(sound, startMs - before - 5, startMs + 30);
        expect(Math.abs((onset ?? 0) - (startMs - before)), text).toBeLessThanOrEqual(10);
        if (before > 50) early++;
      }
      free = startMs + durationMs;
    }
    expect(early).toBeGreaterThan(3);
  });

  it('is silent wherever silence is planned', () => {
    let free = 0;
    for (const { startMs, durationMs, kind } of of.score.cues) {
      const begins = startMs - (isCount({ kind }) ? MOST_EARLY_MS : 0);
      if (!of.score.steps.some((s) => s.beatMs || s.breathTones)) {
        expect(soundsFrom(sound, free + 1, begins - 1)).toBeNull();
      }
      free = startMs + durationMs;
    }
    expect(soundsFrom(sound, free + 500, of.score.totalMs)).toBeNull();
  });

  it('is as loud as all that is said is to be, and nowhere too high', () => {
    expect(Math.abs((loudnessOf(...minutes(sound)) ?? 0) - SPOKEN_LUFS)).toBeLessThan(1.2);
    // What is far below need not be exact.
    const peaks = peaksOf(sound.samples, 0.5);
    const most = peaks.reduce((highest, p) => Math.max(highest, p), 0);
    expect(20 * Math.log10(most)).toBeLessThanOrEqual(HIGHEST_DBTP + 0.1);
  });
});

it('one phase alone is the same sound, cut out of the whole, with its own chapters', async () => {
  const of = await wordedOf('a German class');
  const phase = of.score.steps[Math.floor(of.score.steps.length / 2)]?.phase ?? 'work';
  const part = partOf(of.score, phase);
  if (!part) throw new Error(phase);
  const all = soundOf(await whole((await take(of, 'wav')).stream));
  const cut = soundOf(await whole((await take(of, 'wav', { phase })).stream));
  const at = (ms: number) => Math.round((ms * all.rate) / 1000);
  expect(cut.samples).toHaveLength(at(part.toMs - part.fromMs));
  // To a sample, which each is rounded to for itself.
  const cues = of.score.cues.filter((c) => c.startMs >= part.fromMs && c.startMs < part.toMs);
  expect(cues.length).toBeGreaterThan(5);
  for (const { startMs, durationMs } of cues) {
    const [whole, alone] = [part.fromMs, 0].map((from, i) => {
      const begins = startMs - part.fromMs + from;
      return (soundsFrom(i === 0 ? all : cut, begins, begins + durationMs) ?? -1) - from;
    });
    expect(Math.abs((whole ?? 0) - (alone ?? 0))).toBeLessThan(1);
  }
  const missing = PHASES.find((name) => !of.score.steps.some((s) => s.phase === name));
  if (!missing) throw new Error('the class has all phases');
  await expect(take(of, 'wav', { phase: missing })).rejects.toMatchObject({ code: 'no-such-part' });
});

it('without counts there is less to be heard, and nothing moves', async () => {
  const of = await wordedOf('an English class');
  const sound = soundOf(await whole((await take(of, 'wav', { counts: false })).stream));
  const counted = of.score.cues.filter((c) => c.kind === 'countIn' || c.kind === 'count');
  expect(counted.length).toBeGreaterThan(2);
  for (const { startMs, durationMs } of counted) {
    expect(soundsFrom(sound, startMs + 1, startMs + durationMs - 1)).toBeNull();
  }
  expect(sound.samples).toHaveLength(Math.round((of.score.totalMs * sound.rate) / 1000));
});

describe.each(['mp3', 'm4a', 'opus'] as const)('as %s', (as) => {
  it('it is as long, has a title, and a chapter for each move, read by another program', async () => {
    const of = await wordedOf('an English class');
    const file = path.join(folder, `class.${as}`);
    writeFileSync(file, await whole((await take(of, as)).stream));
    const { stdout } = spawnSync('ffprobe', [
      ...['-v', 'error', '-show_chapters', '-show_format', '-show_streams'],
      ...['-of', 'json', file],
    ]);
    const probed = JSON.parse(stdout.toString());
    // How far it is is told by that, where the server does not know.
    const told = Number(probed.format.size) / (of.score.totalMs * BYTES_A_MS[as]);
    expect(told).toBeGreaterThan(0.6);
    expect(told).toBeLessThan(1.6);
    expect(Math.abs(Number(probed.format.duration) * 1000 - of.score.totalMs)).toBeLessThan(100);
    const pictures = probed.streams.filter((s: { codec_name: string }) => s.codec_name === 'png');
    expect(pictures.map((p: { width: number; height: number }) => [p.width, p.height])).toEqual(
      as === 'opus' ? [] : [[600, 600]],
    );
    const tags = { ...probed.format.tags, ...probed.streams[0].tags };
    expect(tags.title).toBe(of.score.name);
    // A file that goes from hand to hand says what to mind.
    expect(tags.comment).toMatch(/^Gentle movement.* Stop if anything hurts\./);
    const chapters = probed.chapters.map(
      (c: { start_time: string; tags: { title: string } }) =>
        `${Math.round(Number(c.start_time) * 1000)} ${c.tags.title}`,
    );
    expect(chapters).toEqual(chaptersOf(of, 'en').map((c) => `${c.startMs} ${c.name}`));
    await expect.poll(halfCut).toEqual([]);
    // What packing leaves out no longer takes off from what is left.
    const highest = highestHeardIn(file);
    expect(highest).toBeLessThanOrEqual(HIGHEST_DBTP);
    expect(highest).toBeGreaterThan(HIGHEST_DBTP - 2.5);
  });
});

it('in its easier version every move is done so that has one, in words, sound and sheet alike', async () => {
  const lines = [
    { move: 'tall-o-cheek-lift', rounds: 1 },
    { move: 'chin-over-shoulder', rounds: 1 },
  ];
  const id = await createClass(db(), teacher, planOf(lines), NOON);
  const [led, easier] = await Promise.all([
    wordedClass(db(), teacher, id),
    wordedClass(db(), teacher, id, { easier: true }),
  ]);
  const has = (moveId: string) => libraryMove(moveId)?.variants.easier !== undefined;
  expect(led.score.steps.filter((s) => s.variant === 'easier')).toEqual([]);
  const work = easier.score.steps.filter((s) => s.kind === 'work' && has(s.moveId));
  expect(work.length).toBeGreaterThan(0);
  for (const step of work) expect(step.variant).toBe('easier');
  const textOf = (of: WordedClass) => wordsFile(of, { as: 'text', counts: false, language: 'en' });
  expect(textOf(easier)).not.toBe(textOf(led));
  const { segments } = easier.plan.phases.work[0] ?? { segments: [] };
  expect(segments.map((s) => s.variant)).toEqual(['easier']);
  expect(wavMs(await whole((await take(easier, 'wav')).stream))).toBeCloseTo(
    easier.score.totalMs,
    -2,
  );
});

describe('all of it in one file', () => {
  const packed = async (signal = new AbortController().signal, film: AskedPack['film'] = null) => {
    const worded = await wordedOf('a German class');
    const plan = PLANS['a German class'] as Plan;
    const asked = {
      plan,
      worded,
      counts: true,
      signal,
      now: NOON,
      timeZone: 'Europe/Dublin',
      film,
    };
    const parts: Uint8Array[] = [];
    for await (const part of await classPack(db(), teacher, asked)) parts.push(part);
    return unzipSync(Buffer.concat(parts));
  };
  const textOf = (file: Uint8Array | undefined) => Buffer.from(file ?? []).toString();

  it('is what each file alone would be, with the usual cautions in every language', async () => {
    const files = await packed();
    const of = await wordedOf('a German class');
    const asked = { as: 'srt', counts: true, language: 'de' } as const;
    expect(textOf(files['captions.de.srt'])).toBe(wordsFile(of, asked));
    expect(JSON.parse(textOf(files['class.upbeat.json']))).toEqual(PLANS['a German class']);
    const [german = '', english = '', ...more] = textOf(files['README.txt']).split('\n---\n');
    expect(more).toEqual([]);
    expect(german).toMatch(/\. Stand: .*\.[\s\S]*wehtut[\s\S]*Wenn bei jemandem/);
    expect(english).toMatch(/, as it was on .*[\s\S]*Stop if anything hurts[\s\S]*If somebody/);
    for (const [says, language] of [[german, 'de'] as const, [english, 'en'] as const]) {
      const rows = carriedRows(of.plan, LIBRARY_BOOK, language);
      expect(rows.length).toBeGreaterThan(2);
      for (const { who, what } of rows) expect(says).toContain(`${who}: ${what}`);
    }
    expect(files['class.mp3']?.length).toBeGreaterThan(10_000);
    expect(textOf(files['sheet.pdf']?.subarray(0, 5))).toBe('%PDF-');
  });

  it('says of what is strong that it is not for every day, and not of a gentler version', async () => {
    const plan = planOf([{ move: 'jaw-knuckle-circles', rounds: 1 }, { move: 'soft-jaw-drop' }]);
    const id = await createClass(db(), teacher, plan, NOON);
    const says = async (how: { cautions?: [] }) =>
      notDaily(await wordedClass(db(), teacher, id, how));
    expect(await says({})).toEqual([
      'Not for every day: Knuckle circles on the jaw muscle. Skin and muscle need days of rest after what is strong.',
    ]);
    expect(await says({ cautions: [] })).toEqual([]);
  });

  it('has a film of the class where one is made, and says so', async () => {
    const parts = (async function* () {
      yield Buffer.from('a film');
    })();
    const files = await packed(undefined, { name: 'film.webm', parts });
    expect(textOf(files['film.webm'])).toBe('a film');
    expect(textOf(files['README.txt'])).toContain('film.webm');
  });

  it('has its sound as WAV where the machine cannot pack it', async () => {
    // Its cues have been said before, so that nothing else is missed.
    await packed();
    const had = process.env.PATH;
    process.env.PATH = withoutEncoder;
    try {
      const files = await packed();
      expect(Object.keys(files)).toContain('class.wav');
      expect(Object.keys(files)).not.toContain('class.mp3');
      expect(textOf(files['README.txt'])).toContain('class.wav');
    } finally {
      process.env.PATH = had;
    }
  });
});

describe('what stands in the way', () => {
  it('is told: so many of one teacher, until they are sent', async () => {
    const of = await wordedOf('an English class');
    const under = await Promise.all([1, 2, 3].map(() => take(of, 'wav')));
    await expect(take(of, 'wav')).rejects.toMatchObject({ code: 'sound-enough' });
    const [first] = under;
    const closed = new Promise((gone) => first?.stream.once('close', gone));
    first?.stream.destroy();
    await closed;
    const files = [...under.slice(1), await take(of, 'wav')];
    for (const { stream, bytes } of files) expect((await whole(stream)).length).toBe(bytes);
  });

  it('whoever goes away ends it, and nothing is left of it', async () => {
    const of = await wordedOf('an English class');
    const controller = new AbortController();
    const asked = { as: 'mp3', counts: true, signal: controller.signal } as const;
    const made = classAudio(db(), teacher, async () => of, asked);
    await expect.poll(halfCut).toHaveLength(1);
    controller.abort(new Error('gone'));
    await expect(made).rejects.toThrow('gone');
    await expect.poll(halfCut).toEqual([]);
    // Or while it is sent.
    const later = new AbortController();
    const { stream } = await classAudio(db(), teacher, async () => of, {
      ...asked,
      signal: later.signal,
    });
    expect(halfCut()).toEqual([]);
    const closed = new Promise((resolve) => stream.once('close', resolve));
    later.abort();
    await closed;
    await whole((await take(of, 'wav')).stream);
  });

  it('what is written beside the sound is done before its folder goes', async () => {
    const of = await wordedOf('an English class');
    const much = path.join(folder, 'much');
    mkdirSync(much);
    for (let i = 0; i < 5000; i++) writeFileSync(path.join(much, String(i)), '');
    const controller = new AbortController();
    const asked = { as: 'mp3', counts: true, signal: controller.signal } as const;
    const made = classAudio(db(), teacher, async () => of, asked);
    await expect.poll(halfCut, { interval: 1 }).toHaveLength(1);
    // The folder takes long to go now. What was written into it meanwhile would keep it for good.
    renameSync(much, path.join(ours, halfCut()[0] ?? '', 'much'));
    controller.abort(new Error('gone'));
    await expect(made).rejects.toThrow('gone');
    await expect.poll(halfCut).toEqual([]);
  });

  it('what cannot be written beside the sound is told once that is packed', async () => {
    const of = await wordedOf('an English class');
    const made = take(of, 'mp3');
    await expect.poll(halfCut, { interval: 1 }).toHaveLength(1);
    // No file can be written where a folder is.
    mkdirSync(path.join(ours, halfCut()[0] ?? '', 'cover.png'));
    await expect(made).rejects.toMatchObject({ code: 'EISDIR' });
    await expect.poll(halfCut).toEqual([]);
  });

  it('a machine without the program says so, and packs nothing', async () => {
    const of = await wordedOf('an English class');
    const had = process.env.PATH;
    process.env.PATH = withoutEncoder;
    try {
      await expect(take(of, 'opus')).rejects.toMatchObject({ code: 'no-encoder' });
    } finally {
      process.env.PATH = had;
    }
    await expect.poll(halfCut).toEqual([]);
  });

  /** Does something while packing fails as a program says. */
  const withBroken = async (says: string, does: () => Promise<void>) => {
    const had = process.env.PATH;
    const broken = path.join(folder, 'broken');
    mkdirSync(broken, { recursive: true });
    writeFileSync(path.join(broken, 'ffmpeg'), `#!/bin/sh\n${says}\n`, { mode: 0o755 });
    process.env.PATH = `${broken}:${had}`;
    try {
      await does();
    } finally {
      process.env.PATH = had;
    }
  };

  it.each(AUDIO_FORMATS)(
    'a voice that breaks off leaves no %s that passes for a whole one',
    async (as) => {
      const of = await wordedOf('an English class');
      const last = of.score.cues.findLast((cue) => !isCount(cue));
      // A cue that no voice can be asked for, late in the class.
      const cues = of.score.cues.map((cue) =>
        cue === last ? { ...cue, language: 'xx' as never } : cue,
      );
      const broken = { ...of, score: { ...of.score, cues } };
      await expect(take(broken, as)).rejects.toThrow();
      await expect.poll(halfCut).toEqual([]);
    },
  );

  it.each([
    ['reads nothing more', 'exec <&-\nexit 1', 'sound-failed'],
    ['fails half way', 'head -c 5000 /dev/zero > /dev/null\nexit 1', 'sound-failed'],
    ['finds no room', 'cat > /dev/null\necho "No space left on device" >&2\nexit 1', 'no-room'],
    ['finds no room at the end', 'cat > /dev/null\necho "No space left on device" >&2', 'no-room'],
  ])('a program that %s leaves nothing that passes for a whole file', async (_, says, code) => {
    const of = await wordedOf('an English class');
    await withBroken(says, async () => {
      await expect(take(of, 'opus')).rejects.toMatchObject({ code });
    });
    await expect.poll(halfCut).toEqual([]);
    await whole((await take(of, 'opus')).stream);
  });

  it('a class that is longer than an audio file may be is refused', async () => {
    const { score, document } = await wordedOf('an English class');
    const long = { document, score: { ...score, totalMs: 5 * 3_600_000 } };
    await expect(take(long, 'wav')).rejects.toMatchObject({ code: 'too-long-to-hear' });
  });

  it('another studio’s class is not there', async () => {
    const other = await makeStudio(db());
    const id = await createClass(db(), other, planOf([{ move: 'soft-jaw-drop' }]), NOON);
    await expect(wordedClass(db(), teacher, id)).rejects.toMatchObject({ code: 'not-found' });
    await expect(wordedClass(db(), teacher, randomUUID())).rejects.toMatchObject({
      code: 'not-found',
    });
  });
});
