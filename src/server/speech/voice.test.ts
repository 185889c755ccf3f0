import {
  chmodSync,
  mkdtempSync,
  readdirSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import * as demo from '@demo';
import { planOf } from '@testing/plans';
import { afterAll, describe, expect, it } from 'vitest';
import { CUE_GAP_MS } from '@/core/score';
import { VOICES, wavMs, wavOf } from '@/core/speech';
import { bookOf } from '../compiling/book';
import { compileMeasured } from '../compiling/measured';
import { AudioCache } from './cache';
import { espeak, type SpeechEngine } from './engine';
import { Unspeakable } from './speaking';
import { type Asker, Voice } from './voice';

const BOOK = bookOf('me', []);

const folder = mkdtempSync(path.join(tmpdir(), 'upbeat-voice-'));
afterAll(() => rmSync(folder, { recursive: true }));

async function engine(): Promise<SpeechEngine & { rendered: string[] }> {
  const real = await espeak();
  if (!real) throw new Error('espeak-ng is not installed; "npm test" installs it.');
  const rendered: string[] = [];
  return {
    ...real,
    rendered,
    render: (utterance, voice) => {
      rendered.push(utterance.text);
      return real.render(utterance, voice);
    },
  };
}
const say = (text: string) => ({ text, language: 'en', wordsPerMinute: 150 }) as const;

const heard = (wav: Buffer | null): Buffer => {
  if (!wav) throw new Error('it should have been said');
  return wav;
};
const wav = Buffer.from(wavOf({ samples: new Float32Array(2400), rate: 24_000 }));

/** A program that says a text when it is let, and keeps what it was asked in order. */
function slowEngine() {
  const begun: string[] = [];
  const open = new Map<string, () => void>();
  const gaveUp: string[] = [];
  const engine: SpeechEngine = {
    id: 'slow',
    voices: [],
    render: ({ text }, _, { signal } = {}) =>
      new Promise((resolve, reject) => {
        begun.push(text);
        open.set(text, () => resolve(wav));
        signal?.addEventListener('abort', () => {
          gaveUp.push(text);
          reject(signal.reason);
        });
      }),
  };
  /** Lets the texts under way end until nothing new begins. */
  const letAll = async () => {
    for (let idle = 0; idle < 20; ) {
      const now = [...open.values()];
      open.clear();
      for (const end of now) end();
      await new Promise((resolve) => setImmediate(resolve));
      idle = now.length > 0 || open.size > 0 ? 0 : idle + 1;
    }
  };
  const waitFor = async (count: number) => {
    while (begun.length < count) await new Promise((resolve) => setImmediate(resolve));
  };
  return { engine, begun, gaveUp, letAll, waitFor };
}
const freshFolder = () => mkdtempSync(path.join(folder, 'own-'));

describe('many who ask', () => {
  it('take turns, and what is about to be heard waits for nothing that is measured', async () => {
    const { engine, begun, letAll, waitFor } = slowEngine();
    const voice = new Voice(engine, freshFolder());
    const ask = (text: string, asker: Asker) => voice.audio(say(text), 'plain', asker);
    const greedy = ['a1', 'a2', 'a3', 'a4', 'a5', 'a6'];
    const all = greedy.map((text) => ask(text, { owner: 'a', urgency: 'measured' }));
    await waitFor(1);
    all.push(ask('a soon', { owner: 'a', urgency: 'heard' }), ask('b1', { owner: 'b' }));
    // Whoever asks comes to the queue only after a look at the disk.
    while (voice.waiting < 6 || begun.length < 2)
      await new Promise((resolve) => setImmediate(resolve));
    let over = false;
    const done = Promise.all(all).finally(() => {
      over = true;
    });
    // Between two texts the disk is written, which takes what it takes.
    while (!over) await letAll();
    await done;
    const [first = ''] = begun;
    expect(greedy).toContain(first);
    expect(begun[1]).toBe('a soon');
    // The other one has a turn after at most one of those who were there before.
    expect(begun.slice(2, 4)).toContain('b1');
    expect(begun.toSorted()).toEqual(['a soon', ...greedy, 'b1']);
  });

  it('do not wait with what they want to hear where somebody wants it measured', async () => {
    const { engine, begun, letAll, waitFor } = slowEngine();
    const voice = new Voice(engine, freshFolder());
    const ask = (text: string, urgency: Asker['urgency']) =>
      voice.audio(say(text), 'plain', { owner: 'a', urgency });
    const before = ask('long before', 'measured');
    await waitFor(1);
    const measured = ask('wanted', 'measured');
    while (voice.waiting < 1) await new Promise((resolve) => setImmediate(resolve));
    const soon = ask('wanted', 'heard');
    await waitFor(2);
    expect(begun).toEqual(['long before', 'wanted']);
    let over = false;
    const all = Promise.all([before, measured, soon]).finally(() => {
      over = true;
    });
    while (!over) await letAll();
    expect(await all).toEqual([wav, wav, wav]);
    // It is rendered once for both of them.
    expect(begun).toEqual(['long before', 'wanted']);
  });

  it('may go: what nobody waits for is not rendered, and whoever still waits gets it', async () => {
    const { engine, begun, gaveUp, letAll, waitFor } = slowEngine();
    const voice = new Voice(engine, freshFolder());
    const [one, other, last] = [1, 2, 3].map(() => new AbortController());
    const ask = (text: string, by?: AbortController) =>
      voice.audio(say(text), 'plain', { owner: 'a', urgency: 'prepared', signal: by?.signal });
    const shared = [ask('shared', one), ask('shared', other)];
    const alone = ask('alone', one);
    await waitFor(2);
    const queued = ask('queued', last);
    while (voice.waiting < 1) await new Promise((resolve) => setImmediate(resolve));
    one?.abort();
    last?.abort();
    await expect(Promise.all([shared[0], alone])).rejects.toThrow();
    await expect(alone).rejects.toThrow();
    await expect(queued).rejects.toThrow();
    expect(gaveUp).toEqual(['alone']);
    const again = ask('alone');
    await waitFor(3);
    await letAll();
    expect(await shared[1]).toEqual(wav);
    expect(await again).toEqual(wav);
    expect(begun.toSorted()).toEqual(['alone', 'alone', 'shared']);
  });
});

describe('what the program cannot say', () => {
  it('has no length and no sound, is tried once, and the class goes on with the estimate', async () => {
    let tried = 0;
    const real = await engine();
    const broken: SpeechEngine = {
      id: 'broken',
      voices: [],
      render: (utterance, voice, how) => {
        if (!utterance.text.includes('pulses')) return real.render(utterance, voice, how);
        tried++;
        throw new Unspeakable('it died');
      },
    };
    const voice = new Voice(broken, freshFolder());
    expect(await voice.audio(say('Small pulses.'))).toBeNull();
    expect(await voice.length(say('Small pulses.'))).toBeNull();
    expect(tried).toBe(1);
    const score = await compileMeasured(planOf([{ move: 'smile-pulses' }]), BOOK, voice);
    expect(score.speech).toBe('mixed');
    expect(score.cues.some((cue) => cue.text.includes('pulses'))).toBe(true);
  });

  it('is told apart from what is wrong with the machine', async () => {
    const full: SpeechEngine = {
      id: 'full',
      voices: [],
      render: async () => Promise.reject(Object.assign(new Error('no space'), { code: 'ENOSPC' })),
    };
    const voice = new Voice(full, freshFolder());
    await expect(voice.audio(say('Breathe.'))).rejects.toThrow('no space');
  });
});

describe('the cache', () => {
  const names = (of: string) => readdirSync(of).filter((name) => name.endsWith('.wav'));

  it('keeps what was said before it knows what else is there', async () => {
    const own = freshFolder();
    for (const name of ['one', 'two', 'three']) writeFileSync(path.join(own, `${name}.wav`), wav);
    utimesSync(path.join(own, 'one.wav'), 0, 0);
    const cache = new AudioCache(own, 2 * wav.length);
    // It learns what is there while the first is read.
    await cache.write('new.wav', wav);
    expect(await cache.read('one.wav')).toEqual(wav);
    await expect.poll(() => names(own).sort()).toEqual(['new.wav', 'one.wav']);
  });

  it('lets nobody else on the machine hear it, also where it was made for all', async () => {
    const own = freshFolder();
    chmodSync(own, 0o755);
    await new AudioCache(own, wav.length).read('one.wav');
    await expect.poll(() => statSync(own).mode & 0o777).toBe(0o700);
  });

  it('keeps so many bytes at most: what was not heard for longest goes first', async () => {
    const own = freshFolder();
    const { engine, letAll, begun } = slowEngine();
    const render = async (voice: Voice, text: string) => {
      let over = false;
      const said = voice.audio(say(text)).finally(() => {
        over = true;
      });
      while (!over) await letAll();
      return said;
    };
    const voice = new Voice(engine, own, 3 * wav.length);
    for (const text of ['one', 'two', 'three']) await render(voice, text);
    await render(voice, 'one');
    await render(voice, 'four');
    await expect.poll(() => names(own).length).toBe(3);
    expect(begun).toEqual(['one', 'two', 'three', 'four']);
    await render(voice, 'one');
    await render(voice, 'two');
    expect(begun).toEqual(['one', 'two', 'three', 'four', 'two']);
    // What is there from before counts, too.
    const next = new Voice(engine, own, 2 * wav.length);
    await render(next, 'five');
    await expect.poll(() => names(own).length).toBe(2);
  });
});

describe('the voice', () => {
  it('renders each text once, however many ask, and finds it again after a restart', async () => {
    const speaking = await engine();
    const own = freshFolder();
    const voice = new Voice(speaking, own);
    await Promise.all([
      voice.length(say('Breathe.')),
      voice.audio(say('Breathe.')),
      voice.length(say('Breathe.')),
    ]);
    await new Voice(speaking, own).audio(say('Breathe.'));
    expect(speaking.rendered).toEqual(['Breathe.']);
    expect(readdirSync(own).filter((f) => !f.endsWith('.wav'))).toEqual([]);
  });

  it('measures what it renders: a whole WAV file whose header tells its length', async () => {
    const voice = new Voice(await engine(), folder);
    const wav = heard(await voice.audio(say('Fold both lips over the teeth.')));
    expect(wav.readUInt32LE(4)).toBe(wav.length - 8);
    expect(wav.readUInt32LE(40)).toBe(wav.length - 44);
    expect(await voice.length(say('Fold both lips over the teeth.'))).toBe(wavMs(wav));
    expect(wavMs(wav)).toBeGreaterThan(1000);
  });

  it('takes every text as text, even one that looks like an option or like phonemes', async () => {
    const voice = new Voice(await engine(), folder);
    for (const text of ['--version', '[[h@loU]]', '"; rm -rf /', '$(date)', '<break time="9s"/>']) {
      expect(await voice.length(say(text))).toBeLessThan(6000);
    }
  });

  it('has four voices that differ, each rendered once', async () => {
    const speaking = await engine();
    const voice = new Voice(speaking, folder);
    const said = await Promise.all(VOICES.map((name) => voice.audio(say('Let go.'), name)));
    expect(new Set(said.map((wav) => heard(wav).toString('base64'))).size).toBe(VOICES.length);
    await Promise.all(VOICES.map((name) => voice.length(say('Let go.'), name)));
    expect(speaking.rendered).toHaveLength(VOICES.length);
  });

  it('speaks faster at a higher rate', async () => {
    const voice = new Voice(await engine(), folder);
    const slow = (await voice.length(say('Let the shoulders sink.'))) ?? 0;
    const fast = await voice.length({ ...say('Let the shoulders sink.'), wordsPerMinute: 220 });
    expect(fast).toBeLessThan(slow * 0.8);
  });
});

it('gives every demo class a score in which no measured cue is spoken over another', async () => {
  const voice = new Voice(await engine(), folder);
  for (const plan of [demo.choir, demo.online]) {
    const score = await compileMeasured(plan, BOOK, voice);
    expect(score.speech).toBe('measured');
    const late = score.cues.filter((cue, i) => {
      const next = score.cues[i + 1];
      return next && next.startMs - cue.startMs - cue.durationMs < CUE_GAP_MS;
    });
    expect(late).toEqual([]);
    expect(score.totalMs).toBeLessThanOrEqual(score.slotMs);
  }
});

it('falls back to the estimate where there is no voice, and says so', async () => {
  expect((await compileMeasured(demo.online, BOOK, null)).speech).toBe('estimated');
});
